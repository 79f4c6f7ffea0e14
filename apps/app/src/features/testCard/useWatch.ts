import { startTimer, stopTimer, timerAt } from '../timers/timers';
import { useTimers } from '../timers/useTimers';

/** The timed watch of one test of one job. Several may run at once; each goes on through a reload or a locked phone. */
export function useWatch({ jobId, testId, label, lengthS }: { jobId: string; testId: string; label: string; lengthS: number }) {
  const id = `${jobId}.${testId}`;
  const { timers, nowMs } = useTimers((t) => t.id === id);
  const watch = timers[0] ?? null;
  return {
    watch,
    elapsedS: watch ? timerAt(watch, nowMs).goneS : 0,
    start: (startText: string) => startTimer({ id, jobId, testId, label, lengthS, startedMs: Date.now(), startText }),
    clear: () => stopTimer(id),
  };
}
