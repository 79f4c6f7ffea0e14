/** A running timer. Only its start is kept, so a reload, a locked phone or a closed page changes nothing. */
export interface Timer {
  id: string;
  jobId: string;
  label: string;
  startedMs: number;
  lengthS: number;
  /** The test that it belongs to; null for one that the technician set himself. */
  testId: string | null;
  /** Where a touch leads, for a timer that belongs to no test. */
  path?: string;
  /** What was typed when it began: the reading at the start of a watch. */
  startText?: string;
}

const KEY = 'jumper.timers';
const listeners = new Set<() => void>();
let cache: { text: string | null; timers: Timer[] } = { text: null, timers: [] };

/** Every running timer of this device. The same array until something changes. */
export function runningTimers(): Timer[] {
  const text = localStorage.getItem(KEY);
  if (text !== cache.text) cache = { text, timers: parse(text) };
  return cache.timers;
}

function parse(text: string | null): Timer[] {
  try {
    const value = JSON.parse(text ?? '[]') as unknown;
    return Array.isArray(value)
      ? (value as Timer[]).filter((t) => typeof t?.id === 'string' && Number.isFinite(t.startedMs) && Number.isFinite(t.lengthS))
      : [];
  } catch {
    return [];
  }
}

function keep(timers: Timer[]): void {
  localStorage.setItem(KEY, JSON.stringify(timers));
  for (const l of listeners) l();
}

/** Starts a timer; one with the same id begins anew. */
export const startTimer = (timer: Timer): void => keep([...runningTimers().filter((t) => t.id !== timer.id), timer]);
export const stopTimer = (id: string): void => keep(runningTimers().filter((t) => t.id !== id));

export function subscribeTimers(listener: () => void): () => void {
  listeners.add(listener);
  window.addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', listener);
  };
}

export const clockText = (s: number): string =>
  s >= 3600
    ? `${Math.floor(s / 3600)}:${String(Math.floor((s % 3600) / 60)).padStart(2, '0')}:${String(Math.floor(s % 60)).padStart(2, '0')}`
    : `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`;

/** Seconds gone and left at a moment; left is below 0 when it is over. */
export const timerAt = (timer: Timer, nowMs: number): { goneS: number; leftS: number } => {
  const goneS = Math.max(0, (nowMs - timer.startedMs) / 1000);
  return { goneS, leftS: timer.lengthS - goneS };
};
