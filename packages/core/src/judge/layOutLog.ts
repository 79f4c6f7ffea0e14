import { bySensor, EVENT_OFF_S, type LogEvent, type PressureLog } from '../log/PressureLog';
import { movesWater, stepsWhereSeen } from './stepsWhereSeen';
import { COLD_BELOW_C } from '../log/cycleFeatures';
import { keepPeaks } from '../log/keepPeaks';
import { reduceLog, type ReducedLog } from '../log/reduceLog';
import { unsaidTopUps } from '../log/unsaidTopUps';
import { fluidGrowth } from '../water/fluid';
import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import { openShares, shutsAValve } from './openShares';
import { emittersCool } from './emittersCool';
import { pumpRuns } from './pumpRuns';
import { heatSwitches } from './heatSwitched';
import { allowForRelief, easedHotBar, heldBelowPeak } from './reliefInLog';
import { errorKeptAt, type LogTrack } from './LogTrack';
import { meanTemperatures, type MeanTemperatures } from './meanTemperatures';

/** The model is wrong in the same way for a while: at least so long, and in a log of days for a share of it. */
const LEAST_ERROR_S = 900,
  ERROR_SPAN_SHARE = 1 / 12;

/** A visit is thinned by averages; a log of days is laid out in blocks of minutes, of which each slice gives its first, lowest, highest and
 *  last, so that every heat cycle's cold and hot ends stay what they were. */
const A_VISIT_S = 6 * 3600,
  MOST_BLOCKS = 3000,
  DAY_SLICES = 25;

interface Informative {
  r: ReducedLog;
  means: MeanTemperatures;
  events: LogEvent[];
  /** Points read while water ran in or out. */ underWay: number[];
  /** When a unit's pump had lifted the pressure, s. */ runsS: number[];
}

function informativePoints(log: PressureLog, stepBar: number, circuit: ResolvedCircuit): Informative | null {
  const { tS } = log.samples;
  const long = (tS.at(-1) ?? 0) - (tS[0] ?? 0) > A_VISIT_S && tS.length > 4 * DAY_SLICES;
  const r = long ? reduceLog(log, MOST_BLOCKS) : reduceLog(log);
  const n = r.tS.length;
  if (n < 2) return null;
  const { events, underWay } = stepsWhereSeen(
    [...(log.events ?? []), ...unsaidTopUps(log, stepBar)].sort((a, b) => a.tS - b.tS),
    r.tS,
    r.gaugeBar,
    stepBar,
  );
  const means = meanTemperatures(r, events, circuit, bySensor(log));
  // A run of minutes is seen in the blocks only: between the ends of slices it would be a slow rise.
  const runsS = pumpRuns(r.gaugeBar, r.tS, means.meanC, circuit).map((i) => r.tS[i]!);
  const kept = long ? keepPeaks(r.gaugeBar, DAY_SLICES) : [...Array(n).keys()];
  const of = <T>(values: T[]) => kept.map((i) => values[i]!);
  return {
    r: { tS: of(r.tS), gaugeBar: of(r.gaugeBar), count: of(r.count), flowC: of(r.flowC), returnC: of(r.returnC) },
    means: { ...means, meanC: of(means.meanC), guessedK: of(means.guessedK) },
    events,
    underWay: underWay.map((i) => kept.indexOf(i)).filter((i) => i >= 0),
    runsS,
  };
}

/** Lays out a log; null when it holds fewer than two pressures, unless the one is of a circuit found hot: how high it stands then says
 *  something by itself. */
export function layOutLog(logged: PressureLog, circuit: ResolvedCircuit): LogTrack | null {
  const log = isOneHotReading(logged) ? heldAMinute(logged) : logged;
  const sensed = bySensor(log);
  const step = readingStepBar(log, circuit.gaugeStepBar);
  const informative = informativePoints(log, step, circuit);
  if (!informative) return null;
  const { r, means, events, underWay, runsS } = informative;
  const n = r.tS.length;
  const observed = r.gaugeBar;
  const lowest = Math.min(...observed),
    coldestC = Math.min(...means.meanC),
    foundCold = means.meanC[0]! - coldestC < FOUND_COLD_K,
    top = highestRead(log);
  const rangeBar = Math.max(...observed) - (foundCold && !sensed ? Math.max(lowest, observed[0]! - FALLS_COUNT_BAR) : lowest);
  const switches = heatSwitches(events),
    switchS = switches.map((s) => s.tS),
    open = openShares(events, r.tS);
  const track: LogTrack = {
    n,
    tS: Float64Array.from(r.tS),
    gaugeBar: Float64Array.from(observed),
    variance: new Float64Array(n),
    growth: new Float64Array(n),
    away: means.heat
      ? null
      : emittersCool(
          r.tS,
          means.meanC,
          r.tS.map((_, i) => apartK(r.flowC[i], r.returnC[i])),
          switches,
          circuit.fluid,
          means.meanC[0]!,
        ),
    blind: means.heat,
    heatGuessed: means.heat !== null && means.heat.switchS.length > 0 && switches.length === 0,
    watched: events.some((e) => shutsAValve(e.kind)),
    starts: new Uint8Array(n),
    fillOn: open.fill,
    coilOn: open.coil,
    boilerOn: open.boiler,
    drawnL: new Float64Array(n),
    modelErrorBar: new Float64Array(n),
    warmth: new Float64Array(n),
    modelErrorS: Math.max(LEAST_ERROR_S, ERROR_SPAN_SHARE * (r.tS[n - 1]! - r.tS[0]!)),
    temperatureErrorK: new Float64Array(n),
    errorKept: new Float64Array(n),
    jumpBar: new Float64Array(n),
    meanGaugeBar: observed.reduce((a, b) => a + b, 0) / n,
    topGaugeBar: top.gaugeBar,
    letGoGaugeBar: null,
    easedHotBar: easedHotBar(observed, means.meanC, step),
    heldBelowPeak: heldBelowPeak(observed, means.meanC, r.tS, step, top),
    temperatures: means.source,
    readErrorK: means.source === 'none' || !sensed ? 0 : READ_SENSOR_K,
    firstC: means.meanC[0]!,
    spanK: Math.max(...means.meanC) - coldestC,
  };
  // A person reads a needle between two marks, and not always with the same care.
  const handBar = sensed ? 0 : READING_SHARE * circuit.gaugeStepBar;
  const referenceC = means.meanC[0]!;
  let next = 0;
  for (let i = 0; i < n; i++) {
    track.variance[i] = ((step * step) / 12 + handBar * handBar) / Math.min(r.count[i]!, 3) + 1e-4;
    track.growth[i] = fluidGrowth(circuit.fluid, referenceC, means.meanC[i]!);
    if (i === 0) track.starts[i] = 1;
    for (; next < events.length && events[next]!.tS <= track.tS[i]! + 1e-9; next++) {
      // What was measured is known; whatever else moves water by hand is not.
      const { kind, volumeL } = events[next]!;
      if (kind === 'drawn-off' && volumeL !== undefined) track.drawnL[i]! += volumeL;
      else if (movesWater(kind)) track.starts[i] = 1;
    }
  }
  for (const runS of runsS) track.starts[track.tS.findIndex((t) => t >= runS)] = 1;
  // A needle sticks. A sensor does not, but one that rounds coarsely is off to one side until the next step.
  const stuckBar = sensed ? STAIR_SHARE * step : STICTION_SHARE * circuit.gaugeStepBar;
  for (const s of switchS) {
    const near = [...track.tS.keys()].filter((i) => i > 0 && s > track.tS[i - 1]! - EVENT_OFF_S && s <= track.tS[i]! + EVENT_OFF_S);
    for (const i of near) track.jumpBar[i] = PUMP_JUMP_BAR / Math.sqrt(near.length);
  }
  const spanC = Math.max(LEAST_SPAN_K, track.spanK);
  track.errorKept = errorKeptAt(track.tS, track.modelErrorS);
  let began = track.gaugeBar[0]!,
    tailK = 0;
  for (let i = 0; i < n; i++) {
    const heatK = means.meanC[i]! - coldestC;
    tailK = Math.max(TAIL_SHARE * heatK, i > 0 ? tailK * Math.exp(-(track.tS[i]! - track.tS[i - 1]!) / TAIL_S) : 0);
    track.warmth[i] = Math.sqrt((means.meanC[i]! - coldestC) / spanC);
    track.temperatureErrorK[i] =
      IDLE_ERROR_K +
      (tailK - TAIL_SHARE * heatK) +
      (means.source === 'none'
        ? WARM_ERROR_BLIND_K * track.warmth[i]! + EVENT_ERROR_S * paceAt(i)
        : WARM_ERROR_K * track.warmth[i]! + (sensed ? SENSOR_LATE_S : HAND_LATE_S) * paceAt(i) + means.guessedK[i]!);
    if (track.starts[i]) began = track.gaugeBar[i]!;
    const warmBar = (means.source === 'none' || !sensed ? WARM_ERROR_ROUGH : WARM_ERROR) * rangeBar * track.warmth[i]!;
    track.modelErrorBar[i] = IDLE_ERROR_BAR + stuckBar + Math.max(warmBar, MOVED_ERROR * Math.abs(track.gaugeBar[i]! - began));
  }
  for (const i of underWay) track.variance[i]! += rangeBar * rangeBar;
  for (const i of fellFromUnseenPeak()) track.variance[i]! += (observed[i - 1]! - observed[i]!) ** 2;
  allowForRelief(track, means.meanC, circuit.reliefSetGaugeBar, step, heatIsOff, top);
  return track;

  /** Points before which the heat went off, between two readings, and the pressure fell though the water is read no colder: it had been
   *  warmer meanwhile, and where no vessel is in play that is a bar. */
  function fellFromUnseenPeak(): number[] {
    const after = switches
      .filter((s) => !s.on)
      .map((s) => r.tS.findIndex((t) => t > s.tS))
      .filter((i) => i > 0 && r.tS[i]! - r.tS[i - 1]! >= UNSEEN_S);
    return after.filter(
      (i) =>
        observed[i - 1]! - observed[i]! > Math.max(FELL_UNSEEN_BAR, 2 * step) && means.meanC[i]! > means.meanC[i - 1]! - COOLED_UNSEEN_K,
    );
  }

  /** Whether the heat is off at a point: as was written down, else as the temperatures say before it and after. */
  function heatIsOff(i: number): boolean {
    const last = switches.findLast((s) => s.tS <= track.tS[i]!);
    if (last) return !last.on;
    if (switches.length) return switches[0]!.on;
    return means.meanC[i]! < means.meanC[i - 1]! && (i + 1 >= n || means.meanC[i + 1]! <= means.meanC[i]!);
  }

  /** How fast the mean temperature goes round a point, K/s; not what it does after the heat was switched, well after the point. */
  function paceAt(i: number): number {
    const k = (a: number, b: number) =>
      a < 0 || b >= n || (a === i && switchS.some((s) => s > track.tS[a]! + EVENT_OFF_S && s <= track.tS[b]!))
        ? 0
        : Math.abs(means.meanC[b]! - means.meanC[a]!) / Math.max(30, track.tS[b]! - track.tS[a]!);
    return Math.max(k(i - 1, i), k(i, i + 1));
  }
}

/** Flow less return; null where one was not read. */
const apartK = (flowC: number | null | undefined, returnC: number | null | undefined): number | null =>
  flowC == null || returnC == null ? null : flowC - returnC;

/** The highest reading and when it was come to; of many the second highest, since one may be a slip. */
function highestRead({ samples: { tS, pressureBar } }: PressureLog): { gaugeBar: number; tS: number } {
  let first = -1,
    second = -1;
  for (let i = 0; i < pressureBar.length; i++) {
    const p = pressureBar[i];
    if (p === null || p === undefined) continue;
    if (first < 0 || p > pressureBar[first]!) {
      second = first;
      first = i;
    } else if (second < 0 || p > pressureBar[second]!) second = i;
  }
  const at = pressureBar.length > MANY_READINGS && second >= 0 ? second : first;
  return { gaugeBar: pressureBar[at]!, tS: Math.min(tS[at]!, tS[first]!) };
}
const MANY_READINGS = 50;
/** Between readings so far apart a peak goes unseen, s; what counts as a fall after it, bar; and how much colder it may be read, K. */
const UNSEEN_S = 240,
  FELL_UNSEEN_BAR = 0.25,
  COOLED_UNSEEN_K = 1.5;

const isOneHotReading = ({ samples: { pressureBar, flowC } }: PressureLog): boolean =>
  pressureBar.length === 1 && pressureBar[0] !== null && (flowC?.[0] ?? 0) >= COLD_BELOW_C;
/** What was read once stood there for a minute. */
function heldAMinute(log: PressureLog): PressureLog {
  const { tS, pressureBar, flowC, returnC } = log.samples,
    twice = <T>(values: T[]): T[] => [values[0]!, values[0]!];
  return {
    ...log,
    samples: {
      tS: [tS[0]!, tS[0]! + 60],
      pressureBar: twice(pressureBar),
      ...(flowC ? { flowC: twice(flowC) } : {}),
      ...(returnC ? { returnC: twice(returnC) } : {}),
    },
  };
}

/** Error of reading a dial, as a share of its division. Common practice. */
const READING_SHARE = 0.2;
const SENSOR_STEP_BAR = 0.01;
/** So many readings show the grain as well as all of them. */
const GRAIN_SAMPLE = 5000;
const GRAINS = [0.5, 0.25, 0.2, 0.1, 0.05, 0.02, SENSOR_STEP_BAR];

/** To what the pressures were rounded: a sensor to what its readings show, a hundredth at best; a hand likewise, half a division of the
 *  dial at best. Neither coarser than the sheet says. */
function readingStepBar(log: PressureLog, sheetStepBar: number): number {
  const grain = Math.min(grainBar(log), sheetStepBar);
  return bySensor(log) ? grain : Math.max(grain, sheetStepBar / 2);
}

/** The coarsest of the usual steps on which nearly all pressures of a log lie. */
function grainBar(log: PressureLog): number {
  const gaugeBar = log.samples.pressureBar.slice(0, GRAIN_SAMPLE).filter((p): p is number => p !== null);
  const on = (grain: number) => gaugeBar.filter((p) => Math.abs(p / grain - Math.round(p / grain)) < 0.02).length >= 0.95 * gaugeBar.length;
  return GRAINS.find(on) ?? SENSOR_STEP_BAR;
}

/** The gauge's division where the sheet does not say it: what the readings were rounded to, of which a hand reads half a division at best.
 *  Too few different ones may lie on a coarse step by chance. */
export function seenStepBar(logs: readonly PressureLog[], assumedBar: number): number {
  const told = logs.filter(isVaried);
  if (told.length === 0) return assumedBar;
  return Math.min(
    ...told.map((l) => {
      const grain = grainBar(l);
      return bySensor(l) ? grain : Math.max(grain, Math.min(assumedBar, 2 * grain));
    }),
  );
}

/** Whether a log holds enough different pressures to tell their step, or goes to and fro by it; looked through only so far, without a copy.
 */
function isVaried(log: PressureLog): boolean {
  const different = new Set<number>();
  let last: number | null = null,
    moves = 0;
  return log.samples.pressureBar.some((p) => {
    if (p === null) return false;
    if (last !== null && p !== last) moves++;
    last = p;
    return different.add(p).size >= ENOUGH_TO_TELL || (moves >= ENOUGH_MOVES && different.size > 1);
  });
}
const ENOUGH_TO_TELL = 4,
  ENOUGH_MOVES = 3;

/** The model's own error while nothing is heated, bar, and when warm as a share of the log's range: logged temperatures, and those read by
 *  hand or not at all. Set by the evaluation on plants of another physics. */
const IDLE_ERROR_BAR = 0.012,
  STICTION_SHARE = 0.2,
  STAIR_SHARE = 0.25,
  WARM_ERROR = 0.06,
  WARM_ERROR_ROUGH = 0.09,
  LEAST_SPAN_K = 8;
/** So far below what it was found at, cold, a hand log's lowest pressure still counts to its range, bar: what falls to nothing in the end
 *  says nothing of how well heat is foretold. */
const FALLS_COUNT_BAR = 0.4,
  FOUND_COLD_K = 5;
/** What moves the pressure cold (water coming in, water lost) keeps no law to the last hundredth either: share of how far it has moved. */
const MOVED_ERROR = 0.05;

/** A pump that starts or stops with the heat moves a gauge that does not stand where it leaves the pressure alone, bar. Common practice. */
const PUMP_JUMP_BAR = 0.025;

/** Doubt about the water's mean temperature, K: a circuit that stands idle follows its rooms; when warm, dead legs and far emitters count.
 *  More than this, and circuits with no vessel in play are doubted out of the picture. */
const IDLE_ERROR_K = 0.03,
  WARM_ERROR_K = 0.6,
  WARM_ERROR_BLIND_K = 1;
/** Emitters and far ends are warm for a while after the pipes at the boiler are cold: share of the heat that may still be there, and how
 *  long it lasts, s. A circuit with no vessel in play shows it. */
const TAIL_SHARE = 0.05,
  TAIL_S = 3600;
/** Where temperatures are worked out from the switching of the heat, an error in its time moves them while they move. Times are noted to
 *  about a minute. */
const EVENT_ERROR_S = 30;
/** A hand does not read gauge and thermometer at one moment, and sensors follow what they touch each at its own pace. */
const HAND_LATE_S = 12,
  SENSOR_LATE_S = 8;
/** Error of one temperature of a logger's, K: what comes and goes from sample to sample. A hand's is slower than that, and stands in the
 *  doubt about the mean. */
const READ_SENSOR_K = 0.15;
