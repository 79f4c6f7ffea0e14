import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { bySensor, type PressureLog } from '../../log/PressureLog';
import type { FaultId } from '../faults';
import { bareCurveOf, curveOf, inKOf, outKOf } from '../fit/draw';
import { SLOT } from '../fit/kernel';
import type { LetGo, LogTrack } from '../layOut/LogTrack';
import type { Hint } from '../fit/Misses';

/** Where a relief was seen to let go, and how far below and above that it may really lift, standard deviations, bar. */
export interface SeenLift extends LetGo {
  belowSd: number;
  aboveSd: number;
  atmosphericBar: number;
}

/** A relief lifts about where it did before, bar; what a hand reads is seldom the very peak, the more seldom the longer it was not read, and
 *  still less where somebody went to look at the pipe, and the highest of several nearer to it; and from where it lifts to where it blows
 *  freely the pressure goes on rising, by about so much of its setting (common practice: of a diaphragm relief that is up to a tenth, and
 *  more). */
const LIFTS_ABOUT_BAR = 0.07,
  PEAK_UNREAD_BAR = 0.2,
  NOTED_UNREAD_BAR = 0.35,
  UNREAD_ABOUT = 0.5,
  BLOWS_FREELY_SHARE = 0.05;

/** What a log shows of where its relief lifts; null where nothing fell at once while it was warm. */
export function seenLift({ letGo }: LogTrack, log: PressureLog, c: ResolvedCircuit): SeenLift | null {
  if (letGo === null) return null;
  const sensed = bySensor(log),
    about = sensed ? LIFTS_ABOUT_BAR : Math.hypot(LIFTS_ABOUT_BAR, 0.4 * c.gaugeStepBar);
  return {
    ...letGo,
    atmosphericBar: c.atmosphericBar,
    belowSd: Math.hypot(about, BLOWS_FREELY_SHARE * c.reliefSetGaugeBar),
    aboveSd: sensed
      ? about
      : Math.hypot(
          about,
          Math.min(letGo.noted ? NOTED_UNREAD_BAR : PEAK_UNREAD_BAR, UNREAD_ABOUT * letGo.unreadBar) / Math.sqrt(Math.max(1, letGo.times)),
        ),
  };
}

/** How far above it a draw's relief lifts, in standard deviations. */
function liftMiss(v: Float64Array, { gaugeBar, belowSd, aboveSd }: SeenLift): number {
  const aboveBar = v[SLOT.lift]! + v[SLOT.offset]! - gaugeBar;
  return aboveBar / (aboveBar < 0 ? belowSd : aboveSd);
}

/** How often a warm circuit falls at once though its relief does not lift there: water let out without a word, or a gauge that lies by more
 *  than a draw's does. Common practice. */
const LET_OUT_UNSAID = 0.004,
  BY_A_LYING_GAUGE = 0.02;
/** And how often again, each further time that it falls from there though the water grows no colder: nobody lets out water by the minute,
 *  and what falls with a kelvin does not fall without. So many times tell all there is to tell. Common practice. */
const FALLS_AGAIN = 0.4,
  MOST_TIMES = 4;
/** Somebody wrote down that the relief lifted, and it did not: water from another pipe, or a drip taken for a lift, which one that passes
 *  shows all the time. Where it fell as well, both have to be by chance. Common practice. */
const NOTED_WRONGLY = 0.02,
  DRIP_NOTED = 0.15;
/** A pump that stops with the heat moves a gauge as well: so often by so much, bar, and less often by more. Common practice. */
const PUMP_STOPPED = 0.05,
  PUMP_MOVES_BAR = 0.22,
  PUMP_FALLS_BAR = 0.08;
const pumpStopped = ({ fellBar, times }: SeenLift): number =>
  times > 0 ? 0 : PUMP_STOPPED * Math.exp(-Math.max(0, fellBar - PUMP_MOVES_BAR) / PUMP_FALLS_BAR);

/** How often a circuit falls so where a few kelvins that no thermometer on a pipe shows are enough for it, or its hole in that time: one
 *  without its vessel, or whose vessel has given its last; and how much less often by cooling where the water was read warmer after it. So
 *  fast may it cool by more than is read, K/min, up to so many; and so far off may the time be, as a logarithm. Common practice. */
const FALLS_BY_ITSELF = 0.25,
  THOUGH_IT_WARMS = 0.2,
  UNSEEN_K_PER_MIN = 0.4,
  UNSEEN_MOST_K = 3,
  TIME_ABOUT = 0.5;
/** Growth of water for a kelvin at about 60 °C. */
const GROWTH_PER_K = 5e-4;

/** How often a draw's circuit falls so by cooling a little, or by what it loses. */
function fallsByItself(
  v: Float64Array,
  { gaugeBar, fellBar, tookS, cooledK, timesWarming, atmosphericBar }: SeenLift,
  again: number,
): number {
  const fromBar = gaugeBar - v[SLOT.offset]! + atmosphericBar,
    toBar = Math.max(0.5 * atmosphericBar, fromBar - fellBar),
    seconds = Math.max(1, tookS);
  // What stands behind a narrow way has no time to come.
  const curve = v[SLOT.narrow]! > 0 ? bareCurveOf(v) : curveOf(v);
  const lessL = curve.excessAt(fromBar) - curve.excessAt(toBar);
  const cooledByK = lessL / (v[SLOT.contentL]! * v[SLOT.share]! * GROWTH_PER_K),
    losesLPerH =
      outKOf(v) * Math.sqrt(Math.max(0, fromBar - atmosphericBar)) -
      inKOf(v) * Math.sqrt(Math.max(0, v[SLOT.mains]! + atmosphericBar - fromBar));
  const lostInS = losesLPerH > 0 ? (3600 * lessL) / losesLPerH : Infinity;
  return (
    FALLS_BY_ITSELF *
    Math.max(
      (timesWarming > 0 ? THOUGH_IT_WARMS : 1) *
        again *
        bell((cooledByK - cooledK) / Math.min(UNSEEN_MOST_K, (UNSEEN_K_PER_MIN * seconds) / 60)),
      bell(Math.log(lostInS / seconds) / TIME_ABOUT),
    )
  );
}
/** 1 up to 0, and falling off from there. */
const bell = (x: number): number => (x > 0 ? Math.exp(-0.5 * x * x) : 1);

/** How often a draw's circuit falls so though no relief lifts there. */
function fallsWithoutLift(v: Float64Array, faults: readonly FaultId[], lift: SeenLift): number {
  const again = FALLS_AGAIN ** (Math.min(Math.max(lift.times, 1), MOST_TIMES) - 1);
  return Math.max(
    faults.includes('gauge-misreading') ? BY_A_LYING_GAUGE : again * LET_OUT_UNSAID + pumpStopped(lift),
    fallsByItself(v, lift, again),
  );
}

/** How well a draw under some faults goes with the circuit's letting go there.
 *  @param comesThere how often heat takes a circuit with these faults as far as where its relief lifts */
export function letsGoThere(v: Float64Array, faults: readonly FaultId[], lift: SeenLift, comesThere = 1): number {
  const wrongly = !lift.noted ? 1 : faults.includes('relief-valve-passing') ? DRIP_NOTED : NOTED_WRONGLY;
  const otherwise = wrongly * (lift.fellBar > 0 ? fallsWithoutLift(v, faults, lift) : 1);
  return otherwise + (1 - otherwise) * comesThere * Math.exp(-0.5 * liftMiss(v, lift) ** 2);
}

/** Says where to look for the relief's lift; far off it pulls no harder. */
export const liftHint =
  (lift: SeenLift): Hint =>
  (v) => {
    const miss = liftMiss(v, lift);
    return miss / (1 + Math.abs(miss) / FURTHEST_PULL);
  };
const FURTHEST_PULL = 3;
