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

/** Inverse of the standard normal distribution function, between −8 and 8; relative error about 1e-7.
 *  @param share 0 to 1
 *  @see Wichura, algorithm AS 241 (PPND7), Applied Statistics 37, 1988; coefficients from memory, held to the distribution function by a
 *  test. */
export function normalQuantile(share: number): number {
  const q = share - 0.5;
  if (Math.abs(q) <= 0.425) {
    const r = 0.180625 - q * q;
    return (
      (q * (((59.10937472 * r + 159.29113202) * r + 50.434271938) * r + 3.3871327179)) /
      (((67.1875636 * r + 78.757757664) * r + 17.895169469) * r + 1)
    );
  }
  const tail = Math.min(share, 1 - share);
  if (!(tail > SMALLEST_TAIL)) return q < 0 ? -8 : 8;
  const far = Math.sqrt(-Math.log(tail));
  const r = far - (far <= 5 ? 1.6 : 5);
  const z =
    far <= 5
      ? (((0.17023821103 * r + 1.3067284816) * r + 2.75681539) * r + 1.4234372777) / ((0.12021132975 * r + 0.7370016425) * r + 1)
      : (((0.017337203997 * r + 0.42868294337) * r + 3.081226386) * r + 6.657905115) / ((0.012258202635 * r + 0.24197894225) * r + 1);
  return q < 0 ? -z : z;
}
/** The distribution function at −8. */
const SMALLEST_TAIL = 6.2e-16;
