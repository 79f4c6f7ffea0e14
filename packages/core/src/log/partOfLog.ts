import type { PressureLog } from './PressureLog';

/** The part of a log from one time to another, s from its start, the first included and the last not; times stay counted from the log's
 *  start. */
export function partOfLog(log: PressureLog, fromS: number, toS: number): PressureLog {
  const within = (tS: number) => tS >= fromS && tS < toS;
  const { tS, pressureBar, flowC, returnC } = log.samples;
  const of = <T>(values: T[]) => values.filter((_, i) => within(tS[i]!));
  return {
    ...log,
    samples: {
      tS: of(tS),
      pressureBar: of(pressureBar),
      ...(flowC ? { flowC: of(flowC) } : {}),
      ...(returnC ? { returnC: of(returnC) } : {}),
    },
    ...(log.events ? { events: log.events.filter((e) => within(e.tS)) } : {}),
  };
}
