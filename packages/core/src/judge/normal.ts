/** Standard normal distribution function; |error| < 1.5e-7.
 *  @see Abramowitz & Stegun 7.1.26 */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const erf = 1 - ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp(-x * x);
  return z >= 0 ? 0.5 * (1 + erf) : 0.5 * (1 - erf);
}

/** Normal density. */
export function normalPdf(x: number, mean: number, sd: number): number {
  const z = (x - mean) / sd;
  return Math.exp(-0.5 * z * z) / (sd * Math.sqrt(2 * Math.PI));
}

/** Inverse of the distribution function by halving, between −8 and 8. @param share 0 to 1 */
export function normalQuantile(share: number): number {
  let low = -8, high = 8;
  for (let k = 0; k < 40; k++) { const mid = (low + high) / 2; if (normalCdf(mid) < share) low = mid; else high = mid; }
  return (low + high) / 2;
}
