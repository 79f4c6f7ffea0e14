import { balancedGaugeBar, heldL } from '../circuit/balance';
import { balanceOf } from '../circuit/balanceOf';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import { atGaugeLevel, resolveCircuit } from '../circuit/resolveCircuit';
import { HEATED } from '../circuit/expectedPressure';
import { fluidGrowth } from '../water/fluid';

export interface StopGapInput {
  sheet: CircuitSheet;
  coldGaugeBar: number;
  /** What the vessel still has; −0.99 for nothing. */
  prechargeGaugeBar: number;
  /** Water of the spare upper radiator that is let run empty, L, 0 for none; and its height above the gauge, m. */
  cushionL?: number;
  cushionHeightM?: number;
  /** To stay below the relief, bar. */
  marginBar?: number;
}

/** The highest flow temperature that stays a margin below the relief until the vessel is there, with an air cushion or without: short-term,
 *  recorded as such. The cushion is air at the outside pressure, shut in and squeezed by the water (Boyle).
 *  @returns °C flow, 20 to 90; null when even cold is too near the relief */
export function highestFlowC(input: StopGapInput): number | null {
  const { sheet, coldGaugeBar, prechargeGaugeBar, cushionL = 0, cushionHeightM = 0, marginBar = 0.3 } = input;
  const c = atGaugeLevel(resolveCircuit(sheet)),
    limit = c.reliefSetGaugeBar - marginBar;
  const balance = {
    ...balanceOf(resolveCircuit(sheet), Math.max(prechargeGaugeBar, 0.02 - c.atmosphericBar)),
    airBarL: cushionL * c.atmosphericBar,
    airHeightM: cushionHeightM,
  };
  if (coldGaugeBar > limit) return null;
  const held = heldL(balance, coldGaugeBar);
  const hot = (flowC: number) =>
    balancedGaugeBar(
      balance,
      held + (c.contentL - cushionL) * HEATED.share * fluidGrowth(c.fluid, COLD_C, flowC - HEATED.dropK / 2),
      coldGaugeBar,
    );
  let low = 20,
    high = 90;
  if (hot(high) <= limit) return high;
  if (hot(low) > limit) return null;
  while (high - low > 0.1) {
    const mid = (low + high) / 2;
    if (hot(mid) > limit) high = mid;
    else low = mid;
  }
  return low;
}
const COLD_C = 15;
