import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import type { FaultId } from '../faults';
import type { Logged } from '../Logged';
import { nearRelief } from './dischargePipe';
import { nearOwnLift } from './reliefCatch';

/** Share of what is lost in runs that go farther than the one that was logged, or was lost before. Common practice. */
const OTHER_RUNS = 0.15;
/** Who tops up by hand does not stop where the circuit was found: he fills to a round bar and a half where about one is right, bar. Common
 *  practice. */
const TOPPED_UP_BAR = 0.45;

/** How far heat takes a circuit up to its relief in a run of every day, so that water is lost there: 1 where it comes to the lift, or where
 *  none was heated; a little where it stays far below. A relief that lifts early is asked by its own lift in the draw, any other by its
 *  marking. */
export function spillsHot(faults: readonly FaultId[], logged: Logged, v: Float64Array, c: ResolvedCircuit): number {
  const { usualPeakGaugeBar: usualBar, coldGaugeBar } = logged;
  if (usualBar === null) return 1;
  // What is filled in cold is pressed as much harder hot as the whole of it is.
  const times = Math.max(1, (usualBar + c.atmosphericBar) / ((coldGaugeBar ?? c.fillGaugeBar) + c.atmosphericBar)),
    highestBar = usualBar + (c.fedByItself ? 0 : TOPPED_UP_BAR * times);
  const near = faults.includes('relief-valve-lifts-early') ? nearOwnLift(highestBar, v) : nearRelief(faults, highestBar, v, c);
  return Math.max(OTHER_RUNS, near);
}
