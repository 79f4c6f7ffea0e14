import type { Hint, Misses } from './Misses';

/** Where along one parameter a finding is looked for, in the prior's standard deviations. */
const TRIED = [-2.6, -2.1, -1.6, -1.1, -0.6, -0.1, 0.4, 0.9, 1.4, 1.9, 2.4, 2.9];
/** A step along one parameter that takes less than this off the findings' misses (half the square sum, the prior's own among them) is not
 *  worth a start. */
const WORTH = 1,
  MOST_PULLED = 2;

/** Places from which a finding is met: where the logs fit best, with one parameter moved to where the findings' numbers are missed least.
 *  Where the logs' response has kinks (a relief that lifts again and again) slopes from the logs' own place do not lead there, however little
 *  the logs mind. No log is predicted for it.
 *  @param best where the logs fit best */
export function pulledStarts(misses: Misses, hints: readonly Hint[], best: Float64Array): Float64Array[] {
  const missed = (z: Float64Array): number => {
    misses.set(z);
    return hints.reduce((sum, hint) => sum + hint(misses.v) ** 2 / 2, 0);
  };
  const z = best.slice(),
    here = missed(z);
  return Array.from(best, (own, i) => {
    const at = (x: number) => {
      z[i] = x;
      const value = missed(z) + (x * x - own * own) / 2;
      z[i] = own;
      return value;
    };
    const tried = TRIED.map((x) => ({ x, value: at(x) }));
    return { i, ...tried.reduce((a, b) => (b.value < a.value ? b : a)) };
  })
    .filter(({ value }) => value < here - WORTH)
    .sort((a, b) => a.value - b.value)
    .slice(0, MOST_PULLED)
    .map(({ i, x }) => best.with(i, x));
}
