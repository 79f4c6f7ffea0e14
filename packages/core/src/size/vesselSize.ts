import { requireInRange } from '../OutOfRangeError';
import { fluidDensity, type CircuitFluid } from '../water/fluid';
import { LINEAR_EXPANSION_PER_K, type PipeMaterial } from '../water/netGrowth';

export interface En12828Input {
  contentL: number;
  coldC: number;
  hotC: number;
  prechargeGaugeBar: number;
  reliefSetGaugeBar: number;
  /** Default water. */
  fluid?: CircuitFluid;
}

/** Least nominal vessel volume by EN 12828 (formula from memory): Vn = (Ve + Vwr) · (pe + 1) / (pe − p0), with the reserve Vwr 0.5 % of the
 *  content and at least 3 L (20 % of the vessel up to 15 L) and pe = set − 0.5 bar (− 10 % above 5 bar). Water-only growth, as the
 *  standard.
 *  @throws {OutOfRangeError} when the charge is not below the final pressure */
export function leastVesselEn12828L(input: En12828Input): number {
  const { contentL, coldC, hotC, prechargeGaugeBar, reliefSetGaugeBar } = input;
  requireInRange('contentL', contentL, 1, 1e6);
  const finalGaugeBar = finalDesignGaugeBar(reliefSetGaugeBar);
  requireInRange('prechargeGaugeBar', prechargeGaugeBar, 0, finalGaugeBar - 0.01);
  const expansionL = expansionOfContentL(contentL, coldC, hotC, input.fluid);
  const ratio = (finalGaugeBar + 1) / (finalGaugeBar - prechargeGaugeBar);
  const withFixedReserve = (expansionL + Math.max(0.005 * contentL, 3)) * ratio;
  if (withFixedReserve > 15) return withFixedReserve;
  // Up to 15 L the reserve is a fifth of the vessel: Vn = (Ve + 0.2 Vn) · ratio. Where that has no solution the fixed one stands.
  const small = 1 - 0.2 * ratio;
  const bySmallRule = small > 0 ? (expansionL * ratio) / small : Infinity;
  return Math.min(withFixedReserve, bySmallRule);
}

/** Expansion as the sizing methods count it: content · (ρ1/ρ2 − 1), fluid only, at the hot density. */
export function expansionOfContentL(contentL: number, coldC: number, hotC: number, fluid: CircuitFluid = 'water'): number {
  return contentL * (fluidDensity(fluid, coldC) / fluidDensity(fluid, hotC) - 1);
}

/** Design final pressure: 0.5 bar below the relief's set, 10 % below above 5 bar. EN 12828, from memory. */
export const finalDesignGaugeBar = (reliefSetGaugeBar: number): number =>
  reliefSetGaugeBar <= 5 ? reliefSetGaugeBar - 0.5 : 0.9 * reliefSetGaugeBar;

/** Final pressure of the US method: about 3 psi below the relief, and no nearer than 10 %. Common practice. */
export const finalUsGaugeBar = (reliefSetGaugeBar: number): number => reliefSetGaugeBar - Math.max(THREE_PSI_BAR, 0.1 * reliefSetGaugeBar);
const THREE_PSI_BAR = 0.2068;

export interface UsTankInput {
  contentL: number;
  coldC: number;
  hotC: number;
  /** Pressure at the tank cold (fill) and at the greatest temperature, bar gauge. */
  fillGaugeBar: number;
  hotGaugeBar: number;
  material?: PipeMaterial;
  atmosphericBar?: number;
}

/** Diaphragm tank by the US method: Vt = Vs · [(v2/v1 − 1) − 3αΔt] / (1 − P1/P2).
 *  @see ASHRAE Handbook, HVAC Systems and Equipment, hydronic chapter (from memory) */
export function diaphragmTankUsL(input: UsTankInput): number {
  const { fillGaugeBar, hotGaugeBar, atmosphericBar = 1.01325 } = input;
  requireInRange('hotGaugeBar', hotGaugeBar, fillGaugeBar + 0.01, 25);
  return swelledL(input) / (1 - (fillGaugeBar + atmosphericBar) / (hotGaugeBar + atmosphericBar));
}

/** Closed tank with an air cushion, filled from atmospheric: Vt = Vs · [(v2/v1 − 1) − 3αΔt] / (Pa/P1 − Pa/P2).
 *  @see ASHRAE Handbook, as above (from memory) */
export function airCushionTankUsL(input: UsTankInput): number {
  const { fillGaugeBar, hotGaugeBar, atmosphericBar = 1.01325 } = input;
  requireInRange('hotGaugeBar', hotGaugeBar, fillGaugeBar + 0.01, 25);
  return swelledL(input) / (atmosphericBar / (fillGaugeBar + atmosphericBar) - atmosphericBar / (hotGaugeBar + atmosphericBar));
}

function swelledL({ contentL, coldC, hotC, material = 'steel' }: UsTankInput): number {
  requireInRange('contentL', contentL, 1, 1e6);
  return expansionOfContentL(contentL, coldC, hotC) - contentL * 3 * LINEAR_EXPANSION_PER_K[material] * (hotC - coldC);
}

/** Vessel litres per litre of content by charge, relief 3 bar: 0.0833, 0.109, 0.156 at 0.5, 1.0, 1.5 bar (BS 5449 table, from memory).
 *  Between the rows by the relation behind them: growth 0.049 and final pressure 2.65 bar gauge.
 *  @param prechargeGaugeBar 0 to 2 bar */
export function vesselPerLitreOfContent(prechargeGaugeBar: number): number {
  requireInRange('prechargeGaugeBar', prechargeGaugeBar, 0, 2);
  return (0.049 * (2.65 + 1)) / (2.65 - prechargeGaugeBar);
}
