import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import type { LogEvent, PressureLog } from '../../log/PressureLog';
import { reduceLog, type ReducedLog } from '../../log/reduceLog';
import { unsaidTopUps } from '../../log/unsaidTopUps';
import { meanTemperatures, type MeanTemperatures } from './meanTemperatures';
import { pointsOfDays } from './pointsOfDays';
import { pumpRuns, timesPumped } from './pumpRuns';
import { stepsWhereSeen } from './stepsWhereSeen';

/** A visit is thinned by averages; a log of days, that holds more readings than a hand takes, to blocks of minutes, and these to where they
 *  tell most. */
const A_VISIT_S = 6 * 3600,
  BY_HAND = 88,
  MOST_BLOCKS = 3000;

/** A log thinned to its informative points. */
export interface LogPoints {
  r: ReducedLog;
  means: MeanTemperatures;
  events: LogEvent[];
  /** Points read while water ran in or out. */
  underWay: number[];
  /** When water had come in or gone out that nobody can foretell: a unit's pump had lifted the pressure, or a cycle that is left out went to
   *  where a relief may lift, s. */
  movedS: number[];
  /** How often a unit's pump lifted the pressure. */
  pumpedTimes: number;
  /** From when to when a log of days is laid out as closely as a visit, s. */
  closelyS: [number, number] | null;
}

/** Points of a log that are worth a place, with what was done and how warm the water was; null where it holds fewer than two pressures. */
export function logPoints(log: PressureLog, stepBar: number, circuit: ResolvedCircuit): LogPoints | null {
  const { tS } = log.samples;
  const long = (tS.at(-1) ?? 0) - (tS[0] ?? 0) > A_VISIT_S && tS.length > BY_HAND;
  const r = long ? reduceLog(log, MOST_BLOCKS) : reduceLog(log);
  const n = r.tS.length;
  if (n < 2) return null;
  const { events, underWay } = stepsWhereSeen(
    [...(log.events ?? []), ...unsaidTopUps(log, stepBar)].sort((a, b) => a.tS - b.tS),
    r.tS,
    r.gaugeBar,
    stepBar,
  );
  const means = meanTemperatures(r, events, circuit, log);
  // A run of minutes is seen in the blocks only: between the points kept of days it would be a slow rise.
  const runs = pumpRuns(r.gaugeBar, r.tS, means.meanC, circuit);
  const { kept, evenGaugeBar, closely, anew } = long
    ? pointsOfDays(r, means.meanC, stepBar, circuit.reliefSetGaugeBar)
    : { kept: [...Array(n).keys()], evenGaugeBar: r.gaugeBar, closely: null, anew: [] };
  const of = <T>(values: T[]) => kept.map((i) => values[i]!);
  return {
    r: { tS: of(r.tS), gaugeBar: of(evenGaugeBar), count: of(r.count), flowC: of(r.flowC), returnC: of(r.returnC) },
    means: { ...means, meanC: of(means.meanC), guessedK: of(means.guessedK) },
    events,
    underWay: underWay.map((i) => kept.indexOf(i)).filter((i) => i >= 0),
    pumpedTimes: timesPumped(runs),
    movedS: [...runs, ...anew].map((i) => r.tS[i]!),
    closelyS: closely && [r.tS[closely.from]!, r.tS[closely.to]!],
  };
}
