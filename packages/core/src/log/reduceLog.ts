import { HAIR_S } from './hair';
import type { PressureLog } from './PressureLog';

/** The informative part of a log: at most `most` points, each the mean of what was read close together. */
export interface ReducedLog {
  tS: number[];
  gaugeBar: number[];
  /** How many raw readings stand behind each point. */
  count: number[];
  flowC: (number | null)[];
  returnC: (number | null)[];
}

/** Thins a log by averaging in equal slices of time, never across an event that may move anything, and keeps hand logs as they are. Linear
 *  in the input.
 *  @param log pressures may be null (skipped); tS must not decrease
 *  @param most target number of points, at least 10 */
export function reduceLog(log: PressureLog, most = 100): ReducedLog {
  const { tS, pressureBar, flowC, returnC } = log.samples;
  const cuts = [...new Set((log.events ?? []).flatMap((e) => (e.kind === 'note' ? [] : [e.tS])))].sort((a, b) => a - b);
  const span = (tS.at(-1) ?? 0) - (tS[0] ?? 0);
  const sliceS = holdsMoreThan(most, pressureBar) ? span / most : 0;
  const out: ReducedLog = { tS: [], gaugeBar: [], count: [], flowC: [], returnC: [] };
  // Sums in plain variables, of which nothing holds on to any: a month of seconds comes through here twice.
  let n = 0,
    first = 0,
    sumS = 0,
    sumBar = 0,
    nFlow = 0,
    sumFlowC = 0,
    nReturn = 0,
    sumReturnC = 0,
    cut = 0;
  for (let i = 0; i < tS.length; i++) {
    const p = pressureBar[i];
    if (p === null || p === undefined) continue;
    const t = tS[i]!;
    let passed = false;
    while (cut < cuts.length && cuts[cut]! <= t) {
      cut++;
      passed = true;
    }
    if (n > 0 && (passed || t - first >= sliceS - HAIR_S)) {
      addPoint(out, n, sumS, sumBar, nFlow, sumFlowC, nReturn, sumReturnC);
      n = sumS = sumBar = nFlow = sumFlowC = nReturn = sumReturnC = 0;
    }
    if (n === 0) first = t;
    n++;
    sumS += t;
    sumBar += p;
    const f = flowC?.[i];
    if (f !== null && f !== undefined) {
      sumFlowC += f;
      nFlow++;
    }
    const r = returnC?.[i];
    if (r !== null && r !== undefined) {
      sumReturnC += r;
      nReturn++;
    }
  }
  if (n > 0) addPoint(out, n, sumS, sumBar, nFlow, sumFlowC, nReturn, sumReturnC);
  return out;
}

/** Adds the mean of so many readings. */
function addPoint(
  out: ReducedLog,
  n: number,
  sumS: number,
  sumBar: number,
  nFlow: number,
  sumFlowC: number,
  nReturn: number,
  sumReturnC: number,
): void {
  out.tS.push(sumS / n);
  out.gaugeBar.push(sumBar / n);
  out.count.push(n);
  out.flowC.push(nFlow ? sumFlowC / nFlow : null);
  out.returnC.push(nReturn ? sumReturnC / nReturn : null);
}

/** Whether more than so many of the readings hold a value. */
function holdsMoreThan(most: number, values: readonly (number | null)[]): boolean {
  let held = 0;
  return values.some((v) => v !== null && ++held > most);
}
