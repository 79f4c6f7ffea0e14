import { useLayoutEffect, useRef } from 'react';

export type Shortcuts = Record<string, () => void>;

/** Keys of a wide screen's keyboard. Not while something is typed, nor with a modifier held, nor where a control has its own use for the
 *  key. */
export function useShortcuts(keys: Shortcuts): void {
  const latest = useRef(keys);
  useLayoutEffect(() => {
    latest.current = keys;
  });
  // With the first paint: a key pressed on what is seen counts.
  useLayoutEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || e.defaultPrevented) return;
      const on = e.target instanceof HTMLElement ? e.target : null;
      const typing = on?.matches('input, textarea, select, [contenteditable]') ?? false;
      if (typing && e.key !== 'Escape') return;
      // Enter and space press what has the focus.
      if ((e.key === 'Enter' || e.key === ' ') && on?.closest('button, a, [role=button], [role=slider]')) return;
      const act = latest.current[e.key];
      if (!act) return;
      e.preventDefault();
      act();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
}
