import { requireInRange } from '../OutOfRangeError';
import { ventingGaugeBar } from './ventingPressure';

/** One floor with its emitters. Floors by the height of their vents above the gauge. */
export interface Floor {
  name: string;
  heightM: number;
  radiators: number;
  /** Water of one emitter, L; left out, by {@link RADIATOR_L}. */
  litresEach?: number;
}
export interface DrainStep {
  floor: string;
  radiators: number;
  litres: number;
}
export interface DrainPlan {
  /** Floors that must run empty, in the order in which their vents are opened: from the top down. */
  open: DrainStep[];
  /** Floors that stay full. */
  keep: string[];
  litresOut: number;
  /** Pressure that the drained part stands at, bar gauge, when the water has fallen to the work. */
  leftGaugeBar: number;
  /** What is filled to for venting, bar gauge: enough to reach the highest vent, and never less than a bar. */
  refillGaugeBar: number;
  /** Vents in the order of bleeding: from the bottom up. */
  bleed: string[];
  /** Rounds of topping up to expect: each raises the pressure once to that. */
  topUps: number;
}

/** Water of a panel radiator with its pipes, L. Common practice. */
export const RADIATOR_L = 6;
/** What a round of topping up gives before the next bleed, L. Common practice. */
const LITRES_A_ROUND = 12,
  BAR_PER_M = 0.0981;

/** Drains what stands above the work and no more, with the order of vents, the litres to expect and how to fill again.
 *  @param workHeightM height of the work above the gauge, m, −50 to 150
 *  @throws {OutOfRangeError} */
export function drainPlan(floors: readonly Floor[], workHeightM: number): DrainPlan {
  requireInRange('workHeightM', workHeightM, -50, 150);
  for (const f of floors) {
    requireInRange('radiators', f.radiators, 0, 500);
    requireInRange('heightM', f.heightM, -50, 150);
  }
  const down = [...floors].sort((a, b) => b.heightM - a.heightM);
  const open = down
    .filter((f) => f.heightM >= workHeightM)
    .map((f) => ({ floor: f.name, radiators: f.radiators, litres: f.radiators * (f.litresEach ?? RADIATOR_L) }));
  const litresOut = open.reduce((sum, f) => sum + f.litres, 0);
  return {
    open,
    keep: down.filter((f) => f.heightM < workHeightM).map((f) => f.name),
    litresOut,
    leftGaugeBar: Math.max(0, workHeightM) * BAR_PER_M,
    refillGaugeBar: ventingGaugeBar(BAR_PER_M * Math.max(0, ...floors.map((f) => f.heightM))),
    bleed: open.map((f) => f.floor).reverse(),
    topUps: litresOut === 0 ? 0 : Math.max(1, Math.ceil(litresOut / LITRES_A_ROUND)),
  };
}
