import type { CircuitSheet } from './CircuitSheet';
import { standsOnTheWall } from './placesOnMap';

/** Water of a boiler with its own pipes where nobody wrote it down, L: about 0.1 L a kW for a wall boiler's exchanger and pipes, some 0.5 L a
 *  kW for one that stands on the floor. Common practice; cast iron holds more. */
export function boilerWaterL(sheet: CircuitSheet): { litres: number; assumed: boolean } {
  if (sheet.boilerVolumeL !== undefined) return { litres: sheet.boilerVolumeL, assumed: false };
  return { litres: (standsOnTheWall(sheet) ? WALL_L_PER_KW : FLOOR_L_PER_KW) * (sheet.heatOutputKw ?? USUAL_KW), assumed: true };
}
const WALL_L_PER_KW = 0.1,
  FLOOR_L_PER_KW = 0.5,
  USUAL_KW = 24;
