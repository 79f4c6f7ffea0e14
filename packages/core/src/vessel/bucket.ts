import { acceptedWaterL } from './acceptedWater';

/** Water to expect in the bucket when a boiler is shut off and drained from a pressure: what the vessel gives back, the stretch, and the
 *  boiler's own water. A vessel that gives much less has lost its gas or is cut off. Practitioners' figures count the boiler's water in.
 *  @param boilerWaterL water of the drained part, 0 to 500 L */
export function bucketL({
  boilerWaterL,
  stretchLPerBar = 0.02,
  ...vessel
}: {
  nominalVolumeL: number;
  prechargeGaugeBar: number;
  systemGaugeBar: number;
  boilerWaterL: number;
  stretchLPerBar?: number;
  atmosphericBar?: number;
}): { fromVesselL: number; totalL: number } {
  const fromVesselL = acceptedWaterL(vessel);
  return { fromVesselL, totalL: fromVesselL + boilerWaterL + stretchLPerBar * Math.max(0, vessel.systemGaugeBar) };
}
