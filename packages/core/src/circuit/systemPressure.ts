import { requireInRange } from '../OutOfRangeError';
import { MOST_WATER_SHARE } from '../vessel/acceptedWater';

export interface SystemPressureInput {
  /** Water pushed beyond the circuit's own volume at 0 bar gauge, L: what vessel and stretch must hold. May be negative. */
  excessL: number;
  nominalVolumeL: number;
  prechargeGaugeBar: number;
  /** Elastic stretch, L/bar, above 0 to 100. */
  stretchLPerBar?: number;
  atmosphericBar?: number;
}

/** The pressure at which vessel and stretch together hold a given excess of water. The balance
 *  `stretch · p + vesselWater(p) = excess` rises strictly with p, so there is one answer; with the vessel in play it is a
 *  quadratic in the absolute pressure, before and after it a straight line.
 *  @returns bar gauge; below −1 is not physical and comes back as the vacuum −atmosphericBar
 *  @throws {OutOfRangeError} */
export function systemPressureGaugeBar(input: SystemPressureInput): number {
  const { excessL, nominalVolumeL, prechargeGaugeBar, stretchLPerBar = 0.03, atmosphericBar = 1.01325 } = input;
  requireInRange('nominalVolumeL', nominalVolumeL, 0, 10_000);
  requireInRange('prechargeGaugeBar', prechargeGaugeBar, -atmosphericBar, 10);
  requireInRange('stretchLPerBar', stretchLPerBar, 1e-6, 100);
  const chargeAbsoluteBar = prechargeGaugeBar + atmosphericBar;
  const emptyUntilL = stretchLPerBar * prechargeGaugeBar;
  if (excessL <= emptyUntilL || nominalVolumeL === 0) return Math.max(-atmosphericBar, excessL / stretchLPerBar);
  const fullAtAbsoluteBar = chargeAbsoluteBar / (1 - MOST_WATER_SHARE);
  const fullFromL = stretchLPerBar * (fullAtAbsoluteBar - atmosphericBar) + MOST_WATER_SHARE * nominalVolumeL;
  if (excessL >= fullFromL) return (excessL - MOST_WATER_SHARE * nominalVolumeL) / stretchLPerBar;
  const c = excessL + stretchLPerBar * atmosphericBar - nominalVolumeL;
  const gasBarL = chargeAbsoluteBar * nominalVolumeL;
  return (c + Math.sqrt(c * c + 4 * stretchLPerBar * gasBarL)) / (2 * stretchLPerBar) - atmosphericBar;
}
