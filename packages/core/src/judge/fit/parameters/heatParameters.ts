import { SLOT } from '../kernel';
import type { LogModel } from '../logModel';
import type { LogTrack } from '../../layOut/LogTrack';
import { normalCdf } from '../normal';
import { logNormal, normal, tempo, type FreeParameter } from './FreeParameter';

/** How the water follows the heat: by how much, how late and, where nobody read it, how fast. */
export const heat = (model: LogModel, tracks: LogTrack[]): FreeParameter[] =>
  thermal(tracks).filter((p) => model.heat !== 'none' || (p.slot !== SLOT.heatTempo && p.slot !== SLOT.coolTempo));

/** Emitters that cool by themselves, where a log may show it. */
export const apart = (tracks: LogTrack[]): FreeParameter[] => (tracks.some((t) => t.away) ? [parted()] : []);

/** Share of the content in emitters that cool by themselves once the heat is off: none where the pump goes on, as most of them do. Common
 *  practice. */
const parted = (): FreeParameter => ({
  slot: SLOT.parted,
  of: (z) => (PARTED_MOST * Math.max(0, normalCdf(z) - PUMP_GOES_ON)) / (1 - PUMP_GOES_ON),
  starts: [0.8],
});
const PUMP_GOES_ON = 0.65,
  PARTED_MOST = 0.55;

function thermal(tracks: LogTrack[]): FreeParameter[] {
  const poorest = tracks.some((t) => t.temperatures === 'none') ? 'none' : tracks.some((t) => t.temperatures === 'flow') ? 'flow' : 'both';
  if (poorest === 'none')
    return [normal(SLOT.share, 0.85, 0.13, 0.2), logNormal(SLOT.lagS, 150, 0.8), tempo(SLOT.heatTempo, 0.45), tempo(SLOT.coolTempo, 0.55)];
  return [
    normal(SLOT.share, poorest === 'both' ? 0.92 : 0.9, poorest === 'both' ? 0.09 : 0.11, 0.4),
    logNormal(SLOT.lagS, poorest === 'both' ? 90 : 150, 0.95),
  ];
}
