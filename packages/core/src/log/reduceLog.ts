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
  const { tS, pressureBar } = log.samples;
  const cuts = [...new Set((log.events ?? []).flatMap((e) => (e.kind === 'note' ? [] : [e.tS])))].sort((a, b) => a - b);
  const used = pressureBar.reduce<number>((n, p) => n + (p === null ? 0 : 1), 0);
  const span = (tS.at(-1) ?? 0) - (tS[0] ?? 0);
  const sliceS = used <= most ? 0 : span / most;
  const out: ReducedLog = { tS: [], gaugeBar: [], count: [], flowC: [], returnC: [] };
  let from = -1,
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
    if (from >= 0 && (passed || t - tS[from]! >= sliceS - HAIR_S)) {
      addPoint(out, log, from, i);
      from = -1;
    }
    if (from < 0) from = i;
  }
  if (from >= 0) addPoint(out, log, from, tS.length);
  return out;
}

/** Adds the mean of the readings from one on to before another. */
function addPoint(out: ReducedLog, { samples: { tS, pressureBar, flowC, returnC } }: PressureLog, from: number, to: number): void {
  let n = 0,
    sumS = 0,
    sumBar = 0,
    nFlow = 0,
    sumFlowC = 0,
    nReturn = 0,
    sumReturnC = 0;
  for (let i = from; i < to; i++) {
    const p = pressureBar[i];
    if (p === null || p === undefined) continue;
    n++;
    sumS += tS[i]!;
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
  out.tS.push(sumS / n);
  out.gaugeBar.push(sumBar / n);
  out.count.push(n);
  out.flowC.push(nFlow ? sumFlowC / nFlow : null);
  out.returnC.push(nReturn ? sumReturnC / nReturn : null);
}
