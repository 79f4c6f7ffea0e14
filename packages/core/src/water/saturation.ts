import { requireInRange } from '../OutOfRangeError';

const N = [
  0.11670521452767e4, -0.72421316703206e6, -0.17073846940092e2, 0.1202082470247e5, -0.32325550322333e7, 0.1491510861353e2,
  -0.48232657361591e4, 0.40511340542057e6, -0.23855557567849, 0.65017534844798e3,
] as const;

/** Boiling temperature at a pressure (IAPWS-IF97 region 4, backward equation).
 *  @param absoluteBar 0.00611 to 220 bar absolute
 *  @returns °C
 *  @throws {OutOfRangeError}
 *  @see IAPWS R7-97(2012), equation 31 */
export function saturationTemperatureC(absoluteBar: number): number {
  requireInRange('absoluteBar', absoluteBar, 0.00611213, 220.64);
  const b = Math.pow(absoluteBar / 10, 0.25);
  const e = b * b + N[2] * b + N[5];
  const f = N[0] * b * b + N[3] * b + N[6];
  const g = N[1] * b * b + N[4] * b + N[7];
  const d = (2 * g) / (-f - Math.sqrt(f * f - 4 * e * g));
  const s = N[9] + d;
  return (s - Math.sqrt(s * s - 4 * (N[8] + N[9] * d))) / 2 - 273.15;
}
