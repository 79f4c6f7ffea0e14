import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { fluidGrowth } from '../../water/fluid';
import { blindMeanC } from '../layOut/blindHeat';
import { coldLevelDensity } from './coldLevel';
import type { FaultId } from '../faults';
import { curveOf } from '../fit/draw';
import { SLOT } from '../fit/kernel';
import type { LogTrack } from '../layOut/LogTrack';

/** Cold is about so warm, °C. */
const COLD_C = 20;
/** What comes so near to its relief, bar, may have lost water there: it had stood cold where it would from here, or anywhere higher. */
const NEAR_LIFT_BAR = 0.3;
/** Where the cold pressure hardly moves with the hot one, it is not known to the last hundredth either; and nothing is impossible, per bar.
 */
const LEAST_PER_BAR = 0.05,
  LEAST_DENSITY = 1e-3;
const STEP_BAR = 0.01;

/** How often a circuit is found at the pressure that its log begins with where it was heated before: what it came from, cold, in a draw, is
 *  as likely as ever.
 *  @param c the circuit with its vessel at the gauge's level
 *  @returns for a draw, the density of the first reading, per bar */
export function hotLevelDensity(track: LogTrack, faults: readonly FaultId[], c: ResolvedCircuit): (v: Float64Array) => number {
  const levels = coldLevels(faults, c);
  return (v) => {
    const curve = curveOf(v),
      grownL = v[SLOT.contentL]! * v[SLOT.share]! * fluidGrowth(c.fluid, COLD_C, Math.max(COLD_C, beganC(track, v)));
    const P = v[SLOT.start]! - v[SLOT.offset]! + c.atmosphericBar,
      coldAt = (hot: number) => Math.max(0, curve.pressureAt(curve.excessAt(hot) - grownL) - c.atmosphericBar);
    const cold = coldAt(P);
    if (P > v[SLOT.lift]! + c.atmosphericBar - NEAR_LIFT_BAR) return levels.above(cold, v) / NEAR_LIFT_BAR + LEAST_DENSITY;
    // What has come down to nothing has come down to it from wherever it was.
    const perBar = cold > 0 ? Math.max(LEAST_PER_BAR, (coldAt(P + STEP_BAR) - cold) / STEP_BAR) : 1;
    return perBar * levels.at(cold, v) + LEAST_DENSITY;
  };
}

const GRID_BAR = 0.05;

/** The density of cold levels, and the share of them from one on, looked up between steps: it is asked for every draw. A lying gauge moves
 *  the whole of it. */
function coldLevels(
  faults: readonly FaultId[],
  c: ResolvedCircuit,
): { at: (bar: number, v: Float64Array) => number; above: (bar: number, v: Float64Array) => number } {
  const n = Math.ceil((c.reliefSetGaugeBar + 0.5) / GRID_BAR) + 1,
    others = faults.filter((f) => f !== 'gauge-misreading'),
    lies = others.length < faults.length;
  const density = Float64Array.from({ length: n }, (_, k) => coldLevelDensity(k * GRID_BAR, others.length ? others : ['none'], c)),
    above = new Float64Array(n);
  for (let k = n - 2; k >= 0; k--) above[k] = above[k + 1]! + (GRID_BAR * (density[k]! + density[k + 1]!)) / 2;
  const between = (of: Float64Array, bar: number) => {
    const x = Math.min(n - 1.001, Math.max(0, bar / GRID_BAR)),
      k = Math.floor(x);
    return of[k]! + (x - k) * (of[k + 1]! - of[k]!);
  };
  // Whoever fills by a lying gauge fills to what it shows, every second one of them.
  const either = (of: Float64Array) => (bar: number, v: Float64Array) =>
    lies ? (between(of, bar) + between(of, bar + v[SLOT.offset]!)) / 2 : between(of, bar);
  return { at: either(density), above: either(above) };
}

function beganC(track: LogTrack, v: Float64Array): number {
  if (!track.blind) return track.firstC;
  blindMeanC(track.blind, track.tS, 1, v[SLOT.heatTempo]!, v[SLOT.coolTempo]!, FIRST);
  return FIRST[0]!;
}
const FIRST = new Float64Array(1);
