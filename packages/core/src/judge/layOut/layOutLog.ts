import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { bySensor, EVENT_OFF_S, type LogEvent, type PressureLog } from '../../log/PressureLog';
import { fluidGrowth } from '../../water/fluid';
import { emittersCool } from './emittersCool';
import { heatSwitches, type HeatSwitch } from './heatSwitched';
import { errorKeptAt, type LogTrack } from './LogTrack';
import { allowForNotedLifts } from './notedLifts';
import { openShares, shutsAValve } from './openShares';
import { allowForRelief, easedHotBar, heldBelowPeak } from './reliefInLog';
import { movesWater } from './stepsWhereSeen';
import { modelDoubts, readingVariance, type Doubted } from './doubts';
import { highestRead } from './highestRead';
import { logPoints, type LogPoints } from './logPoints';
import { heldAMinute, isOneHotReading } from './oneHotReading';
import { readingStepBar } from './readingStep';

/** The model is wrong in the same way for a while: at least so long, and in a log of days for a share of it. */
const LEAST_ERROR_S = 900,
  ERROR_SPAN_SHARE = 1 / 12;
/** So far below what it was found at, cold, a hand log's lowest pressure still counts to its range, bar: what falls to nothing in the end
 *  says nothing of how well heat is foretold. */
const FALLS_COUNT_BAR = 0.4,
  FOUND_COLD_K = 5;
/** Error of one temperature of a logger's, K: what comes and goes from sample to sample. A hand's is slower than that, and stands in the
 *  doubt about the mean. */
const READ_SENSOR_K = 0.15;

/** Lays out a log; null when it holds fewer than two pressures, unless the one is of a circuit found hot: how high it stands then says
 *  something by itself. */
export function layOutLog(logged: PressureLog, circuit: ResolvedCircuit): LogTrack | null {
  const log = isOneHotReading(logged) ? heldAMinute(logged) : logged,
    sensed = bySensor(log),
    stepBar = readingStepBar(log, circuit.gaugeStepBar);
  const points = logPoints(log, stepBar, circuit);
  if (!points) return null;
  const { r, means, events } = points,
    { gaugeBar } = r,
    { meanC } = means,
    n = r.tS.length;
  const coldestC = Math.min(...meanC),
    switches = heatSwitches(events),
    top = highestRead(log),
    open = openShares(events, r.tS),
    water = waterMoved(r.tS, events, points.movedS);
  const doubted: Doubted = { points, switches, circuit, sensed, stepBar, coldestC, rangeBar: rangeOf(gaugeBar, meanC, coldestC, sensed) };
  const tS = Float64Array.from(r.tS),
    modelErrorS = errorLastsS(tS, points.closelyS);
  const bare = { n, tS, gaugeBar: Float64Array.from(gaugeBar), spanK: Math.max(...meanC) - coldestC, ...water };
  const track: LogTrack = {
    ...bare,
    variance: readingVariance(doubted),
    growth: Float64Array.from(meanC, (c) => fluidGrowth(circuit.fluid, meanC[0]!, c)),
    away: means.heat
      ? null
      : emittersCool(
          r.tS,
          meanC,
          r.tS.map((_, i) => apartK(r.flowC[i], r.returnC[i])),
          switches,
          circuit.fluid,
          meanC[0]!,
        ),
    blind: means.heat,
    heatGuessed: means.heat !== null && means.heat.switchS.length > 0 && switches.length === 0,
    pumpedTimes: points.pumpedTimes,
    watched: events.some((e) => shutsAValve(e.kind)),
    fillOn: open.fill,
    coilOn: open.coil,
    boilerOn: open.boiler,
    tapped: open.tapped,
    ...modelDoubts(bare, doubted),
    modelErrorS,
    errorKept: errorKeptAt(tS, modelErrorS),
    jumpBar: pumpJumps(tS, switches),
    meanGaugeBar: meanOverTime(tS, gaugeBar),
    topGaugeBar: top.gaugeBar,
    letGo: null,
    easedHotBar: easedHotBar(gaugeBar, meanC, stepBar),
    heldBelowPeak: heldBelowPeak(gaugeBar, meanC, r.tS, stepBar, top),
    temperatures: means.source,
    readErrorK: means.source === 'none' || !sensed ? 0 : READ_SENSOR_K,
    firstC: meanC[0]!,
  };
  allowForRelief(track, meanC, circuit, stepBar, (i, withinS) => heatIsOff(i, tS, meanC, switches, withinS), top);
  allowForNotedLifts(track, meanC, log, stepBar);
  return track;
}

/** Range of a log's pressures, bar; of a hand's log that was found cold, with no more than a little of what fell below that. */
function rangeOf(gaugeBar: number[], meanC: number[], coldestC: number, sensed: boolean): number {
  const lowest = Math.min(...gaugeBar),
    foundCold = meanC[0]! - coldestC < FOUND_COLD_K;
  return Math.max(...gaugeBar) - (foundCold && !sensed ? Math.max(lowest, gaugeBar[0]! - FALLS_COUNT_BAR) : lowest);
}

/** Where a stretch begins in which no unknown water was let in or out, and what was drawn off by measure: what was measured is known,
 *  whatever else moves water by hand is not. */
function waterMoved(tS: number[], events: readonly LogEvent[], movedS: readonly number[]): Pick<LogTrack, 'starts' | 'drawnL'> {
  const starts = new Uint8Array(tS.length),
    drawnL = new Float64Array(tS.length);
  starts[0] = 1;
  let next = 0;
  tS.forEach((t, i) => {
    for (; next < events.length && events[next]!.tS <= t + 1e-9; next++) {
      const { kind, volumeL } = events[next]!;
      if (kind === 'drawn-off' && volumeL !== undefined) drawnL[i]! += volumeL;
      else if (movesWater(kind)) starts[i] = 1;
    }
  });
  for (const s of movedS) starts[tS.findIndex((t) => t >= s)] = 1;
  return { starts, drawnL };
}

/** A pump that starts or stops with the heat moves a gauge that does not stand where it leaves the pressure alone, bar. Common practice. */
const PUMP_JUMP_BAR = 0.025;
function pumpJumps(tS: Float64Array, switches: readonly HeatSwitch[]): Float64Array {
  const jumpBar = new Float64Array(tS.length);
  for (const { tS: s } of switches) {
    const near = [...tS.keys()].filter((i) => i > 0 && s > tS[i - 1]! - EVENT_OFF_S && s <= tS[i]! + EVENT_OFF_S);
    for (const i of near) jumpBar[i] = PUMP_JUMP_BAR / Math.sqrt(near.length);
  }
  return jumpBar;
}

/** Whether the heat is off at a point, or was put off within so many seconds of it: as was written down, else as the temperatures say
 *  before it and after. */
function heatIsOff(i: number, tS: Float64Array, meanC: number[], switches: readonly HeatSwitch[], withinS = 0): boolean {
  const last = switches.findLast((s) => s.tS <= tS[i]! + withinS);
  if (last) return !last.on;
  if (switches.length) return switches[0]!.on;
  return meanC[i]! < meanC[i - 1]! && (i + 1 >= tS.length || meanC[i + 1]! <= meanC[i]!);
}

/** How long the model's error lasts on the way to each point, s. */
function errorLastsS(tS: Float64Array, closelyS: LogPoints['closelyS']): Float64Array {
  const slow = Math.max(LEAST_ERROR_S, ERROR_SPAN_SHARE * (tS.at(-1)! - tS[0]!));
  return tS.map((t) => (closelyS && t > closelyS[0] && t <= closelyS[1] ? LEAST_ERROR_S : slow));
}

/** Flow less return; null where one was not read. */
const apartK = (flowC: number | null | undefined, returnC: number | null | undefined): number | null =>
  flowC == null || returnC == null ? null : flowC - returnC;

/** Mean of readings over the time that they stand for; the plain mean where all are of one moment. */
function meanOverTime(tS: ArrayLike<number>, x: ArrayLike<number>): number {
  const n = x.length,
    overS = tS[n - 1]! - tS[0]!;
  let sum = 0;
  for (let i = 1; i < n; i++) sum += ((tS[i]! - tS[i - 1]!) * (x[i]! + x[i - 1]!)) / 2;
  return overS > 0 ? sum / overS : Array.from(x).reduce((a, b) => a + b, 0) / n;
}
