import * as fc from 'fast-check';
import { partDensity, priorMode, sharedOut } from './proposal';
import { flattened, kish, truncated } from './weights';

const weights = fc.array(fc.double({ min: 1e-6, max: 1, noNaN: true }), { minLength: 5, maxLength: 60 });

it('equal weights are worth their number, one lucky draw is worth one', () => {
  expect(Math.abs(kish(Array(25).fill(0.3)) - 25)).toBeLessThan(1e-9);
  expect(Math.abs(kish([1, ...Array(24).fill(1e-9)]) - 1)).toBeLessThan(1e-6);
});

it('cutting never lowers the effective number, and cuts at √N times the mean', () =>
  fc.assert(
    fc.property(weights, (w) => {
      const cut = truncated(w),
        mean = w.reduce((a, b) => a + b, 0) / w.length;
      expect(kish(cut)).toBeGreaterThanOrEqual(kish(w) - 1e-9);
      expect(Math.max(...cut)).toBeLessThanOrEqual(mean * Math.sqrt(w.length) + 1e-12);
    }),
  ));

it('flattening keeps the order and reaches the number asked for', () => {
  const w = [1, 0.1, 0.01, 0.001, 1e-4, 1e-5, 1e-6, 1e-7, 1e-8, 1e-9, 1e-10, 1e-11];
  const flat = flattened(w, 8);
  expect(kish(flat)).toBeGreaterThan(7.9);
  flat.slice(1).forEach((x, i) => expect(x).toBeLessThanOrEqual(flat[i]!));
});

it('a mixture of proposals integrates to one', () => {
  const parts = [...sharedOut([priorMode(1)], 0.6), ...sharedOut([{ ...priorMode(1), z: Float64Array.from([2]) }], 0.4)];
  let sum = 0;
  for (let z = -60; z < 60; z += 0.01)
    sum += 0.01 * parts.reduce((density, p) => density + p.share * partDensity(p, Float64Array.from([z]), 1), 0);
  expect(Math.abs(sum - 1)).toBeLessThan(1e-4);
});
