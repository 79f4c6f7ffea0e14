import { resolveCircuit } from '../../circuit/resolveCircuit';
import type { CircuitSheet } from '../../circuit/CircuitSheet';
import { applicableFaults, type FaultId } from '../faults';
import type { Finding } from '../Finding';
import { findingLikelihood, hangsOnDraw } from '../findings/findingLikelihood';
import { fitLogs } from '../fit/fitLogs';
import { logModelOf } from '../fit/logModel';
import { NOTHING_LOGGED, type Logged } from '../Logged';
import { OUTCOME_TABLES } from '../findings/outcomeTable';
import { parameterSpace } from '../fit/parameters/parameterSpace';
import { outcomesHangOnDraw, testOutcomes } from './testOutcomes';
import { TEST_IDS, testRow, type TestId } from '../tests';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 100,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 1 },
  staticHeadM: 4,
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop', mainsBar: 4 },
  gauge: { resolutionBar: 0.1 },
  maxFlowC: 70,
};
const c = resolveCircuit(SHEET);
const drawsOf = (faults: FaultId[]) =>
  fitLogs(parameterSpace(logModelOf(faults), SHEET, c, []), [], c.atmosphericBar, { seed: 7 })
    .draws.slice(0, 12)
    .map((d) => d.v);
const SETS: FaultId[][] = [
  ...applicableFaults(SHEET).map((id): FaultId[] => [id]),
  ['fill-loop-passing', 'relief-valve-passing'],
  ['relief-valve-passing', 'vessel-undercharged'],
];
const proposed = TEST_IDS.filter((id) => testRow(id).plant === 'sealed');
const at = (topGaugeBar: number): Logged => ({
  peakGaugeBar: topGaugeBar,
  usualPeakGaugeBar: topGaugeBar,
  topGaugeBar,
  coldGaugeBar: 1.2,
  hottestC: null,
});

it.each(SETS.map((s) => [s.join(' + '), s] as const))('what a test would show is a distribution, with %s', (_name, faults) => {
  for (const v of drawsOf(faults))
    for (const test of proposed) {
      const shares = testOutcomes(test, faults, v, c, 20, at(1.5));
      if (!shares) continue;
      expect(Math.min(...shares)).toBeGreaterThan(0);
      expect(Math.abs(shares.reduce((a, b) => a + b, 0) - 1)).toBeLessThan(0.02);
    }
});

it('what is foretold of an outcome is what it will count for', () => {
  const told = Object.keys(OUTCOME_TABLES) as TestId[];
  for (const faults of SETS)
    for (const v of drawsOf(faults).slice(0, 2))
      for (const test of told.filter((t) => proposed.includes(t) && t !== 'boiler-isolated-hold'))
        expect(testOutcomes(test, faults, v, c, 20, at(2))).toEqual(
          Object.keys(OUTCOME_TABLES[test]!.base).map((outcome) => findingLikelihood({ test, outcome }, faults, v, c, at(2))),
        );
});

describe('what is said to hang on no parameter is the same whatever they are', () => {
  // Each of these speaks by a number; the rest is asked by each of its outcomes.
  const NUMBERS: Finding[] = [
    { test: 'top-ups-per-month', count: 4 },
    { test: 'relief-marking', markedBar: 2.5 },
    { test: 'flow-return', flowC: 70, returnC: 45, minutesFiring: 20 },
    { test: 'precharge', valueBar: 0.6, drainOpen: true, circuitBar: 0 },
    { test: 'second-gauge', valueBar: 1.2, firstGaugeBar: 1.6 },
  ];
  const OUTCOMES: Finding[] = (Object.keys(OUTCOME_TABLES) as TestId[]).flatMap((test) =>
    Object.keys(OUTCOME_TABLES[test]!.base).map((outcome) => ({ test, outcome })),
  );
  it.each(SETS.map((s) => [s.join(' + '), s] as const))('%s', (_name, faults) => {
    const [first, ...others] = drawsOf(faults);
    for (const f of [...NUMBERS, ...OUTCOMES].filter((x) => !hangsOnDraw(x, faults)))
      for (const v of others)
        expect([f, findingLikelihood(f, faults, v, c, at(2.6))]).toEqual([f, findingLikelihood(f, faults, first!, c, at(2.6))]);
    for (const test of proposed.filter((t) => !outcomesHangOnDraw(t, faults)))
      for (const v of others)
        expect([test, testOutcomes(test, faults, v, c, 20, at(2.6))]).toEqual([test, testOutcomes(test, faults, first!, c, 20, at(2.6))]);
  });
});

describe('a relief that still drips after it was tried', () => {
  const drips = (faults: FaultId[], logged: Logged) =>
    findingLikelihood({ test: 'relief-reseat', outcome: 'still-drips' }, faults, drawsOf(faults)[0]!, c, logged);
  it('is hardly put down to water coming in while the pressure stays far below its lift', () => {
    expect(drips(['fill-loop-passing'], at(1.4))).toBeLessThan(1.3 * drips(['none'], at(1.4)));
    expect(drips(['fill-loop-passing'], at(3))).toBeGreaterThan(3 * drips(['fill-loop-passing'], at(1.4)));
  });
  it('speaks for a worn seat wherever the pressure stands, and as before where nothing was logged', () => {
    for (const logged of [at(1), at(2), at(3), NOTHING_LOGGED])
      expect(drips(['relief-valve-passing'], logged)).toBe(drips(['relief-valve-passing'], NOTHING_LOGGED));
    expect(drips(['fill-loop-passing'], NOTHING_LOGGED)).toBe(drips(['fill-loop-passing'], at(3.2)));
  });
});

it('a longer watch parts a hole from a tight circuit better', () => {
  const parted = (minutes: number) => {
    const of = (faults: FaultId[]) => {
      const all = drawsOf(faults).map((v) => testOutcomes('fill-disconnected-watch', faults, v, c, minutes)!);
      return all[0]!.map((_, i) => all.reduce((s, o) => s + o[i]!, 0) / all.length);
    };
    const holed = of(['dhw-plate-perforated']),
      sound = of(['none']);
    return holed.reduce((s, p, i) => s + Math.abs(p - sound[i]!), 0) / 2;
  };
  expect(parted(40)).toBeGreaterThan(parted(15));
  expect(parted(15)).toBeGreaterThan(parted(3));
});

it('flow and return foretell whether the flow is too hot only where none was logged, and no outcome is impossible', () => {
  const v = drawsOf(['none'])[0]!,
    shares = (faults: FaultId[], hottestC: number | null) => testOutcomes('flow-return', faults, v, c, 5, { ...NOTHING_LOGGED, hottestC })!;
  for (const faults of [['none'], ['boiler-overheating']] as FaultId[][])
    for (const hottestC of [null, 70]) for (const p of shares(faults, hottestC)) expect(p).toBeGreaterThan(0);
  expect(shares(['boiler-overheating'], 70)).toEqual(shares(['none'], 70));
  expect(shares(['boiler-overheating'], null)[0]!).toBeGreaterThan(10 * shares(['none'], null)[0]!);
});
