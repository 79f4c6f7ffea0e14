import { requireInRange } from '../OutOfRangeError';

/** Where the pump pushes: away from the vessel's connection or towards it. */
export type PumpPosition = 'towards-vessel' | 'away-from-vessel';

/** By how much a gauge at the boiler moves when the pump starts, bar. The vessel's connection is the point that the pump cannot move, since
 *  no water can be made or lost there; everything else stands above it by what the pump adds on the way, less the friction. Common teaching
 *  of hydronics ("point of no pressure change").
 *  @param headBar what the pump adds, 0 to 10
 *  @param frictionShareToGauge share of the loop's friction between the vessel's connection and the gauge, along the flow, 0 to 1 */
export function pumpShiftBar(input: { position: PumpPosition; headBar: number; frictionShareToGauge?: number }): number {
  const { position, headBar, frictionShareToGauge = position === 'away-from-vessel' ? 0.3 : 0.7 } = input;
  requireInRange('headBar', headBar, 0, 10);
  requireInRange('frictionShareToGauge', frictionShareToGauge, 0, 1);
  // The loop's friction uses up the whole head. Pumping away, the pump lies between connection and gauge; pumping towards, it comes after
  // the gauge.
  return position === 'away-from-vessel' ? headBar * (1 - frictionShareToGauge) : -headBar * frictionShareToGauge;
}
