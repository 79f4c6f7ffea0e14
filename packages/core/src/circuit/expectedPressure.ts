import { fluidGrowth } from '../water/fluid';
import { acceptedWaterL } from '../vessel/acceptedWater';
import { atGaugeLevel, type ResolvedCircuit } from './resolveCircuit';
import { systemPressureGaugeBar } from './systemPressure';

/** Share of the content that gets hot and how far the mean stands below the flow: central values and their reach, which outweigh
 *  every other doubt. Common practice: mean = flow − half the drop, drop 10 K (5–20), 75–100 % of the content heated. */
export const HEATED = { share: 0.88, dropK: 10, leastDropK: 4, mostDropK: 20 } as const;

/** A vessel is never quite without gas, bar absolute. */
const LEAST_GAS_BAR = 0.03;

export interface ExpectedInput {
  circuit: ResolvedCircuit;
  /** Cold starting point. */
  coldGaugeBar: number;
  coldC: number;
  /** Flow temperature reached. */
  flowC: number;
  /** Return temperature where it was read; else the usual drop is assumed. */
  returnC?: number;
  prechargeGaugeBar?: number;
}

export interface ExpectedPressure {
  gaugeBar: number;
  lowGaugeBar: number;
  highGaugeBar: number;
}

/** Where a healthy circuit of this sheet would stand at a flow temperature: middle, and the reach that the doubts about content, heated
 *  share, mean temperature and charge (±0.1 bar) allow, about nine in ten. Found below its charge a circuit rises the farther the more
 *  charge there is, where the vessel is in play the less, so that now the one, now the other end of the doubts is the higher. */
export function expectedPressure(input: ExpectedInput): ExpectedPressure {
  const { returnC } = input;
  const c = atGaugeLevel(input.circuit);
  const half = (drop: number) => Math.max(input.coldC, returnC === undefined ? input.flowC - drop / 2 : (input.flowC + returnC) / 2);
  const charge = input.prechargeGaugeBar !== undefined ? input.prechargeGaugeBar + c.vesselStaticBar : c.prechargeGaugeBar;
  const reach = 1.2 * c.contentSpread,
    least = Math.max(charge - 0.08, LEAST_GAS_BAR - c.atmosphericBar);
  const gaugeBar = pressureWith(input, c, c.contentL * HEATED.share, half(HEATED.dropK), charge),
    ends = [
      pressureWith(input, c, c.contentL * (1 - reach) * 0.8, half(HEATED.mostDropK * 0.8), charge + 0.08),
      pressureWith(input, c, c.contentL * (1 + reach) * 0.96, half(HEATED.leastDropK), least),
    ];
  return { gaugeBar, lowGaugeBar: Math.min(gaugeBar, ...ends), highGaugeBar: Math.max(gaugeBar, ...ends) };
}

function pressureWith(input: ExpectedInput, c: ResolvedCircuit, heatedL: number, meanC: number, prechargeGaugeBar: number): number {
  const { coldGaugeBar, coldC } = input;
  const vesselAt = (systemGaugeBar: number) =>
    acceptedWaterL({ nominalVolumeL: c.vesselL, prechargeGaugeBar, systemGaugeBar, atmosphericBar: c.atmosphericBar });
  const cold = vesselAt(coldGaugeBar) + c.stretchLPerBar * coldGaugeBar;
  return systemPressureGaugeBar({
    excessL: cold + heatedL * fluidGrowth(c.fluid, coldC, meanC),
    nominalVolumeL: c.vesselL,
    prechargeGaugeBar,
    stretchLPerBar: c.stretchLPerBar,
    atmosphericBar: c.atmosphericBar,
  });
}
