import { requireInRange } from '../OutOfRangeError';
import { mixtureDensity, mixtureHeatCapacity, type Glycol } from '../water/antifreeze';

export interface Fluid {
  glycol?: Glycol;
  massPercent?: number;
  meanC?: number;
}

/** kJ that a litre carries for each kelvin. */
const kjPerLitreK = ({ glycol = 'propylene', massPercent = 0, meanC = 60 }: Fluid) =>
  (mixtureDensity(glycol, massPercent, meanC) / 1000) * mixtureHeatCapacity(glycol, massPercent, meanC);

/** Flow that carries a heat at a temperature difference, L/h: Q = ṁ·c·ΔT. In US units 500 · gpm · ΔT°F = BTU/h (from memory of the
 *  handbooks). */
export function flowForHeatLPerH(heatKw: number, differenceK: number, fluid: Fluid = {}): number {
  requireInRange('heatKw', heatKw, 0, 1e5);
  requireInRange('differenceK', differenceK, 0.1, 150);
  return (heatKw * 3600) / (kjPerLitreK(fluid) * differenceK);
}

/** Heat that a flow carries at a temperature difference, kW. */
export function heatOfFlowKw(flowLPerH: number, differenceK: number, fluid: Fluid = {}): number {
  requireInRange('flowLPerH', flowLPerH, 0, 1e7);
  requireInRange('differenceK', differenceK, 0, 150);
  return (flowLPerH / 3600) * kjPerLitreK(fluid) * differenceK;
}

/** Share of hot water in a blend, 0 to 1: (mix − cold)/(hot − cold).
 *  @throws {OutOfRangeError} where the mix is not between cold and hot */
export function hotShareOfBlend(hotC: number, coldC: number, mixC: number): number {
  requireInRange('hotC', hotC, coldC + 0.1, 150);
  requireInRange('mixC', mixC, coldC, hotC);
  return (mixC - coldC) / (hotC - coldC);
}

/** Output of a radiator at other temperatures, kW: rated · (ΔT/50)^n, ΔT the mean over the room. EN 442: rated at 75/65/20, n about 1.3. */
export function radiatorOutputKw({
  ratedKw,
  flowC,
  returnC,
  roomC,
  exponent = 1.3,
}: {
  ratedKw: number;
  flowC: number;
  returnC: number;
  roomC: number;
  exponent?: number;
}): number {
  requireInRange('ratedKw', ratedKw, 0, 1000);
  requireInRange('flowC', flowC, returnC, 150);
  requireInRange('returnC', returnC, roomC, 150);
  requireInRange('exponent', exponent, 1, 1.6);
  return ratedKw * (((flowC + returnC) / 2 - roomC) / 50) ** exponent;
}
