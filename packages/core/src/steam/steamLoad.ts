import { requireInRange } from '../OutOfRangeError';
import { staticHeadBar } from '../circuit/atmosphere';
import { toKilowatts } from '../units/convert';
import { saturationTemperatureC } from '../water/saturation';

/** Heat of evaporation, kJ/kg: 2500.9 − 2.3237 T − 0.00128 T², within 0.1 % of the steam tables from 0 to 130 °C (own fit to table values
 *  from memory). */
export function evaporationHeatKjPerKg(celsius: number): number {
  requireInRange('celsius', celsius, 0, 130);
  return 2500.9 - 2.3237 * celsius - 0.00128 * celsius * celsius;
}

/** One square foot of equivalent direct radiation gives 240 BTU/h with steam at 1 psig. US handbooks, from memory. */
const KW_PER_EDR = toKilowatts(240, 'BTU/h');
export const edrOfKw = (kw: number): number => kw / KW_PER_EDR;
export const kwOfEdr = (squareFeet: number): number => squareFeet * KW_PER_EDR;

/** Steam that carries a heat, kg/h; as much comes back as condensate. @param gaugeBar 0 to 1 bar */
export function steamForHeatKgPerH(heatKw: number, gaugeBar: number, atmosphericBar = 1.01325): number {
  requireInRange('heatKw', heatKw, 0, 1e5);
  requireInRange('gaugeBar', gaugeBar, 0, 1);
  return (heatKw * 3600) / evaporationHeatKjPerKg(saturationTemperatureC(gaugeBar + atmosphericBar));
}

/** What practice keeps between water line and the lowest end of the main with half a psi lost, m: 28 in. Common practice. */
export const PRACTICE_M = 0.71;

/** Least height of the end of the steam main above the boiler's water line in a gravity return, m: the pressure lost on the way, as water,
 *  and a margin. 0.433 psi a foot; margin 150 mm. Common practice. */
export function gravityReturnHeightM(pressureLossBar: number, marginM = 0.15): number {
  requireInRange('pressureLossBar', pressureLossBar, 0, 1);
  return pressureLossBar / staticHeadBar(1) + marginM;
}

/** Burner's minutes on and off in each cycle from cycles an hour and the share of the time that it fires. */
export function cycleMinutes(cyclesPerHour: number, firingShare: number): { on: number; off: number } {
  requireInRange('cyclesPerHour', cyclesPerHour, 0.1, 60);
  requireInRange('firingShare', firingShare, 0, 1);
  const whole = 60 / cyclesPerHour;
  return { on: whole * firingShare, off: whole * (1 - firingShare) };
}
