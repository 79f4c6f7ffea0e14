import { requireInRange } from '../OutOfRangeError';

export interface AcceptedWaterInput {
  /** Nominal (total) volume, 1–10 000 L. */
  nominalVolumeL: number;
  /** Charge with the water side empty, bar gauge, −0.99 (waterlogged) to 10. */
  prechargeGaugeBar: number;
  /** Pressure in the circuit at the vessel, bar gauge, −0.99 to 25. */
  systemGaugeBar: number;
  atmosphericBar?: number;
}

/** Share of the nominal volume that water can take before the diaphragm lies against the shell. Common practice. */
export const MOST_WATER_SHARE = 0.9;

/** Water held by a diaphragm vessel: Vn · (1 − P0 / P), absolute pressures; 0 at or below the precharge, at most 0.9 · Vn.
 *  Ideal gas, isothermal, diaphragm without stiffness.
 *  @returns litres
 *  @throws {OutOfRangeError}
 *  @see Boyle's law; used for sizing in EN 12828 (from memory) */
export function acceptedWaterL({
  nominalVolumeL,
  prechargeGaugeBar,
  systemGaugeBar,
  atmosphericBar = 1.01325,
}: AcceptedWaterInput): number {
  requireInRange('nominalVolumeL', nominalVolumeL, 1, 10_000);
  requireInRange('prechargeGaugeBar', prechargeGaugeBar, -0.99, 10);
  requireInRange('systemGaugeBar', systemGaugeBar, -0.99, 25);
  if (systemGaugeBar <= prechargeGaugeBar) return 0;
  const share = 1 - (prechargeGaugeBar + atmosphericBar) / (systemGaugeBar + atmosphericBar);
  return nominalVolumeL * Math.min(share, MOST_WATER_SHARE);
}
