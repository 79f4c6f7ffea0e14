import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import type { Finding } from './Finding';
import { SMALL_HOME } from './test/homes';

// What one number says by itself, over all that it may be: no value may fall through to what is said where nothing was measured.
const WALL = { ...SMALL_HOME, staticHeadM: 4, maxFlowC: 75 };
const marginals = (...findings: Finding[]) => diagnose({ format: 'jumper-case', version: 1, id: 'one', circuit: WALL, findings }).marginals;
const share = (fault: FaultId, finding: Finding): number => marginals(finding)[fault]!;

it.each([
  [0.4, 0.8],
  [0.8, 0.8],
  [1.2, 0.8],
  [2, 0.8],
  // So far out as hardly a gauge is: a slip in writing it down is the other way to come by it.
  [2.6, 0.7],
])('a gauge that shows %s bar with the boiler empty lies', (valueBar, least) =>
  expect(share('gauge-misreading', { test: 'gauge-at-zero', valueBar })).toBeGreaterThan(least),
);
it('one that shows a tenth does not', () => expect(share('gauge-misreading', { test: 'gauge-at-zero', valueBar: 0.1 })).toBeLessThan(0.1));

it.each([-1.6, -0.5, 0.5, 1.6])('two gauges %s bar apart cannot both be right', (apartBar) =>
  expect(share('gauge-misreading', { test: 'second-gauge', valueBar: 1.7, firstGaugeBar: 1.7 + apartBar })).toBeGreaterThan(0.85),
);

it.each([8, 15, 30, 60])('water that is made up %s times a month goes somewhere', (count) => {
  const m = marginals({ test: 'top-ups-per-month', count });
  expect(m.none!).toBeLessThan(0.08);
  expect(m['circuit-leak']!).toBeGreaterThan(marginals({ test: 'top-ups-per-month', count: 0 })['circuit-leak']!);
});

it.each([1.5, 2, 2.5])('a relief marked %s bar where 3 is wanted lifts early', (markedBar) =>
  expect(share('relief-valve-lifts-early', { test: 'relief-marking', markedBar })).toBeGreaterThan(0.85),
);
it.each([3, 3.5, 6])('one marked %s bar does not', (markedBar) =>
  expect(share('relief-valve-lifts-early', { test: 'relief-marking', markedBar })).toBeLessThan(0.1),
);

it.each([1.1, 1.6, 2.2])('a charge of %s bar is over', (valueBar) =>
  expect(share('vessel-overcharged', { test: 'precharge', valueBar, circuitBar: 0, drainOpen: true })).toBeGreaterThan(0.8),
);
it.each([0, 0.2, 0.4])('a charge of %s bar is gas lost, one way or the other', (valueBar) => {
  const m = marginals({ test: 'precharge', valueBar, circuitBar: 0, drainOpen: true });
  expect(m['vessel-undercharged']! + m['vessel-diaphragm-failed']!).toBeGreaterThan(0.85);
});

it.each([0.3, 0.6, 1])('with the loop parted, a gauge that rises by %s bar in half an hour is fed by the exchanger', (riseBar) =>
  expect(
    share('dhw-plate-perforated', {
      test: 'fill-disconnected-watch',
      startBar: 1.2,
      endBar: 1.2 + riseBar,
      minutes: 30,
      boilerIsolated: false,
    }),
  ).toBeGreaterThan(0.85),
);
it.each([0.3, 0.6, 0.9])('one that falls by %s bar loses water', (fallBar) => {
  const m = marginals({ test: 'fill-disconnected-watch', startBar: 1.2, endBar: 1.2 - fallBar, minutes: 30, boilerIsolated: false });
  expect(m.none!).toBeLessThan(0.1);
  expect(m['circuit-leak']! + m['boiler-exchanger-leak']! + m['relief-valve-passing']! + m['air-vent-faulty']!).toBeGreaterThan(0.85);
});
