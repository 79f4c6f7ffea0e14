import { requireInRange } from '../OutOfRangeError';

/** Standard atmospheric pressure at an altitude, bar absolute (ISA: 1.01325 · (1 − 2.25577e-5 h)^5.25588).
 *  @param altitudeM −400 to 5000 m
 *  @throws {OutOfRangeError} */
export function atmosphericBar(altitudeM = 0): number {
  requireInRange('altitudeM', altitudeM, -400, 5000);
  return 1.01325 * Math.pow(1 - 2.25577e-5 * altitudeM, 5.25588);
}

/** Pressure of a standing column of cold water, bar: 0.0981 a metre.
 *  @param heightM −200 to 200 m */
export function staticHeadBar(heightM: number): number {
  requireInRange('heightM', heightM, -200, 200);
  return 0.0980665 * heightM;
}
