import fc from 'fast-check';
import type { Case } from './Case';
import { diagnose } from './diagnose';
import { FAULTS, type RepairId } from './faults';
import { REPLACEABLE_PARTS } from './priors/weightedSets';
import { WALL } from './test/told';
import { buysNoPart, isInHand, sureEnoughFor } from './repairCosts';

const REPAIRS = [...new Set(Object.values(FAULTS).map((f) => f.repair))] as RepairId[];
const some = fc.uniqueArray(fc.constantFrom(...REPAIRS), { minLength: 1, maxLength: 2 }),
  parts = fc.subarray([...REPLACEABLE_PARTS]);

it('a part in hand asks for no more sureness than one of which nobody said, and that for no more than one to be fetched', () => {
  fc.assert(
    fc.property(some, parts, fc.boolean(), (repairs, inHand, quick) => {
      const unsaid = sureEnoughFor(repairs, quick);
      expect(sureEnoughFor(repairs, quick, [...REPLACEABLE_PARTS])).toBeLessThanOrEqual(
        Math.max(unsaid, sureEnoughFor(repairs, quick, inHand)),
      );
      expect(sureEnoughFor(repairs, quick, [])).toBeGreaterThanOrEqual(sureEnoughFor(repairs, quick, inHand));
      expect(sureEnoughFor(repairs, quick, [])).toBeGreaterThanOrEqual(unsaid);
    }),
  );
});

it('what buys no part asks nobody what is in the van', () => {
  for (const repair of REPAIRS.filter((r) => buysNoPart([r])))
    expect([repair, isInHand(repair, []), sureEnoughFor([repair], false, [])]).toEqual([repair, null, sureEnoughFor([repair], false)]);
});

it.each<[RepairId, (typeof REPLACEABLE_PARTS)[number]]>([
  ['change-relief', 'relief-valve'],
  ['change-vessel', 'vessel'],
  ['change-feed', 'reducing-valve'],
  ['change-gauge', 'pressure-sensor'],
  ['change-core', 'valve-core'],
])('%s is done sooner with the %s in hand than where it has to be fetched', (repair, part) => {
  expect([isInHand(repair, [part]), isInHand(repair, []), isInHand(repair, undefined)]).toEqual([true, false, null]);
  expect(sureEnoughFor([repair], false, [part])).toBeLessThan(sureEnoughFor([repair], false, []));
});

it('a core in hand is tried like what costs nothing; a vessel in hand is still a vessel bought', () => {
  expect(sureEnoughFor(['change-core', 'recharge-vessel'], false, ['valve-core'])).toBe(sureEnoughFor(['recharge-vessel'], false));
  expect(sureEnoughFor(['change-vessel'], false, ['vessel'])).toBe(sureEnoughFor(['change-vessel'], false));
});

it('what is nearly certain is enough for the relief in the van, and not to go and fetch one', () => {
  const told: Case = {
    format: 'jumper-case',
    version: 1,
    id: 'van',
    circuit: WALL,
    complaint: ['topped-up-often', 'drips-outside'],
    findings: [
      { test: 'discharge-pipe', outcome: 'dripping' },
      { test: 'relief-reseat', outcome: 'still-drips' },
      { test: 'gas-valve-press', outcome: 'air' },
      { test: 'draw-off', volumeL: 0.4, beforeBar: 1.2, afterBar: 0.6 },
    ],
  };
  const [unsaid, inHand, toFetch] = [{}, { partsInHand: ['relief-valve' as const] }, { partsInHand: [] }].map((more) =>
    diagnose({ ...told, ...more }),
  );
  expect([unsaid!.enoughKnown, inHand!.enoughKnown, toFetch!.enoughKnown]).toEqual([true, true, false]);
  expect(toFetch!.hypotheses).toEqual(unsaid!.hypotheses);
});
