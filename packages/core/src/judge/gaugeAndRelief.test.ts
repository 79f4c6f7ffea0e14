import { resolveCircuit } from '../circuit/resolveCircuit';
import { findingLikelihood, hangsOnDraw } from './findings/findingLikelihood';
import type { Finding } from './Finding';
import { SLOT } from './fit/kernel';
import { NOTHING_LOGGED } from './Logged';

const circuit = resolveCircuit({ kind: 'sealed-hot-water', reliefValve: { setBar: 3 }, fill: { kind: 'manual-loop' } });
const dripping: Finding = { test: 'discharge-pipe', outcome: 'dripping' };
const off = (byBar: number, stuck = 0): Float64Array => {
  const v = new Float64Array(SLOT.start);
  v[SLOT.offset] = byBar;
  v[SLOT.stuck] = stuck;
  return v;
};
const drips = (v: Float64Array, peakGaugeBar: number | null = null) =>
  findingLikelihood(dripping, ['gauge-misreading'], v, circuit, { ...NOTHING_LOGGED, peakGaugeBar, usualPeakGaugeBar: peakGaugeBar });

it('who fills by a gauge that reads low fills too high, and the relief drips', () => {
  expect(drips(off(-0.8))).toBeGreaterThan(4 * drips(off(0.5)));
  expect(hangsOnDraw(dripping, ['gauge-misreading'])).toBe(true);
  expect(hangsOnDraw(dripping, ['vessel-undercharged'])).toBe(false);
});

it('how near the relief came is told by the true pressure: 2.2 bar on a gauge that reads 0.7 low is a lift, on one that reads 0.7 high it is none', () => {
  expect(drips(off(-0.7), 2.2)).toBeGreaterThan(5 * drips(off(0.7), 2.2));
  // Where the needle sticks, nobody knows how high it went.
  expect(drips(off(0, 0.9), 1.4)).toBeCloseTo(drips(off(0, 0.9), 2.9), 10);
});

it('a stained pipe speaks for too little gas where nothing was logged; less where the pressure was seen to stay far below; and not again where the log came up to the relief itself', () => {
  const stained: Finding = { test: 'discharge-pipe', outcome: 'stained' },
    v = new Float64Array(SLOT.start);
  const says = (peakGaugeBar: number | null) => {
    const logged = { ...NOTHING_LOGGED, peakGaugeBar, usualPeakGaugeBar: peakGaugeBar };
    return (
      findingLikelihood(stained, ['vessel-undercharged'], v, circuit, logged) / findingLikelihood(stained, ['none'], v, circuit, logged)
    );
  };
  expect(says(null)).toBeGreaterThan(3);
  expect(says(1.5)).toBeLessThan(0.7 * says(null));
  // Never nothing: what was topped up since may have stood higher then.
  expect(says(1.5)).toBeGreaterThan(1.3);
  expect(says(2.95)).toBeCloseTo(1, 1);
});

it('beside a seat that drips anyhow a flat vessel makes it drip more, and no stain speaks for it: the most that shows is what is seen', () => {
  const outcomes = ['dry', 'stained', 'dripping', 'running'] as const,
    v = new Float64Array(SLOT.start);
  const share = (outcome: string, faults: Parameters<typeof findingLikelihood>[1], usualPeakGaugeBar: number) =>
    findingLikelihood({ test: 'discharge-pipe', outcome }, faults, v, circuit, {
      ...NOTHING_LOGGED,
      peakGaugeBar: usualPeakGaugeBar,
      usualPeakGaugeBar,
    });
  const beside = (outcome: string, peak: number) =>
    share(outcome, ['relief-valve-passing', 'vessel-undercharged'], peak) / share(outcome, ['relief-valve-passing'], peak);
  expect(beside('dripping', 2.95)).toBeGreaterThan(1);
  expect(beside('dry', 2.95)).toBeLessThan(0.5);
  for (const peak of [1.3, 2.95]) expect(beside('stained', peak)).toBeLessThan(1.2);
  // Shares all along: what is taken from one outcome another gets.
  for (const peak of [0.8, 1.6, 2.4, 2.95, 3.2])
    for (const faults of [
      ['relief-valve-passing'],
      ['vessel-undercharged'],
      ['relief-valve-passing', 'vessel-undercharged'],
      ['fill-loop-passing', 'relief-valve-passing'],
      ['relief-valve-lifts-early', 'vessel-isolated'],
    ] as const)
      expect(outcomes.reduce((sum, o) => sum + share(o, faults, peak), 0)).toBeCloseTo(1, 9);
});
