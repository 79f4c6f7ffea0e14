import type { ParameterSpace } from './parameters/parameterSpace';
import { startingPoints } from './startingPoints';

const space = (...starts: number[][]): ParameterSpace => ({
  fixed: new Float64Array(1),
  free: starts.map((s, slot) => ({ slot, of: (z) => z, starts: s })),
});

it('holds every start of every parameter, each with each, and the others at their middle', () => {
  const points = startingPoints(space([0], [-1, 1], [0.2, 0.5, 0.8]), 3).map((z) => [...z]);
  expect(points).toHaveLength(6);
  expect(points).toContainEqual([0, -1, 0.8]);
  expect(points).toContainEqual([0, 1, 0.2]);
  expect(startingPoints(space([0], [0]), 2).map((z) => [...z])).toEqual([[0, 0]]);
});
