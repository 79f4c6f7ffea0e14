import { useState } from 'react';

/** Something half entered, kept on the device until it is finished or given up. What cannot be read is dropped. */
export function useDraft<T extends object>(key: string, blank: T): { value: T; set: (value: T) => void; clear: () => void } {
  const [value, setValue] = useState<T>(() => readDraft(key, blank));
  return {
    value,
    set: (next) => {
      localStorage.setItem(key, JSON.stringify(next));
      setValue(next);
    },
    clear: () => localStorage.removeItem(key),
  };
}

/** Exported for its test. */
export function readDraft<T extends object>(key: string, blank: T): T {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? 'null') as T | null;
    return kept && Object.keys(blank).every((k) => k in kept) ? kept : blank;
  } catch {
    return blank;
  }
}
