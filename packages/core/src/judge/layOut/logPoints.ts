import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { keepPeaks } from '../../log/keepPeaks';
import { bySensor, type LogEvent, type PressureLog } from '../../log/PressureLog';
import { reduceLog, type ReducedLog } from '../../log/reduceLog';
import { unsaidTopUps } from '../../log/unsaidTopUps';
import { meanTemperatures, type MeanTemperatures } from './meanTemperatures';
import { pumpRuns } from './pumpRuns';
import { stepsWhereSeen } from './stepsWhereSeen';

/** A visit is thinned by averages; a log of days is laid out in blocks of minutes, of which each slice gives its first, lowest, highest and
 *  last, so that every heat cycle's cold and hot ends stay what they were. */
const A_VISIT_S = 6 * 3600,
  MOST_BLOCKS = 3000,
  DAY_SLICES = 22;

/** A log thinned to its informative points. */
export interface LogPoints {
  r: ReducedLog;
  means: MeanTemperatures;
  events: LogEvent[];
  /** Points read while water ran in or out. */
  underWay: number[];
  /** When a unit's pump had lifted the pressure, s. */
  runsS: number[];
}

/** Points of a log that are worth a place, with what was done and how warm the water was; null where it holds fewer than two pressures. */
export function logPoints(log: PressureLog, stepBar: number, circuit: ResolvedCircuit): LogPoints | null {
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
