import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import type { FaultId } from '../faults';
import { nearRelief } from './dischargePipe';
import { nearOwnLift } from './reliefCatch';

/** Share of what is lost in runs that go farther than the one that was logged, or was lost before. Common practice. */
const OTHER_RUNS = 0.15;

/** How far heat takes a circuit up to its relief in a run of every day, so that water is lost there: 1 where it comes to the lift, a little
 *  where it stays far below. A relief that lifts early is asked by its own lift in the draw, any other by its marking.
 *  @param usualPeakGaugeBar how high a run of every day comes, by the logs */
export function spillsHot(faults: readonly FaultId[], usualPeakGaugeBar: number, v: Float64Array, c: ResolvedCircuit): number {
  const near = faults.includes('relief-valve-lifts-early')
    ? nearOwnLift(usualPeakGaugeBar, v)
    : nearRelief(faults, usualPeakGaugeBar, v, c);
  return Math.max(OTHER_RUNS, near);
}
