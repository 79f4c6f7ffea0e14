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

/** Excess air factor from dry CO₂: about CO₂max / CO₂, with 11.7 % for natural gas (common practice). */
export function excessAirFactor(co2Percent: number, mostCo2Percent = 11.7): number {
  requireInRange('co2Percent', co2Percent, 0.5, mostCo2Percent);
  return mostCo2Percent / co2Percent;
}
