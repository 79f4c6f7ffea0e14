import { useEffect, useState, useSyncExternalStore } from 'react';
import { runningTimers, subscribeTimers, type Timer } from './timers';

/** Running timers that `belongs` names, and the time of day, every second while there are any. */
export function useTimers(belongs: (t: Timer) => boolean): { timers: Timer[]; nowMs: number } {
  const all = useSyncExternalStore(subscribeTimers, runningTimers);
  const timers = all.filter(belongs);
  const [nowMs, setNowMs] = useState(() => Date.now());
  const any = timers.length > 0;
  useEffect(() => {
    if (!any) return;
    const tick = () => setNowMs(Date.now());
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, [any]);
  return { timers, nowMs };
}
