import { resolveCircuit } from '../circuit/resolveCircuit';
import { findingLikelihood, hangsOnDraw } from './findingLikelihood';
import type { Finding } from './Finding';
import { SLOT } from './kernel';
import { NOTHING_LOGGED } from './Logged';

const circuit = resolveCircuit({ kind: 'sealed-hot-water', reliefValve: { setBar: 3 }, fill: { kind: 'manual-loop' } });
const dripping: Finding = { test: 'discharge-pipe', outcome: 'dripping' };
const off = (byBar: number, stuck = 0): Float64Array => { const v = new Float64Array(SLOT.start); v[SLOT.offset] = byBar; v[SLOT.stuck] = stuck; return v; };
const drips = (v: Float64Array, peakGaugeBar: number | null = null) => findingLikelihood(dripping, ['gauge-misreading'], v, circuit, { ...NOTHING_LOGGED, peakGaugeBar });

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

it('a pipe that is stained says the less for too little gas the farther below the relief the pressure stayed when hot', () => {
  const stained: Finding = { test: 'discharge-pipe', outcome: 'stained' }, v = new Float64Array(SLOT.start);
  const says = (peakGaugeBar: number) => findingLikelihood(stained, ['vessel-undercharged'], v, circuit, { ...NOTHING_LOGGED, peakGaugeBar }) / findingLikelihood(stained, ['none'], v, circuit, { ...NOTHING_LOGGED, peakGaugeBar });
  expect(says(2.9)).toBeGreaterThan(3);
  expect(says(1.5)).toBeLessThan(says(2.9));
  // Never nothing: what was topped up since may have stood higher then.
  expect(says(1.5)).toBeGreaterThan(1.3);
});
