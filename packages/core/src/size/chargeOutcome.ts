import { netGrowth } from '../water/netGrowth';
import { acceptedWaterL } from '../vessel/acceptedWater';
import { systemPressureGaugeBar } from '../circuit/systemPressure';

export interface ChargeOutcomeInput {
  prechargeGaugeBar: number;
  fillGaugeBar: number;
  contentL: number;
  nominalVolumeL: number;
  coldC: number;
  /** Mean temperature of the heated water. */
  hotC: number;
  reliefSetGaugeBar: number;
  stretchLPerBar?: number;
}

export interface ChargeOutcome {
  hotGaugeBar: number;
  swingBar: number;
  reserveL: number;
  marginToReliefBar: number;
  expansionL: number;
}

/** What a charge and a fill come to in one circuit: water in the vessel cold (the reserve against small losses), hot pressure, swing and
 *  the margin that is left to the relief. All the circuit's water at `hotC`, the vessel's cold: the worst case. */
export function chargeOutcome(input: ChargeOutcomeInput): ChargeOutcome {
  const { prechargeGaugeBar, fillGaugeBar, contentL, nominalVolumeL, coldC, hotC, reliefSetGaugeBar, stretchLPerBar = 0.03 } = input;
  const reserveL = acceptedWaterL({ nominalVolumeL, prechargeGaugeBar, systemGaugeBar: fillGaugeBar });
  const expansionL = contentL * netGrowth({ fromC: coldC, toC: hotC });
  const hotGaugeBar = systemPressureGaugeBar({
    excessL: reserveL + stretchLPerBar * fillGaugeBar + expansionL,
    nominalVolumeL,
    prechargeGaugeBar,
    stretchLPerBar,
  });
  return { hotGaugeBar, swingBar: hotGaugeBar - fillGaugeBar, reserveL, marginToReliefBar: reliefSetGaugeBar - hotGaugeBar, expansionL };
}

/** Highest mean temperature that stays a margin below the relief, °C: for a stop-gap while a vessel is on order. Null when even cold is too
 *  much; `coldC` to 110 °C, to 0.1 K. */
export function highestTemperatureC(input: Omit<ChargeOutcomeInput, 'hotC'>, marginBar = 0.3): number | null {
  const tooHot = (hotC: number) => chargeOutcome({ ...input, hotC }).marginToReliefBar < marginBar;
  if (tooHot(input.coldC)) return null;
  let low = input.coldC,
    high = 110;
  if (!tooHot(high)) return high;
  while (high - low > 0.1) {
    const mid = (low + high) / 2;
    if (tooHot(mid)) high = mid;
    else low = mid;
  }
  return low;
}
