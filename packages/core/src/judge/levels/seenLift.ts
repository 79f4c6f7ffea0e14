import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { bySensor, type PressureLog } from '../../log/PressureLog';
import { has } from '../faultGroups';
import type { FaultId } from '../faults';
import { SLOT } from '../fit/kernel';
import type { LogTrack } from '../layOut/LogTrack';
import type { Hint } from '../fit/Misses';

/** Where a relief was seen to let go, as the gauge shows it, and how far below and above that it may really lift, standard deviations, bar.
 */
export interface SeenLift {
  gaugeBar: number;
  belowSd: number;
  aboveSd: number;
  /** How often it did, the water growing no colder. */
  times: number;
}

/** A relief lifts about where it did before, bar; and what a hand reads is seldom the very peak. Common practice. */
const LIFTS_ABOUT_BAR = 0.07,
  PEAK_UNREAD_BAR = 0.2;

/** What a log shows of where its relief lifts; null where nothing fell at once while it was warm. */
export function seenLift(track: LogTrack, log: PressureLog, c: ResolvedCircuit): SeenLift | null {
  if (track.letGoGaugeBar === null) return null;
  const times = track.letGoTimes;
  if (bySensor(log)) return { gaugeBar: track.letGoGaugeBar, belowSd: LIFTS_ABOUT_BAR, aboveSd: LIFTS_ABOUT_BAR, times };
  const belowSd = Math.hypot(LIFTS_ABOUT_BAR, 0.4 * c.gaugeStepBar);
  return { gaugeBar: track.letGoGaugeBar, belowSd, aboveSd: Math.hypot(belowSd, PEAK_UNREAD_BAR), times };
}

/** How far above it a draw's relief lifts, in standard deviations. */
function liftMiss(v: Float64Array, { gaugeBar, belowSd, aboveSd }: SeenLift): number {
  const aboveBar = v[SLOT.lift]! + v[SLOT.offset]! - gaugeBar;
  return aboveBar / (aboveBar < 0 ? belowSd : aboveSd);
}

/** How often a warm circuit falls at once though its relief does not lift there: water let out without a word, a gauge that lies by more
 *  than a draw's does, or no vessel in play, or one that gives its last at its charge, where a few kelvins are a bar. Common practice. */
const LET_OUT_UNSAID = 0.004,
  BY_A_LYING_GAUGE = 0.02,
  FALLS_ALL_AT_ONCE = 0.25;
/** And how often again, each further time that it falls from there though the water grows no colder: nobody lets out water by the minute,
 *  and what falls with a kelvin does not fall without. So many times tell all there is to tell. Common practice. */
const FALLS_AGAIN = 0.4,
  MOST_TIMES = 4;

/** How well a draw under some faults goes with the circuit's letting go there. */
export function letsGoThere(v: Float64Array, faults: readonly FaultId[], lift: SeenLift): number {
  const again = FALLS_AGAIN ** (Math.min(Math.max(lift.times, 1), MOST_TIMES) - 1);
  const otherwise = has(faults, 'vessel-connection-blocked', 'vessel-isolated', 'vessel-overcharged')
    ? again * FALLS_ALL_AT_ONCE
    : faults.includes('gauge-misreading')
      ? BY_A_LYING_GAUGE
      : again * LET_OUT_UNSAID;
  return otherwise + (1 - otherwise) * Math.exp(-0.5 * liftMiss(v, lift) ** 2);
}

/** Says where to look for the relief's lift; far off it pulls no harder. */
export const liftHint =
  (lift: SeenLift): Hint =>
  (v) => {
    const miss = liftMiss(v, lift);
    return miss / (1 + Math.abs(miss) / FURTHEST_PULL);
  };
const FURTHEST_PULL = 3;
