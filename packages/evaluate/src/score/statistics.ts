export const share = (xs: readonly boolean[]): number => (xs.length ? xs.filter(Boolean).length / xs.length : NaN);

/** The middle one, the lower of two; not a number where there is none. */
export function median(xs: readonly number[]): number {
  const s = [...xs].sort((a, b) => a - b);
  return s.length ? s[Math.floor((s.length - 1) / 2)]! : NaN;
}
