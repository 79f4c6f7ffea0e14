import { coolingOf } from '../../log/coolingTime';
import { COLD_BELOW_C } from '../../log/cycleFeatures';
import { logEndS, heatIsOn, isHeatSwitch, type PressureLog } from '../../log/PressureLog';
import type { Finding } from '../Finding';
import { testRow, type TestId } from '../tests';

/** What a test has to wait for before it can be done: water `cool` enough to be opened, a circuit cold enough to stand `still`, `rested` for
 *  some hours without heat, or `hot` water. */
export interface Wait {
  until: 'cool' | 'still' | 'rested' | 'hot';
  minutes: number;
}

/** How warm a circuit was left, as far as its last log tells. */
export interface LeftWarm {
  /** °C; null where nothing tells. */
  nowC: number | null;
  /** The heat is on, or was put on for a test since. */
  heated: boolean;
  /** Without heat for so long, min; null where nothing tells, 0 where it is still hot. */
  restedMin: number | null;
  /** Until the water is below a temperature, min; 0 where nothing tells. */
  minutesTo(belowC: number): number;
}

/** How warm the circuit was left: by its last log, and by the time since then, where findings say when they were made. Where no temperature
 *  was read since the heat was put on, the water is taken to be as hot as the boiler makes it.
 *  @param maxFlowC the boiler's limit */
export function leftWarm(logs: readonly PressureLog[], findings: readonly Finding[], maxFlowC: number): LeftWarm {
  const last = logs.at(-1);
  if (!last) return { nowC: null, heated: false, restedMin: null, minutesTo: () => 0 };
  const nowS = logEndS(last) + sinceS(logs, findings),
    cooling = coolingOf(withLimitWhereUnread(last, maxFlowC), nowS);
  const offS = last.events?.findLast(isHeatSwitch)?.tS,
    on = heatIsOn(last),
    nowC = cooling?.nowC ?? null;
  const restedMin =
    on || (offS === undefined && nowC !== null && nowC >= COLD_BELOW_C) ? 0 : offS === undefined ? null : (nowS - offS) / 60;
  const heated = on || findings.some((f) => testRow(f.test).hotAboveC !== undefined);
  return { nowC, heated, restedMin, minutesTo: (belowC) => cooling?.minutesTo(belowC) ?? 0 };
}

/** What a test waits for, the longest of it; null where it can be done at once, as far as is known. */
export function waitFor(test: TestId, left: LeftWarm): Wait | null {
  const { coolBelowC, stillBelowC, restedH, hotAboveC } = testRow(test),
    minutesTo = (belowC: number | undefined) => (belowC === undefined ? 0 : left.minutesTo(belowC));
  const waits: Wait[] = [
    { until: 'cool', minutes: minutesTo(coolBelowC) },
    { until: 'still', minutes: minutesTo(stillBelowC) },
    { until: 'rested', minutes: restedH === undefined || left.restedMin === null ? 0 : 60 * restedH - left.restedMin },
    { until: 'hot', minutes: isTooCold(hotAboveC, left) ? HEATING_UP_MIN : 0 },
  ];
  const longest = waits.reduce((a, b) => (b.minutes > a.minutes ? b : a)),
    minutes = Math.round(longest.minutes);
  return minutes > 0 ? { until: longest.until, minutes } : null;
}

/** Until a boiler that was lit has warmed its pipes, min; common practice. */
const HEATING_UP_MIN = 10;
const isTooCold = (aboveC: number | undefined, { nowC, heated }: LeftWarm): boolean =>
  aboveC !== undefined && nowC !== null && !heated && nowC < aboveC;

/** From the last log's end to the latest finding that says when it was made, s; 0 where none does, or nobody knows how far apart the logs
 *  lie. Findings count their time from the first log's start. */
function sinceS(logs: readonly PressureLog[], findings: readonly Finding[]): number {
  const latestS = Math.max(...findings.map((f) => f.atS ?? 0), 0),
    [first] = logs,
    last = logs.at(-1)!;
  const laterS = first === last ? 0 : (Date.parse(last.startedAt ?? '') - Date.parse(first!.startedAt ?? '')) / 1000;
  return Number.isFinite(laterS) ? Math.max(0, latestS - laterS - logEndS(last)) : 0;
}

/** The log with the boiler's limit for a temperature at its last switching, where none was read since the heat went on. */
function withLimitWhereUnread(log: PressureLog, maxFlowC: number): PressureLog {
  const { tS, flowC = [] } = log.samples,
    switches = (log.events ?? []).filter(isHeatSwitch);
  const onS = switches.findLast((e) => e.kind === 'heat-on')?.tS ?? (switches.length > 0 ? 0 : null);
  if (onS === null || tS.some((t, i) => t >= onS && flowC[i] != null)) return log;
  return { ...log, samples: { tS: [switches.at(-1)!.tS], pressureBar: [null], flowC: [maxFlowC] } };
}
