import { useEffect, useState } from 'react';

interface Watch { startedMs: number; startText: string }

/** A timed watch that goes on through a reload or a locked phone: only its start is kept. */
export function useWatch(key: string) {
  const storageKey = `jumper.watch.${key}`;
  const [watch, setWatch] = useState<Watch | null>(() => JSON.parse(localStorage.getItem(storageKey) ?? 'null') as Watch | null);
  const [nowMs, setNowMs] = useState(() => Date.now());
  useEffect(() => {
    if (!watch) return;
    const timer = setInterval(() => setNowMs(Date.now()), 1000);
    return () => clearInterval(timer);
  }, [watch]);
  return {
    watch,
    elapsedS: watch ? Math.max(0, (nowMs - watch.startedMs) / 1000) : 0,
    start: (startText: string) => { const next = { startedMs: Date.now(), startText }; localStorage.setItem(storageKey, JSON.stringify(next)); setNowMs(Date.now()); setWatch(next); },
    clear: () => { localStorage.removeItem(storageKey); setWatch(null); },
  };
}

export const clockText = (s: number): string => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`;
