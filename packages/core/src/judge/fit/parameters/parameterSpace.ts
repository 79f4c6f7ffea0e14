import type { CircuitSheet } from '../../../circuit/CircuitSheet';
import type { ResolvedCircuit } from '../../../circuit/resolveCircuit';
import { MOST_WATER_SHARE } from '../../../vessel/acceptedWater';
import { SLOT } from '../kernel';
import type { LogModel } from '../logModel';
import type { LogTrack } from '../../layOut/LogTrack';
import { feed } from './feedParameters';
import { logNormal, normal, type FreeParameter } from './FreeParameter';
import { gas } from './gasParameters';
import { gauge } from './gaugeParameters';
import { apart, heat } from './heatParameters';
import { ordinaryRelief, relief } from './reliefParameters';
import { waysIn, waysOut } from './waterWays';

export interface ParameterSpace {
  fixed: Float64Array;
  free: FreeParameter[];
}

/** How widely the doubt about the temperatures spreads from log to log, in its logarithm. Set by the evaluation. */
const DOUBT_SPREAD = 0.6;
/** The same of how much pipes and emitters stretch. */
const STRETCH_SPREAD = 0.5;

/** Everything that is uncertain about a circuit under one log model, before its logs are looked at. */
export function parameterSpace(model: LogModel, sheet: CircuitSheet, c: ResolvedCircuit, tracks: LogTrack[]): ParameterSpace {
  const begins = tracks.flatMap((t) => [...t.starts.keys()].filter((i) => t.starts[i]).map((i) => beginsAt(t, i)));
  return {
    fixed: fixedOf(model, c, begins.length),
    free: [
      logNormal(SLOT.contentL, c.contentL, c.contentSpread),
      ...heat(model, tracks),
      logNormal(SLOT.stretch, c.stretchLPerBar, STRETCH_SPREAD),
      ...(tracks.length ? [logNormal(SLOT.doubt, 1, DOUBT_SPREAD)] : []),
      ...gas(model, c),
      ...feed(model, sheet, c, tracks),
      ...waysIn(model, c, tracks),
      ...waysOut(model, c),
      ...relief(model, c, tracks),
      ...apart(tracks),
      ...gauge(model, tracks),
      ...begins.map((begin, k) => begin(SLOT.start + k)),
    ],
  };
}

/** Where a stretch in which no unknown water was let in or out begins: about where it was read. */
const beginsAt =
  (track: LogTrack, i: number) =>
  (slot: number): FreeParameter =>
    normal(slot, track.gaugeBar[i]!, 0.03 + Math.sqrt(track.variance[i]!) * 1.7);

/** What is not asked: as it mostly is. */
function fixedOf(model: LogModel, c: ResolvedCircuit, begins: number): Float64Array {
  const fixed = new Float64Array(SLOT.start + begins);
  // A vessel that no water reaches is none, and has no gas.
  fixed[SLOT.vesselL] = model.gas === 'cut-off' ? 0 : c.vesselL;
  fixed[SLOT.mains] = c.mainsGaugeBar;
  fixed[SLOT.feedHolds] = NO_FEED_GAUGE_BAR;
  fixed[SLOT.cap] = MOST_WATER_SHARE;
  fixed[SLOT.heatTempo] = fixed[SLOT.coolTempo] = model.heat === 'none' ? 0 : 1;
  fixed[SLOT.doubt] = 1;
  ordinaryRelief(fixed, c);
  return fixed;
}
/** A feed that holds less than any circuit's pressure gives nothing. */
const NO_FEED_GAUGE_BAR = -2;
