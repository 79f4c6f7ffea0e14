import type { ParameterSpace } from './parameters/parameterSpace';

/** Every free parameter's own starts, one at a time together: enough to find gas above and below what fills the vessel, leaks small and
 *  large. */
export function startingPoints(space: ParameterSpace, n: number): Float64Array[] {
  let points: Float64Array[] = [new Float64Array(n)];
  space.free.forEach((p, i) => {
    points = points.flatMap((z) =>
      p.starts.map((s) => {
        const c = z.slice();
        c[i] = s;
        return c;
      }),
    );
  });
  return points;
}
