import { caseFile } from '@jumper/contract';
import { BALANCE_FAULTS } from './balance/balanceFaults';
import { BALANCE_TIERS, makeBalance } from './balance/makeBalance';
import { LOOP_FAULT_IDS, LOOP_FAULTS } from './loop/loopFaults';
import { LOOP_TIERS, makeLoop } from './loop/makeLoop';
import { ruleOfThumb } from './score/ruleOfThumb';
import { makeSketch, SKETCH_TIERS } from './sketch/makeSketch';
import { SKETCH_FAULTS } from './sketch/sketchFaults';
import { SPEAKS_OF } from './sketch/sketchFindings';
import type { Tier, TruthCase } from './truth/makeCase';

interface Row {
  make: (tier: Tier, seed: number) => TruthCase;
  tiers: readonly Tier[];
  unknown: Tier;
  from: number;
  count: (tier: Tier) => number;
  isKnown: (fault: string) => boolean;
  leastFindings: number;
  leastFaults: number;
  /** The visits in which so many faults are met; all where it is left out. */
  metIn?: Tier;
}
const ROWS: [string, Row][] = [
  [
    'second',
    {
      make: makeSketch,
      tiers: SKETCH_TIERS,
      unknown: 'days',
      from: 8001,
      count: () => 25,
      isKnown: (f) => f in SKETCH_FAULTS && f in SPEAKS_OF,
      leastFindings: 1,
      leastFaults: 16,
    },
  ],
  [
    'third',
    {
      make: makeBalance,
      tiers: BALANCE_TIERS,
      unknown: 'several',
      from: 9001,
      count: () => 25,
      isKnown: (f) => f in BALANCE_FAULTS,
      leastFindings: 1,
      leastFaults: 16,
    },
  ],
  // It draws the faults in turn: so many visits with findings have each of them.
  [
    'fourth',
    {
      make: makeLoop,
      tiers: LOOP_TIERS,
      unknown: 'several',
      from: 9001,
      count: (tier) => (tier === 'findings' ? LOOP_FAULT_IDS.length : tier === 'days' ? 4 : 8),
      isKnown: (f) => f in LOOP_FAULTS,
      leastFindings: 2,
      leastFaults: LOOP_FAULT_IDS.length,
      metIn: 'findings',
    },
  ],
];

describe.each(ROWS)('visits of the %s maker', (_, { make, tiers, unknown, from, count, isKnown, leastFindings, leastFaults, metIn }) => {
  const visits = tiers.flatMap((tier) => Array.from({ length: count(tier) }, (_, i) => make(tier, from + i)));
  it('are case files, the same again for the same seed, and the rule of thumb has an answer to each', () => {
    for (const v of visits) {
      expect(caseFile.safeParse(v.case).success).toBe(true);
      expect(ruleOfThumb(v.case).length).toBeGreaterThan(0);
    }
    expect(make('pair', from + 2)).toEqual(make('pair', from + 2));
    expect(new Set(visits.map((v) => v.case.id)).size).toBe(visits.length);
  });
  it('have one fault or two, known to the product, with findings where the tier says so', () => {
    for (const { tier, truth, case: c } of visits) {
      expect(truth.faults.length).toBe(tier === 'pair' ? 2 : 1);
      expect(truth.faults.every(isKnown)).toBe(true);
      expect((c.findings as unknown[]).length >= leastFindings).toBe(tier === 'findings' || tier === 'pair');
    }
    expect(
      new Set(visits.filter((v) => metIn === undefined || v.tier === metIn).flatMap((v) => v.truth.faults)).size,
    ).toBeGreaterThanOrEqual(leastFaults);
  });
  it('are not made of a tier that it does not know', () => expect(() => make(unknown, 1)).toThrow(RangeError));
});
