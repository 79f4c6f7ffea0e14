import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import { fluidGrowth } from '../water/fluid';
import { blindMeanC } from './blindHeat';
import { coldLevelDensity } from './coldLevel';
import type { FaultId } from './faults';
import { curveOf } from './findingNumbers';
import { SLOT } from './kernel';
import type { LogTrack } from './LogTrack';

/** Cold is about so warm, °C. */
const COLD_C = 20;
/** What comes so near to its relief, bar, may have lost water there: it had stood cold where it would from here, or anywhere higher. */
const NEAR_LIFT_BAR = 0.3, HIGHER_STEPS = 6;
const STEP_BAR = 0.01;

/** How often a circuit is found at the pressure that its log begins with where it was heated before: what it came from, cold, in this draw, is as likely as ever.
 *  @param c the circuit with its vessel at the gauge's level
 *  @returns the density of the first reading, per bar */
export function hotLevelDensity(track: LogTrack, faults: readonly FaultId[], c: ResolvedCircuit, v: Float64Array): number {
  const curve = curveOf(v), grownL = v[SLOT.contentL]! * v[SLOT.share]! * fluidGrowth(c.fluid, COLD_C, Math.max(COLD_C, beganC(track, v)));
  const P = v[SLOT.start]! - v[SLOT.offset]! + c.atmosphericBar;
  const coldAt = (hot: number) => Math.max(0, curve.pressureAt(curve.excessAt(hot) - grownL) - c.atmosphericBar);
  const cold = coldAt(P), densityAt = (bar: number) => coldLevelDensity(bar + v[SLOT.offset]!, faults, c, v);
  if (P > v[SLOT.lift]! + c.atmosphericBar - NEAR_LIFT_BAR) {
    const step = (v[SLOT.lift]! - cold) / HIGHER_STEPS;
    let share = 0;
    for (let k = 0; k < HIGHER_STEPS; k++) share += step * densityAt(cold + (k + 0.5) * step);
    return Math.max(0, share) / NEAR_LIFT_BAR + LEAST_DENSITY;
  }
  return Math.max(LEAST_PER_BAR, (coldAt(P + STEP_BAR) - cold) / STEP_BAR) * densityAt(cold) + LEAST_DENSITY;
}
const LEAST_DENSITY = 1e-3;
/** Where the cold pressure hardly moves with the hot one, it is not known to the last hundredth either. */
const LEAST_PER_BAR = 0.05;

function beganC(track: LogTrack, v: Float64Array): number {
  if (!track.blind) return track.firstC;
  blindMeanC(track.blind, track.tS, 1, v[SLOT.heatTempo]!, v[SLOT.coolTempo]!, FIRST);
  return FIRST[0]!;
}
const FIRST = new Float64Array(1);
