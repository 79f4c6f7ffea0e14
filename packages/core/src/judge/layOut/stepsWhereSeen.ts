import { EVENT_OFF_S, type LogEvent } from '../../log/PressureLog';

/** Which way the pressure goes when water is let in or out. */
const GOES: Partial<Record<LogEvent['kind'], 1 | -1>> = { 'top-up': 1, 'fill-opened': 1, vented: -1, drained: -1, 'drawn-off': -1 };
/** Whether an event lets water in or out at once. */
export const movesWater = (kind: LogEvent['kind']): boolean => GOES[kind] !== undefined;
/** A step counts from here, bar, or from one step of the readings' own. */
const LEAST_BAR = 0.06;
/** The rest of a step, read in between, counts from this share of it, where it is seen through the readings' own steps: so many of them. */
const REST_SHARE = 0.2,
  REST_STEPS = 1.5;
/** Water runs in or out for so long, s, and readings taken meanwhile show neither what was before nor what is after. Common practice. */
const RUNS_S = 120;

export interface StepsSeen {
  /** The events, sorted by time. */
  events: LogEvent[];
  /** Readings that were taken while water ran in or out. */
  underWay: number[];
}

/** Events that move the pressure at once, set to the first reading that shows all of it: times are noted to about a minute, and whoever
 *  tops up reads the gauge just before or just after. Events that show no step, and all others, stay where they were noted.
 *  @param tS, gaugeBar the readings @param stepBar to what they were rounded */
export function stepsWhereSeen(noted: readonly LogEvent[], tS: readonly number[], gaugeBar: readonly number[], stepBar: number): StepsSeen {
  const least = Math.max(LEAST_BAR, stepBar) - 1e-9,
    underWay: number[] = [];
  const events = noted
    .map((e) => {
      const way = GOES[e.kind];
      if (way === undefined) return e;
      const stepTo = (i: number) => way * (gaugeBar[i]! - gaugeBar[i - 1]!);
      let seen = -1;
      for (let i = 1; i < tS.length && tS[i - 1]! <= e.tS + EVENT_OFF_S; i++)
        if (tS[i]! >= e.tS - EVENT_OFF_S && stepTo(i) > (seen < 0 ? least : stepTo(seen))) seen = i;
      if (seen < 0) return e;
      const rest = Math.min(least, Math.max(REST_SHARE * stepTo(seen), REST_STEPS * stepBar));
      let first = seen,
        last = seen;
      while (first > 1 && stepTo(first - 1) > rest && tS[seen]! - tS[first - 1]! <= RUNS_S) first--;
      while (last + 1 < tS.length && stepTo(last + 1) > rest && tS[last + 1]! - tS[seen]! <= RUNS_S) last++;
      for (let i = first; i < last; i++) underWay.push(i);
      return { ...e, tS: tS[last]! };
    })
    .sort((a, b) => a.tS - b.tS);
  return { events, underWay };
}
