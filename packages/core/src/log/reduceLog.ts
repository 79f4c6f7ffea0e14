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
  const pool = newPool();
  let cut = 0;
  const flush = () => {
    if (pool.n === 0) return;
    out.tS.push(pool.t / pool.n);
    out.gaugeBar.push(pool.p / pool.n);
    out.count.push(pool.n);
    out.flowC.push(pool.nFlow ? pool.flow / pool.nFlow : null);
    out.returnC.push(pool.nReturn ? pool.ret / pool.nReturn : null);
    Object.assign(pool, newPool());
  };
  for (let i = 0; i < tS.length; i++) {
    const p = pressureBar[i];
    if (p === null || p === undefined) continue;
    const t = tS[i]!;
    let passed = false;
    while (cut < cuts.length && cuts[cut]! <= t) {
      cut++;
      passed = true;
    }
    if (pool.n > 0 && (passed || t - pool.first >= sliceS - HAIR_S)) flush();
    if (pool.n === 0) pool.first = t;
    pool.n++;
    pool.t += t;
    pool.p += p;
    const f = flowC?.[i];
    if (f !== null && f !== undefined) {
      pool.flow += f;
      pool.nFlow++;
    }
    const r = returnC?.[i];
    if (r !== null && r !== undefined) {
      pool.ret += r;
      pool.nReturn++;
    }
  }
  flush();
  return out;
}

const newPool = () => ({ n: 0, t: 0, p: 0, first: 0, flow: 0, nFlow: 0, ret: 0, nReturn: 0 });

/** Whether more than so many of the readings hold a value. */
function holdsMoreThan(most: number, values: readonly (number | null)[]): boolean {
  let held = 0;
  return values.some((v) => v !== null && ++held > most);
}
