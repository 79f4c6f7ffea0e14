import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { SLOT } from './kernel';
import { WaterCurve } from './WaterCurve';

// What a draw of the kernel's parameters says of its circuit.

/** The vessel's charge in a draw, bar gauge. A cut-off vessel keeps its own, which the circuit's parameters do not hold. */
export function chargeOf(v: Float64Array, c: ResolvedCircuit): number | null {
  return v[SLOT.vesselL]! > 0 ? v[SLOT.gas]! / v[SLOT.vesselL]! - c.atmosphericBar : null;
}

/** All that comes in by holes, and all that goes out, in a draw, L/h at one bar. */
export const inKOf = (v: Float64Array): number => v[SLOT.inFill]! + v[SLOT.inCoil]!;
export const outKOf = (v: Float64Array): number => v[SLOT.outCircuit]! + v[SLOT.outBoiler]!;

/** How water and pressure go together in a draw. */
export const curveOf = (v: Float64Array, air = v[SLOT.air]!): WaterCurve =>
  new WaterCurve(v[SLOT.gas]!, v[SLOT.vesselL]!, v[SLOT.cap]!, v[SLOT.stretch]!, air);
/** The same on a side of it that has no vessel. */
export const bareCurveOf = (v: Float64Array, air = v[SLOT.air]!): WaterCurve => new WaterCurve(0, 0, 0, v[SLOT.stretch]!, air);

/** A pressure that no feed is set to: none stands open. */
export const NO_FEED_BAR = -1;

/** The circuit's parameters by the kernel's slots, as they may be; weights of one set sum to 1. */
export interface Draw {
  v: Float64Array;
  weight: number;
}
