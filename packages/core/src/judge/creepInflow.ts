import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import type { LogModel } from './logModel';
import type { LogTrack } from './LogTrack';

/** A rise that goes on for so long while the water warms no further, and so fast, is water coming in: s, and bar an hour. */
const CREEP_S = 240, CREEP_BAR_PER_H = 0.1;
/** Growth of a kelvin or so cold: under this the water counts as no warmer. */
const STILL_GROWTH = 1.5e-4;
/** Of a right charge's give, what is left of it where most of the gas is gone, and where some is. */
const FLAT_SHARE = 0.2, LOW_SHARE = 0.6;
/** Mains drive water in by this at least, bar. */
const LEAST_DRIVE_BAR = 0.3;

/** How much water a rise without heat would take to come in, L/h at one bar of difference: for a vessel with the right charge one size, for one that has lost its charge two, for none in play one. Only
 *  where to begin to look: a bypass lets in fifty times what a seat does. Empty where the logs show no such rise, or their temperatures are not known. */
export function creepInflowsLPerH(gas: LogModel['gas'], c: ResolvedCircuit, tracks: readonly LogTrack[]): number[] {
  if (tracks.some((t) => t.blind)) return [];
  const { barPerH, atGaugeBar } = steepestCreep(tracks);
  if (barPerH < CREEP_BAR_PER_H) return [];
  const P = atGaugeBar + c.atmosphericBar, vesselLPerBar = ((c.prechargeGaugeBar + c.atmosphericBar) * c.vesselL) / (P * P);
  const drive = Math.sqrt(Math.max(LEAST_DRIVE_BAR, c.mainsGaugeBar - atGaugeBar));
  const shares = gas === 'cut-off' || gas === 'late' ? [0] : gas === 'low' ? [FLAT_SHARE, LOW_SHARE] : [1];
  return shares.map((share) => (barPerH * (share * vesselLPerBar + c.stretchLPerBar)) / drive);
}

function steepestCreep(tracks: readonly LogTrack[]): { barPerH: number; atGaugeBar: number } {
  let steepest = { barPerH: 0, atGaugeBar: 0 };
  for (const t of tracks)
    for (let i = 0, k = 0; i < t.n; i++) {
      while (t.tS[i]! - t.tS[k + 1]! >= CREEP_S) k++;
      const overS = t.tS[i]! - t.tS[k]!;
      if (overS < CREEP_S || overS > 4 * CREEP_S || t.growth[i]! > t.growth[k]! + STILL_GROWTH) continue;
      const barPerH = ((t.gaugeBar[i]! - t.gaugeBar[k]!) * 3600) / overS;
      if (barPerH > steepest.barPerH) steepest = { barPerH, atGaugeBar: (t.gaugeBar[i]! + t.gaugeBar[k]!) / 2 };
    }
  return steepest;
}
