import { backSolve, cholesky, forwardSolve } from './linear';
import type { Misses } from './Misses';
import { logDetOf, type Mode } from './proposal';

/** The noise's size is never known worse than this curvature says. */
const LEAST_BEND = 0.5;
/** A step of it smaller than this is not worth a look. */
const LEAST_MOVE = 0.1;
/** A round that gains less than this, in nats, is the last. */
const LEAST_GAIN = 3e-3;
/** No parameter goes farther than this at once, nor farther from its prior's middle, in the prior's standard deviations. */
const FARTHEST_STEP = 1.5,
  FARTHEST = 4;

const within = (x: number, most: number): number => Math.max(-most, Math.min(most, x));

/** Damped least squares. How large the noise is hangs on the parameters too, and a square sum alone would run to where it is largest: so it
 *  is held still for the slopes, and a step counts as one down only where the sum with the noise's cost falls. */
export function descend(misses: Misses, start: Float64Array, iterations: number): { at: Float64Array; value: number } {
  const { n, rows, doubtAt } = misses;
  let at = start.slice();
  let r0 = new Float64Array(rows),
    r1 = new Float64Array(rows);
  const slopes = new Float64Array(rows * n),
    normal = new Float64Array(n * n),
    damped = new Float64Array(n * n),
    step = new Float64Array(n);
  const before = new Float64Array(n),
    r0Before = new Float64Array(rows);
  let value = misses.at(at, r0) + misses.logDet,
    damping = 1e-2,
    measured = false;
  for (let it = 0; it < iterations; it++) {
    // Measuring them costs a prediction for each parameter: every other round does without.
    measured = !measured;
    if (measured) misses.slopes(at, r0, r1, slopes);
    else mendSlopes();
    gram(slopes, normal, rows, n);
    before.set(at);
    r0Before.set(r0);
    let moved = false,
      gain = 0;
    for (let attempt = 0; attempt < 5 && !moved; attempt++) {
      damped.set(normal);
      for (let i = 0; i < n; i++) damped[i * n + i]! *= 1 + damping;
      const l = cholesky(damped, n);
      if (l) {
        for (let i = 0; i < n; i++) {
          let s = 0;
          for (let k = 0; k < rows; k++) s -= slopes[i * rows + k]! * r0[k]!;
          step[i] = s;
        }
        forwardSolve(l, step, n);
        backSolve(l, step, n);
        if (doubtAt >= 0) step[doubtAt] = 0;
        const trial = at.map((x, i) => within(x + within(step[i]!, FARTHEST_STEP), FARTHEST));
        const h = misses.at(trial, r1) + misses.logDet;
        if (h < value) {
          gain = value - h;
          at = trial;
          value = h;
          [r0, r1] = [r1, r0];
          moved = true;
          damping = Math.max(1e-6, damping / 5);
        }
      }
      if (!moved) damping *= 6;
    }
    if (!moved) {
      if (measured) break;
      continue;
    }
    gain += settleDoubt();
    if (gain < LEAST_GAIN) break;
  }
  return { at, value };

  /** Mends the slopes by what the last step showed of them, and leaves them as they were across it: Broyden's rule. */
  function mendSlopes(): void {
    let square = 0;
    for (let i = 0; i < n; i++) {
      step[i] = at[i]! - before[i]!;
      square += step[i]! * step[i]!;
    }
    for (let k = 0; k < rows; k++) {
      let off = r0[k]! - r0Before[k]!;
      for (let i = 0; i < n; i++) off -= slopes[i * rows + k]! * step[i]!;
      off /= square;
      for (let i = 0; i < n; i++) slopes[i * rows + k]! += off * step[i]!;
    }
  }

  /** How large the noise is has no slope in the misses: it is moved by itself, by a parabola. Returns what is gained. */
  function settleDoubt(): number {
    if (doubtAt < 0) return 0;
    const { slope, bend } = misses.alongDoubt(at[doubtAt]!);
    const move = bend > 0 ? within(-slope / bend, 1) : -Math.sign(slope);
    if (Math.abs(move) < LEAST_MOVE) return 0;
    const trial = at.slice();
    trial[doubtAt] = within(at[doubtAt]! + move, FARTHEST);
    const h = misses.at(trial, r1) + misses.logDet;
    if (h >= value) return 0;
    const gained = value - h;
    at = trial;
    value = h;
    [r0, r1] = [r1, r0];
    return gained;
  }
}

/** The mode at a place: its curvature and Laplace's estimate of its weight; null where there is no bottom to it. */
export function settle(misses: Misses, at: Float64Array): Mode | null {
  const { n, rows, doubtAt } = misses;
  const r0 = new Float64Array(rows),
    r1 = new Float64Array(rows),
    slopes = new Float64Array(rows * n),
    normal = new Float64Array(n * n);
  const half = misses.at(at, r0),
    value = half + misses.logDet,
    doubtBend = doubtAt >= 0 ? Math.max(LEAST_BEND, misses.alongDoubt(at[doubtAt]!).bend) : 0;
  misses.slopes(at, r0, r1, slopes);
  gram(slopes, normal, rows, n);
  if (doubtAt >= 0) {
    for (let i = 0; i < n; i++) normal[doubtAt * n + i] = normal[i * n + doubtAt] = 0;
    normal[doubtAt * n + doubtAt] = doubtBend;
  }
  const l = cholesky(normal, n);
  if (!l) return null;
  const logDetL = logDetOf(l, n);
  return { z: at, l, logDetL, laplace: -value - logDetL, ...widened() };

  function widened(): Pick<Mode, 'wide'> {
    if (!misses.roughAt.length) return {};
    for (const k of misses.roughAt) {
      for (let i = 0; i < n; i++) normal[k * n + i] = normal[i * n + k] = 0;
      normal[k * n + k] = 1;
    }
    const wide = cholesky(normal, n);
    return wide ? { wide: { l: wide, logDetL: logDetOf(wide, n) } } : {};
  }
}

/** Products of the columns with one another. */
function gram(columns: Float64Array, out: Float64Array, rows: number, n: number): void {
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let s = 0;
      for (let k = 0; k < rows; k++) s += columns[i * rows + k]! * columns[j * rows + k]!;
      out[i * n + j] = out[j * n + i] = s;
    }
}
