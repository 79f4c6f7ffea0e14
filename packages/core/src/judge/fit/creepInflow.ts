import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import type { LogModel } from './logModel';
import type { LogTrack } from '../layOut/LogTrack';

/** A rise that goes on for so long, and so fast, may be water coming in: s, and bar an hour. */
const CREEP_S = 240,
  CREEP_BAR_PER_H = 0.1;
/** So much of a rise has to be left when the water's growth is taken off; and how much more it may have grown than reckoned, where
 *  temperatures were read and where not. */
const LEFT_SHARE = 0.6,
  GROWN_AT_MOST = 1.15,
  GROWN_AT_MOST_BLIND = 2.5;
/** Growth of a kelvin or so: this much nobody sees. */
const STILL_GROWTH = 1.5e-4;
/** Of a right charge's give, what is left of it where most of the gas is gone, and where some is. */
const FLAT_SHARE = 0.2,
  LOW_SHARE = 0.6;
/** Mains drive water in by this at least, bar. */
const LEAST_DRIVE_BAR = 0.3;

/** How much water the steepest rise that heat does not explain would take to come in, L/h at one bar of difference: for a vessel with the
 *  right charge one size, for one that has lost its charge two, for none in play one. Only where to begin to look: a bypass lets in fifty
 *  times what a seat does, and may fill a circuit while it is heated. Empty where the logs show no such rise. */
export function creepInflowsLPerH(gas: LogModel['gas'], c: ResolvedCircuit, tracks: readonly LogTrack[]): number[] {
  const shares = gas === 'cut-off' || gas === 'late' ? [0] : gas === 'low' ? [FLAT_SHARE, LOW_SHARE] : [1];
  return shares
    .map((share) =>
      steepestLPerH(tracks, c, (P) => (share * (c.prechargeGaugeBar + c.atmosphericBar) * c.vesselL) / (P * P) + c.stretchLPerBar),
    )
    .filter((lPerH) => lPerH > 0);
}

/** @param litresPerBar what a circuit takes for a bar more at an absolute pressure */
function steepestLPerH(tracks: readonly LogTrack[], c: ResolvedCircuit, litresPerBar: (absoluteBar: number) => number): number {
  let steepest = 0;
  for (const t of tracks)
    for (let i = 0, k = 0; i < t.n; i++) {
      while (t.tS[i]! - t.tS[k + 1]! >= CREEP_S) k++;
      const overS = t.tS[i]! - t.tS[k]!,
        hours = overS / 3600,
        roseBar = t.gaugeBar[i]! - t.gaugeBar[k]!,
        atGaugeBar = (t.gaugeBar[i]! + t.gaugeBar[k]!) / 2;
      if (overS < CREEP_S || overS > 4 * CREEP_S || roseBar < CREEP_BAR_PER_H * hours) continue;
      const took = roseBar * litresPerBar(atGaugeBar + c.atmosphericBar),
        grown = Math.max(0, t.growth[i]! - t.growth[k]! - STILL_GROWTH) * (t.blind ? GROWN_AT_MOST_BLIND : GROWN_AT_MOST) * c.contentL;
      if (took - grown < LEFT_SHARE * took) continue;
      steepest = Math.max(steepest, (took - grown) / hours / Math.sqrt(Math.max(LEAST_DRIVE_BAR, c.mainsGaugeBar - atGaugeBar)));
    }
  return steepest;
}
