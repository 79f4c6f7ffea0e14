import type { LogTrack } from '../layOut/LogTrack';

/** The honest noise model: each point has its own error (rounding, noise), and the model a slowly wandering one (Ornstein–Uhlenbeck).
 *  A Kalman recursion turns the correlated residuals into independent ones of unit variance, linear in the number of points.
 *  @param residual observed − predicted, overwritten with the whitened residuals
 *  @param perKelvin what a kelvin of doubt about the water's mean comes to at each point, bar/K: much where no vessel is in play
 *  @returns half the log determinant of the covariance (with the 2π), to be taken from the log likelihood */
export function whiten(track: LogTrack, residual: Float64Array, perKelvin: Float64Array): number {
  // The wandering error is its own size at each point times a unit process; mean and variance are that process's.
  let mean = 0,
    variance = 1,
    logDet = 0;
  // A logarithm for many points at once.
  let product = 1;
  for (let i = 0; i < track.n; i++) {
    if (i > 0) {
      const keep = track.errorKept[i]!;
      mean *= keep;
      variance = variance * keep * keep + (1 - keep * keep);
    }
    const stiff = perKelvin[i]! * track.temperatureErrorK[i]!;
    const size = Math.sqrt(track.modelErrorBar[i]! * track.modelErrorBar[i]! + stiff * stiff);
    const jump = track.jumpBar[i]! / size;
    variance += jump * jump;
    const read = perKelvin[i]! * track.readErrorK * track.warmth[i]!;
    const total = size * size * variance + track.variance[i]! + read * read;
    const innovation = residual[i]! - size * mean;
    residual[i] = innovation / Math.sqrt(total);
    product *= 2 * Math.PI * total;
    if (product < 1e-200 || product > 1e200) {
      logDet += 0.5 * Math.log(product);
      product = 1;
    }
    const gain = (variance * size) / total;
    mean += gain * innovation;
    variance *= 1 - gain * size;
  }
  return logDet + 0.5 * Math.log(product);
}
