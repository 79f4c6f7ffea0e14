import { requireInRange } from '../OutOfRangeError';
import { toMetres } from '../units/convert';

/** Heat input from a timed meter, kW gross: volume · calorific value / time. Recorded by licensed people; the tool does the arithmetic
 *  only.
 *  @param volumeM3 read off the meter; @param seconds over which; @param grossMjPerM3 about 39 for natural gas (common practice) */
export function gasInputKw(volumeM3: number, seconds: number, grossMjPerM3 = 39): number {
  requireInRange('volumeM3', volumeM3, 1e-4, 1000);
  requireInRange('seconds', seconds, 5, 7200);
  requireInRange('grossMjPerM3', grossMjPerM3, 10, 130);
  return (volumeM3 * grossMjPerM3 * 1000) / seconds;
}

export const M3_PER_CUBIC_FOOT = toMetres(1, 'ft') ** 3;

/** Dry CO₂ with just the air that is needed, % by volume [memory: combustion tables]. */
export const MOST_CO2_PERCENT = { 'natural gas': 11.7, LPG: 13.8, 'light oil': 15.4 } as const;
export type Fuel = keyof typeof MOST_CO2_PERCENT;

/** Excess air factor from dry CO₂: about CO₂max / CO₂.
 *  @param co2Percent 0.5 to the most that the fuel gives @param mostCo2Percent of the fuel: {@link MOST_CO2_PERCENT} */
export function excessAirFactor(co2Percent: number, mostCo2Percent: number): number {
  requireInRange('co2Percent', co2Percent, 0.5, mostCo2Percent);
  return mostCo2Percent / co2Percent;
}
