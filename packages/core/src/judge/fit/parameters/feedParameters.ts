import type { CircuitSheet } from '../../../circuit/CircuitSheet';
import type { ResolvedCircuit } from '../../../circuit/resolveCircuit';
import { setHighFromGaugeBar } from '../../../circuit/standingLevel';
import { SLOT } from '../kernel';
import type { LogModel } from '../logModel';
import { lowGaugeBar, type LogTrack } from '../../layOut/LogTrack';
import { normalCdf } from '../normal';
import { logNormal, normal, uniform, type FreeParameter } from './FreeParameter';

export function feed(model: LogModel, sheet: CircuitSheet, c: ResolvedCircuit, tracks: LogTrack[]): FreeParameter[] {
  const isUnit = sheet.fill?.kind === 'pressurisation-unit',
    pump = { ...logNormal(SLOT.feedLPerS, PUMP_L_PER_S, PUMP_SPREAD), starts: [-1.5, 0] };
  if (model.feed === 'high') {
    const leastBar = setHighFromGaugeBar(c),
      farBar = Math.max(0, PUMPS_TO * c.reliefSetGaugeBar - leastBar - FURTHER_BAR);
    // A valve is set somewhere there; of units whose switch sticks a few pump on up to the relief.
    const held = (share: number) =>
      share < MOST_STOP ? (FURTHER_BAR * share) / MOST_STOP : FURTHER_BAR + (farBar * (share - MOST_STOP)) / (1 - MOST_STOP);
    return isUnit
      ? [{ slot: SLOT.feedHolds, of: (z) => leastBar + held(normalCdf(z)), starts: [-1, 0.6] }, ...(tracks.length ? [pump] : [])]
      : [uniform(SLOT.feedHolds, leastBar, leastBar + FURTHER_BAR)];
  }
  // A feed that is not on the sheet holds what nobody has said.
  if (model.feed === 'unsaid') return [normal(SLOT.feedHolds, c.fillGaugeBar - 0.05, Math.hypot(0.25, c.fillSpreadBar))];
  if (!c.fedByItself || model.feed === 'dead') return [];
  // Often kept shut: the floor is set below what it would hold, so that a closed feed is not taken for a dead one.
  const holdsBar = (isUnit ? (c.cutInGaugeBar ?? c.fillGaugeBar - 0.2) : c.fillGaugeBar) - 0.05;
  return [
    normal(SLOT.feedHolds, holdsBar, Math.hypot(0.1, c.fillSpreadBar)),
    ...(isUnit && (lowGaugeBar(tracks) ?? Infinity) < holdsBar - PUMPS_BELOW_BAR ? [pump] : []),
  ];
}
/** What a unit's pump gives, L/s, and how widely it spreads in its logarithm; it is seen at work where the pressure lies so far below what
 *  it holds. Common practice: 0.05 to 0.5 L/s. */
const PUMP_L_PER_S = 0.1,
  PUMP_SPREAD = 1.2,
  PUMPS_BELOW_BAR = 0.15;
/** How much farther above the fill than counts a feed is set, or pumps, at the most where the relief lets it, bar; how many of the units go
 *  no farther, and how far the others may, as a share of the relief's setting. Common practice. */
const FURTHER_BAR = 1.05,
  MOST_STOP = 0.85,
  PUMPS_TO = 0.95;
