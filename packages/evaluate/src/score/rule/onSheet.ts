import type { RuleCase } from './RuleCase';

/** What a technician works out from a sheet on the back of a glove, gauge bar and litres. */
export interface OnSheet {
  /** Charge wanted: what is set, else the label where it carries the water above, else the head and 0.25. */
  chargeBar: number;
  vesselL: number;
  /** Where it should stand cold at the least and at the most. */
  lowBar: number;
  highBar: number;
  reliefBar: number;
  /** How fine the gauge reads. */
  stepBar: number;
  fill: 'hand' | 'valve' | 'unit';
  /** Where a sound circuit would stand at a mean temperature, found at a pressure cold. */
  hotBar: (coldBar: number, coldC: number, meanC: number) => number;
}

/** Usual where the sheet says nothing (common practice). */
const USUAL = { headM: 4, vesselL: 8, contentL: 100, litresPerKw: 4, stretchLPerBar: 0.03 },
  NEARLY_FULL = 0.93;
/** By how much a litre grows from 15 °C, as one who sizes a vessel reckons it (handbook values, from memory). */
const growth = (c: number) => Math.max(0, 3.6e-6 * (c - 15) * (c + 35));

/** The fault by which mains water comes in through whatever heats the taps' water; undefined where nothing here does. */
export const throughCylinder = ({ domesticHotWater }: RuleCase['circuit']): string | undefined =>
  ({ 'plate-exchanger': 'dhw-plate-perforated', 'indirect-coil': 'dhw-coil-perforated' })[domesticHotWater?.kind ?? 'plate-exchanger'];

export function onSheet({ circuit: c }: RuleCase): OnSheet {
  const vessels = c.vessels ?? (c.vessel ? [c.vessel] : []),
    [first] = vessels,
    headBar = 0.0981 * (c.staticHeadM ?? USUAL.headM),
    label = first?.labelPrechargeBar;
  const chargeBar = first?.targetPrechargeBar ?? (label !== undefined && label >= headBar + 0.2 ? label : headBar + 0.25),
    vesselL = vessels.reduce((sum, v) => sum + (v.nominalVolumeL ?? 0), 0) || USUAL.vesselL,
    contentL = c.waterVolumeL ?? (c.heatOutputKw ? USUAL.litresPerKw * c.heatOutputKw : USUAL.contentL),
    fill = c.fill?.kind === 'reducing-valve' ? 'valve' : c.fill?.kind === 'pressurisation-unit' ? 'unit' : 'hand';
  const wanted =
    fill === 'valve'
      ? (c.fill!.setBar ?? 0.9)
      : fill === 'unit'
        ? (c.fill!.cutInBar ?? chargeBar + 0.2)
        : Math.max(chargeBar + 0.3, headBar + 0.5);
  return {
    chargeBar,
    vesselL,
    lowBar: wanted,
    highBar: fill === 'unit' ? (c.fill!.cutOutBar ?? wanted + 0.4) : wanted,
    reliefBar: c.reliefValve.setBar,
    stepBar: c.gauge?.resolutionBar ?? 0.1,
    fill,
    hotBar: (coldBar, coldC, meanC) => {
      const gas = vesselL * (chargeBar + 1),
        litres =
          Math.max(0, vesselL - gas / (coldBar + 1)) +
          0.9 * contentL * (growth(meanC) - growth(coldC)) -
          // Below its charge the vessel takes nothing: first the pipes are stretched up to it.
          USUAL.stretchLPerBar * Math.max(0, chargeBar - coldBar);
      if (litres <= 0) return Math.max(coldBar, chargeBar);
      return litres > NEARLY_FULL * vesselL ? Infinity : gas / (vesselL - litres) - 1;
    },
  };
}
