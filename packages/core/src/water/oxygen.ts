import { requireInRange } from '../OutOfRangeError';

/** Oxygen in fresh cold water, mg/L: about ten at 15 °C and one atmosphere. Common practice; 10.1 at 15 °C by solubility tables (from
 *  memory). */
export const FRESH_WATER_OXYGEN_MG_PER_L = 10;
/** 4 Fe + 3 O₂ → 2 Fe₂O₃: grams of iron for each gram of oxygen. */
export const IRON_PER_OXYGEN = (4 * 55.845) / (3 * 31.998);

/** What make-up water does to iron: oxygen that it brings, and the iron that this rusts away, grams.
 *  @param makeUpL fresh water let in, 0 to 1e7 L */
export function rustFromMakeUp(makeUpL: number): { oxygenG: number; ironG: number } {
  requireInRange('makeUpL', makeUpL, 0, 1e7);
  const oxygenG = (makeUpL * FRESH_WATER_OXYGEN_MG_PER_L) / 1000;
  return { oxygenG, ironG: oxygenG * IRON_PER_OXYGEN };
}
