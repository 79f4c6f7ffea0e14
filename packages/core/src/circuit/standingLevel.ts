import { heldFromGaugeBar, type ResolvedCircuit } from './resolveCircuit';

export interface StandingLevel {
  /** What the cold circuit stands under or over, the worst first. */
  kind: 'under-height' | 'under-charge' | 'under-fill' | 'right' | 'over-fill';
  /** The pressure that it stands under or over, bar gauge. */
  thanGaugeBar: number;
}

/** How far from the fill wanted a cold level is the fault itself (the catalogue: `fill-pressure-too-low`, `fill-pressure-too-high`), and
 *  what a feed holds (`reducing-valve-set-high`), bar. */
export const TOO_LOW_BAR = 0.3,
  TOO_HIGH_BAR = 0.5,
  SET_HIGH_BAR = 0.25;
/** From where on what a feed holds counts as set high, bar gauge. */
export const setHighFromGaugeBar = (c: ResolvedCircuit): number => heldFromGaugeBar(c) + SET_HIGH_BAR;

/** Where a circuit that is neither heated nor warm stands, against what its sheet wants: under the water above the gauge the top sucks air,
 *  under the charge no water stands in the vessel. What nobody wrote on the sheet is doubted by its spread, and a height that is only
 *  assumed says nothing.
 *  @param gaugeBar the cold pressure, bar gauge */
export function standingLevel(gaugeBar: number, c: ResolvedCircuit): StandingLevel {
  const readBar = gaugeBar + 0.5 * c.gaugeStepBar,
    under = (thanGaugeBar: number) => readBar < thanGaugeBar;
  const chargeGaugeBar = c.prechargeGaugeBar + c.vesselStaticBar;
  if (!c.assumed.includes('staticHeadM') && under(c.staticGaugeBar)) return { kind: 'under-height', thanGaugeBar: c.staticGaugeBar };
  if (under(chargeGaugeBar - c.fillSpreadBar)) return { kind: 'under-charge', thanGaugeBar: chargeGaugeBar };
  if (gaugeBar < heldFromGaugeBar(c) - TOO_LOW_BAR - c.fillSpreadBar) return { kind: 'under-fill', thanGaugeBar: heldFromGaugeBar(c) };
  if (gaugeBar > c.fillGaugeBar + TOO_HIGH_BAR + c.fillSpreadBar) return { kind: 'over-fill', thanGaugeBar: c.fillGaugeBar };
  return { kind: 'right', thanGaugeBar: c.fillGaugeBar };
}
