import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { EVENT_OFF_S } from '../../log/PressureLog';
import type { HeatSwitch } from './heatSwitched';
import type { LogTrack } from './LogTrack';
import type { LogPoints } from './logPoints';

/** The model's own error while nothing is heated, bar, and when warm as a share of the log's range: logged temperatures, and those read by
 *  hand or not at all. Set by the evaluation on plants of another physics. */
const IDLE_ERROR_BAR = 0.012,
  STICTION_SHARE = 0.2,
  STAIR_SHARE = 0.25,
  WARM_ERROR = 0.06,
  WARM_ERROR_ROUGH = 0.09,
  LEAST_SPAN_K = 8;
/** What moves the pressure cold (water coming in, water lost) keeps no law to the last hundredth either: share of how far it has moved. */
const MOVED_ERROR = 0.05;

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

/** Error of reading a dial, as a share of its division. Common practice. */
const READING_SHARE = 0.2;

/** What the doubts of a log's points hang on. */
export interface Doubted {
  points: LogPoints;
  switches: readonly HeatSwitch[];
  circuit: ResolvedCircuit;
  /** Whether a sensor logged it. */
  sensed: boolean;
  /** To what the pressures were rounded, bar. */
  stepBar: number;
  coldestC: number;
  /** Range of the log, as far as it says how well heat is foretold, bar. */
  rangeBar: number;
}

/** Variance of each point's own error, bar²: a person reads a needle between two marks, and not always with the same care; what was read
 *  while water ran in or out, or after a peak that nobody read, says little. */
export function readingVariance({ points: { r, means, underWay }, switches, circuit, sensed, stepBar, rangeBar }: Doubted): Float64Array {
  const handBar = sensed ? 0 : READING_SHARE * circuit.gaugeStepBar;
  const variance = Float64Array.from(r.count, (count) => ((stepBar * stepBar) / 12 + handBar * handBar) / Math.min(count, 3) + 1e-4);
  for (const i of underWay) variance[i]! += rangeBar * rangeBar;
  for (const i of fellFromUnseenPeak(r, means.meanC, switches, stepBar)) variance[i]! += (r.gaugeBar[i - 1]! - r.gaugeBar[i]!) ** 2;
  return variance;
}

/** Between readings so far apart a peak goes unseen, s; what counts as a fall after it, bar; and how much colder it may be read, K. */
const UNSEEN_S = 240,
  FELL_UNSEEN_BAR = 0.25,
  COOLED_UNSEEN_K = 1.5;

/** Points before which the heat went off, between two readings, and the pressure fell though the water is read no colder: it had been
 *  warmer meanwhile, and where no vessel is in play that is a bar. */
function fellFromUnseenPeak({ tS, gaugeBar }: LogPoints['r'], meanC: number[], switches: readonly HeatSwitch[], stepBar: number): number[] {
  const afterOff = switches.filter((s) => !s.on).map((s) => tS.findIndex((t) => t > s.tS));
  const fell = (i: number) => gaugeBar[i - 1]! - gaugeBar[i]! > Math.max(FELL_UNSEEN_BAR, 2 * stepBar);
  return afterOff.filter((i) => i > 0 && tS[i]! - tS[i - 1]! >= UNSEEN_S && fell(i) && meanC[i]! > meanC[i - 1]! - COOLED_UNSEEN_K);
}

/** How warm each point is, how far the mean temperature is doubted there, and how far the model. */
export function modelDoubts(
  track: Pick<LogTrack, 'n' | 'tS' | 'gaugeBar' | 'starts' | 'spanK'>,
  { points: { means }, switches, circuit, sensed, stepBar, coldestC, rangeBar }: Doubted,
): Pick<LogTrack, 'warmth' | 'temperatureErrorK' | 'modelErrorBar'> {
  const { n, tS, gaugeBar, starts } = track,
    blind = means.source === 'none';
  const warmth = new Float64Array(n),
    temperatureErrorK = new Float64Array(n),
    modelErrorBar = new Float64Array(n);
  // A needle sticks. A sensor does not, but one that rounds coarsely is off to one side until the next step.
  const stuckBar = sensed ? STAIR_SHARE * stepBar : STICTION_SHARE * circuit.gaugeStepBar;
  const spanC = Math.max(LEAST_SPAN_K, track.spanK),
    warmError = (blind || !sensed ? WARM_ERROR_ROUGH : WARM_ERROR) * rangeBar;
  let began = gaugeBar[0]!,
    tailK = 0;
  for (let i = 0; i < n; i++) {
    const heatK = means.meanC[i]! - coldestC,
      paceKPerS = paceAt(i, tS, means.meanC, switches);
    tailK = Math.max(TAIL_SHARE * heatK, i > 0 ? tailK * Math.exp(-(tS[i]! - tS[i - 1]!) / TAIL_S) : 0);
    warmth[i] = Math.sqrt(heatK / spanC);
    temperatureErrorK[i] =
      IDLE_ERROR_K +
      (tailK - TAIL_SHARE * heatK) +
      (blind
        ? WARM_ERROR_BLIND_K * warmth[i]! + EVENT_ERROR_S * paceKPerS
        : WARM_ERROR_K * warmth[i]! + (sensed ? SENSOR_LATE_S : HAND_LATE_S) * paceKPerS + means.guessedK[i]!);
    if (starts[i]) began = gaugeBar[i]!;
    modelErrorBar[i] = IDLE_ERROR_BAR + stuckBar + Math.max(warmError * warmth[i]!, MOVED_ERROR * Math.abs(gaugeBar[i]! - began));
  }
  return { warmth, temperatureErrorK, modelErrorBar };
}

/** How fast the mean temperature goes round a point, K/s; not what it does after the heat was switched, well after the point. */
function paceAt(i: number, tS: Float64Array, meanC: number[], switches: readonly HeatSwitch[]): number {
  const between = (a: number, b: number) => {
    if (a < 0 || b >= tS.length) return 0;
    if (a === i && switches.some((s) => s.tS > tS[a]! + EVENT_OFF_S && s.tS <= tS[b]!)) return 0;
    return Math.abs(meanC[b]! - meanC[a]!) / Math.max(30, tS[b]! - tS[a]!);
  };
  return Math.max(between(i - 1, i), between(i, i + 1));
}
