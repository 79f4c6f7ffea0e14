import { SLOT } from './kernel';
import { Misses, type Hint } from './Misses';
import type { ParameterSpace } from './parameters/parameterSpace';
import { logNormal } from './parameters/FreeParameter';
import { pulledStarts } from './pulledStarts';

const SPACE: ParameterSpace = {
  fixed: new Float64Array(SLOT.start + 1),
  free: [logNormal(SLOT.inFill, 0.8, 1.5), logNormal(SLOT.outCircuit, 0.4, 1.7)],
};
const misses = new Misses(SPACE, [], 1.013, []);
const at = (z: Float64Array) => {
  misses.set(z);
  return misses.v.slice();
};
/** A watch that asks for so much inflow. */
const asksFor =
  (lPerH: number): Hint =>
  (v) =>
    (v[SLOT.inFill]! - lPerH) / 0.2;
const BEST = new Float64Array([0, 0]);

it('moves the one parameter that meets a finding to where it is met, and leaves the others', () => {
  const [start, ...others] = pulledStarts(misses, [asksFor(4)], BEST);
  expect(others).toEqual([]);
  expect(at(start!)[SLOT.inFill]).toBeGreaterThan(2.5);
  expect(at(start!)[SLOT.inFill]).toBeLessThan(5.5);
  expect(start![1]).toBe(0);
});

it('goes nowhere where the logs’ own place meets it already', () => {
  expect(pulledStarts(misses, [asksFor(0.8)], BEST)).toEqual([]);
  expect(pulledStarts(misses, [], BEST)).toEqual([]);
});
