import { useMemo, useSyncExternalStore } from 'react';
import { jobToCase, type JobParts } from '@jumper/contract';
import { coolingTime, type CoolingTime } from '@jumper/core';

const STEP_MS = 15_000;
/** A clock that ticks four times a minute: cooling is slow. */
const clock = {
  subscribe: (heard: () => void) => {
    const t = setInterval(heard, STEP_MS);
    return () => clearInterval(t);
  },
  now: () => Math.floor(Date.now() / STEP_MS) * STEP_MS,
};

/** How long until the job's circuit is cool enough to be opened; null where it need not be, or no temperature was read. */
export function useCooling(parts: JobParts, belowC: number | undefined): CoolingTime | null {
  const nowMs = useSyncExternalStore(clock.subscribe, clock.now);
  const log = useMemo(() => jobToCase(parts).logs?.at(-1) ?? null, [parts]);
  return belowC === undefined || !log ? null : coolingTime(log, belowC, log.startedAt ? (nowMs - Date.parse(log.startedAt)) / 1000 : 0);
}

export const isWaited = (cooling: CoolingTime | null): cooling is CoolingTime => cooling !== null && cooling.minutes > 0;
