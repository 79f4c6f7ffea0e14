import { useSyncExternalStore } from 'react';
import { coolingTime, type CoolingTime, type PressureLog } from '@jumper/core';

const STEP_MS = 15_000;
/** A clock that ticks four times a minute: cooling is slow. */
const clock = {
  subscribe: (heard: () => void) => {
    const t = setInterval(heard, STEP_MS);
    return () => clearInterval(t);
  },
  now: () => Math.floor(Date.now() / STEP_MS) * STEP_MS,
};

/** How long until a circuit is, by its last log, cool enough to be opened; null where it need not be, or no temperature was read. */
export function useCooling(log: PressureLog | null, belowC: number | undefined): CoolingTime | null {
  const nowMs = useSyncExternalStore(clock.subscribe, clock.now);
  return belowC === undefined || !log ? null : coolingTime(log, belowC, log.startedAt ? (nowMs - Date.parse(log.startedAt)) / 1000 : 0);
}

export const isWaited = (cooling: CoolingTime | null): cooling is CoolingTime => cooling !== null && cooling.minutes > 0;
