import { useEffect } from 'react';

interface Lock {
  release: () => Promise<void>;
}
interface WakeLock {
  request: (type: 'screen') => Promise<Lock>;
}

/** Keeps the screen on while a log runs, where the platform can; taken again when the page comes back to the front. */
export function useWakeLock(wanted: boolean): void {
  useEffect(() => {
    const wakeLock = (navigator as Navigator & { wakeLock?: WakeLock }).wakeLock;
    if (!wanted || !wakeLock) return;
    let lock: Lock | null = null,
      ended = false;
    const take = async () => {
      if (document.visibilityState !== 'visible') return;
      // Refused on a low battery: the log goes on without it.
      const taken = await wakeLock.request('screen').catch(() => null);
      if (ended) void taken?.release();
      else lock = taken;
    };
    void take();
    const seen = () => void take();
    document.addEventListener('visibilitychange', seen);
    return () => {
      ended = true;
      document.removeEventListener('visibilitychange', seen);
      void lock?.release();
    };
  }, [wanted]);
}
