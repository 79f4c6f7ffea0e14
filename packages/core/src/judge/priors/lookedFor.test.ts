import { diagnose } from '../diagnose';
import { FAULT_IDS, faultRow, type FaultId } from '../faults';
import type { Finding } from '../Finding';
import { LOOKED_FOR_BY, lookedForTimes as lookedForBy } from './lookedFor';
import { SMALL_HOME } from '../test/homes';
import { TESTS, testRow } from '../tests';
import { sureEnoughFor } from '../repairCosts';

const lookedForTimes = (faults: FaultId[], made: ReadonlySet<string>) => lookedForBy(made)(faults);
const chosen = (...tests: string[]) => new Set(tests);

it('before two tests were made nobody can say what they are for', () => {
  for (const made of [[], ['precharge'], ['vessel-drained-volume'], ['zone-valve-moves', 'precharge']]) {
    expect(lookedForTimes(['vessel-undercharged'], chosen(...made))).toBe(1);
    expect(lookedForTimes(['circuit-leak', 'vessel-undercharged'], chosen(...made))).toBe(1);
  }
});

it('what explains why just these tests were made is likelier, what explains none of them less so, and each test says no more than it may', () => {
  const low = (...tests: string[]) => lookedForTimes(['vessel-undercharged'], chosen(...tests));
  expect(low('precharge', 'draw-off')).toBeGreaterThan(low('precharge', 'visible-leak'));
  expect(low('precharge', 'visible-leak')).toBeGreaterThan(low('second-gauge', 'visible-leak'));
  expect(low('second-gauge', 'visible-leak')).toBeCloseTo(0.3 + 0.7 * 0.6 ** 2, 12);
  expect(low('second-gauge', 'visible-leak', 'bleed-radiators')).toBeLessThan(low('second-gauge', 'visible-leak'));
  for (const f of Object.keys(LOOKED_FOR_BY) as FaultId[])
    for (const n of [2, 3, 5]) {
      const times = lookedForTimes([f], new Set(LOOKED_FOR_BY[f]!.slice(0, n)));
      expect(times).toBeGreaterThan(0.3);
      expect(times).toBeLessThanOrEqual(0.3 + 0.7 * 4 ** Math.min(n, LOOKED_FOR_BY[f]!.length));
    }
  // Of nothing wrong it says nothing: that is no test's business.
  expect(lookedForTimes(['none'], chosen('precharge', 'gas-valve-press', 'second-gauge'))).toBe(1);
});

it('what shows itself by the same sign is suspected as well: of two feeds that bring in water the one whose test was made leads by little', () => {
  const made = ['coil-isolated-watch', 'discharge-pipe'],
    coil = lookedForTimes(['dhw-coil-perforated'], chosen(...made)),
    creeping = lookedForTimes(['reducing-valve-creeping'], chosen(...made)),
    plate = lookedForTimes(['dhw-plate-perforated'], chosen(...made)),
    gauge = lookedForTimes(['gauge-misreading'], chosen(...made));
  expect(coil).toBeGreaterThan(plate);
  expect(creeping).toBeGreaterThan(plate);
  expect(plate).toBeGreaterThan(gauge);
});

it('the dearer a test is, the more it says: nobody drains a boiler for nothing', () => {
  const beside = (test: string) => lookedForTimes(['vessel-undercharged'], chosen('visible-leak', test));
  expect(beside('vessel-drained-volume')).toBeGreaterThan(beside('draw-off'));
  expect(beside('draw-off')).toBeGreaterThan(beside('gas-valve-press'));
});

it('two causes are likelier than either where each was looked for, and less likely than the one that alone was', () => {
  const times = (faults: FaultId[], ...tests: string[]) => lookedForTimes(faults, chosen(...tests));
  const pair: FaultId[] = ['circuit-leak', 'vessel-undercharged'],
    each = ['boiler-isolated-hold', 'precharge'];
  for (const alone of pair) expect(times(pair, ...each)).toBeGreaterThan(times([alone], ...each));
  expect(times(pair, 'precharge', 'draw-off')).toBeLessThan(times(['vessel-undercharged'], 'precharge', 'draw-off'));
});

it('of what moves no pressure it says nothing, and beside it what does is looked for half as much', () => {
  const tests = chosen('bleed-radiators', 'idle-cold-pressure', 'second-gauge');
  expect(lookedForTimes(['air-locked-branch'], tests)).toBe(1);
  const alone = lookedForTimes(['feed-starved'], tests),
    beside = lookedForTimes(['air-locked-branch', 'feed-starved'], tests);
  expect(beside).toBeGreaterThan(1);
  expect(beside).toBeLessThan(alone);
});

it('every fault of the pressure side has a row, of tests that there are', () => {
  const pressure = FAULT_IDS.filter((id) => id !== 'none' && faultRow(id).plant === 'sealed');
  expect(Object.keys(LOOKED_FOR_BY).sort()).toEqual([...pressure].sort());
  for (const t of Object.values(LOOKED_FOR_BY).flat()) {
    expect(Object.keys(TESTS)).toContain(t);
    if (t !== 'flow-return') expect(testRow(t).plant).toBe('sealed');
  }
});

it('moves the answer, yet nobody buys a part on what somebody only seems to suspect', () => {
  const findings: Finding[] = [
    { test: 'discharge-pipe', outcome: 'dripping' },
    { test: 'fill-outlet-drip', outcome: 'drips' },
    { test: 'visible-leak', outcome: 'none' },
  ];
  const answer = (made: Finding[]) => diagnose({ format: 'jumper-case', version: 1, id: 'chosen', circuit: SMALL_HOME, findings: made }),
    chosen = answer(findings),
    asked = answer(findings.map((f) => ({ ...f, proposed: true })));
  const [first] = chosen.hypotheses;
  expect(first!.faults).toEqual(['fill-loop-passing', 'relief-valve-passing']);
  expect(asked.hypotheses[0]!.faults).toEqual(first!.faults);
  expect(first!.probability).toBeGreaterThan(asked.hypotheses[0]!.probability + 0.05);
  expect(first!.probability).toBeGreaterThan(
    sureEnoughFor(
      first!.faults.map((f) => faultRow(f).repair),
      false,
    ),
  );
  expect([chosen.enoughKnown, asked.enoughKnown]).toEqual([false, false]);
  // What was measured plainly is enough, whoever chose to measure it.
  const plain: Finding[] = [
    { test: 'condensate-when-off', outcome: 'drips' },
    { test: 'boiler-isolated-hold', boilerStartBar: 1.4, boilerEndBar: 0.4, circuitStartBar: 1.4, circuitEndBar: 1.4, minutes: 400 },
    { test: 'discharge-pipe', outcome: 'dry' },
    { test: 'gas-valve-press', outcome: 'air' },
  ];
  expect(answer(plain).enoughKnown).toBe(true);
});
