import { COLD_BELOW_C } from '../../log/cycleFeatures';
import type { PressureLog } from '../../log/PressureLog';

/** Whether a log is one reading of a circuit found hot. */
export const isOneHotReading = ({ samples: { pressureBar, flowC } }: PressureLog): boolean =>
  pressureBar.length === 1 && pressureBar[0] !== null && (flowC?.[0] ?? 0) >= COLD_BELOW_C;
/** What was read once stood there for a minute. */
export function heldAMinute(log: PressureLog): PressureLog {
  const { tS, pressureBar, flowC, returnC } = log.samples,
    twice = <T>(values: T[]): T[] => [values[0]!, values[0]!];
  return {
    ...log,
    samples: {
      tS: [tS[0]!, tS[0]! + 60],
      pressureBar: twice(pressureBar),
      ...(flowC ? { flowC: twice(flowC) } : {}),
      ...(returnC ? { returnC: twice(returnC) } : {}),
    },
  };
}
