import { heldFromGaugeBar, type ResolvedCircuit } from '../../../circuit/resolveCircuit';
import { HEATED_K } from '../../../log/cycleFeatures';
import { SLOT } from '../kernel';
import type { LogModel } from '../logModel';
import { topGaugeBar, type LogTrack } from '../../layOut/LogTrack';
import { normalCdf, normalQuantile } from '../normal';
import { sizeOf } from './circuitSize';
import { logNormal, normal, uniform, type FreeParameter } from './FreeParameter';

/** A log may hold a lift from this share of the marking on. */
const MAY_BLOW_FROM = 0.8;
export const mayHaveBlown = (tracks: readonly LogTrack[], c: ResolvedCircuit): boolean =>
  (topGaugeBar(tracks) ?? 0) > MAY_BLOW_FROM * c.reliefSetGaugeBar;
/** Where a relief that has lifted shuts again, as a share of its lift. Common practice: 10 to 20 % lower; some simmer at it. */
const SEAT_LEAST = 0.78,
  SEAT_MOST = 1,
  SEAT_SHARE = 0.9;
/** What a relief that has lifted lets go until it shuts at its seat. Common practice: about a litre a minute. */
const BLOWS_L_PER_S = 0.017;
/** Lifts that count as early: from which share of the marking, up to how far below it, bar (the catalogue); and how far from what was
 *  logged they are looked for. */
const NOT_YET_BAR = 0.05,
  EARLY_LEAST = 0.42,
  EARLY_FROM_BAR = 0.3,
  SEEN_ABOVE_BAR = 0.1,
  LEAST_RANGE_BAR = 0.1;

/** Where the relief lifts and shuts, what it lets go, and from where it gives way again. */
export const relief = (model: LogModel, c: ResolvedCircuit, tracks: LogTrack[]): FreeParameter[] => [
  ...(model.lift === 'early' ? earlyLift(c, tracks) : [rightLift(c, tracks)]),
  ...(model.lift !== 'early' && mayHaveBlown(tracks, c) ? [uniform(SLOT.seat, SEAT_LEAST, SEAT_MOST, [-0.5, 1.5])] : []),
  ...(tracks.some((t) => t.heldBelowPeak) ? [tired()] : []),
];

/** A relief of which nothing is asked. */
export function ordinaryRelief(fixed: Float64Array, c: ResolvedCircuit): void {
  fixed[SLOT.lift] = c.reliefSetGaugeBar;
  fixed[SLOT.seat] = SEAT_SHARE;
  fixed[SLOT.blowsLPerS] = BLOWS_L_PER_S * sizeOf(c);
}

/** A relief that lifts where it should: looked for first where the pressure was seen to stop. */
function rightLift(c: ResolvedCircuit, tracks: LogTrack[]): FreeParameter {
  const mean = 0.98 * c.reliefSetGaugeBar,
    sd = Math.max(0.035 * c.reliefSetGaugeBar, 0.1);
  const topBar = topGaugeBar(tracks) ?? 0,
    z = (topBar - 0.02 - mean) / sd;
  return { ...normal(SLOT.lift, mean, sd), starts: [Math.abs(z) < 2.5 ? z : 0] };
}

/** A relief that lifts early is found because it lifts: somewhere between where the circuit stands cold and the highest that it was seen
 *  at. One that lifts below what a feed makes up to never shuts: that is one that passes. */
function earlyLift(c: ResolvedCircuit, tracks: LogTrack[]): FreeParameter[] {
  const leastBar = EARLY_LEAST * c.reliefSetGaugeBar,
    mostBar = c.reliefSetGaugeBar - EARLY_FROM_BAR;
  const shuts = [uniform(SLOT.seat, SEAT_LEAST, SEAT_MOST, [-0.5, 0.5]), logNormal(SLOT.blowsLPerS, BLOWS_L_PER_S * sizeOf(c), 0.8)];
  if (!tracks.length) return [uniform(SLOT.lift, leastBar, mostBar, [0]), ...shuts];
  // A circuit that nobody heated never went where its relief might have lifted: all that is known is that it stood below.
  if (tracks.every((t) => t.spanK < HEATED_K))
    return [
      uniform(SLOT.lift, Math.min(mostBar - LEAST_RANGE_BAR, Math.max(leastBar, topGaugeBar(tracks)! - NOT_YET_BAR)), mostBar, [0]),
      ...shuts,
    ];
  const topBar = topGaugeBar(tracks)!,
    coldBar = Math.max(Math.min(...tracks.map((t) => t.gaugeBar[0]!)), c.fedByItself ? heldFromGaugeBar(c) : -Infinity);
  const most = Math.min(mostBar, Math.max(leastBar, topBar) + SEEN_ABOVE_BAR),
    least = Math.min(most - LEAST_RANGE_BAR, Math.max(leastBar, coldBar + SEEN_ABOVE_BAR));
  const at = (bar: number) => normalQuantile(Math.min(0.98, Math.max(0.02, (bar - least) / (most - least))));
  return [uniform(SLOT.lift, least, most, [at(topBar - 0.015), at(topBar - 0.05), at(topBar - 0.1)]), ...shuts];
}

/** From how far down a relief that has lifted once gives way again, as a share of the way from its lift to its seat: half of them lift as
 *  before, the others lower, down to those that hold the pressure at the seat as long as the water grows. Asked only where a warm circuit
 *  fell back from a peak and was held there. Common practice. */
const tired = (): FreeParameter => ({ slot: SLOT.tired, of: (z) => Math.max(0, 2 * normalCdf(z) - 1), starts: [0.8] });
