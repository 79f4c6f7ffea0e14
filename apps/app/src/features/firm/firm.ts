import { useSyncExternalStore } from 'react';

/** The firm as its papers name it, and who works with this device. Kept on the device, so that a report carries it with no network. */
export interface Firm {
  name: string;
  address: string;
  phone: string;
  /** Image of the firm's own, as a data address; null where none was chosen. */
  logo: string | null;
  technician: string;
}

const KEY = 'jumper.firm';
const NONE: Firm = { name: '', address: '', phone: '', logo: null, technician: '' };
const listeners = new Set<() => void>();
let known: { text: string | null; firm: Firm } | null = null;

/** What the device keeps; what is missing or unreadable is empty. */
export function firmOf(text: string | null): Firm {
  try {
    const kept = JSON.parse(text ?? '{}') as Partial<Record<keyof Firm, unknown>>,
      word = (v: unknown) => (typeof v === 'string' ? v : '');
    return {
      name: word(kept.name),
      address: word(kept.address),
      phone: word(kept.phone),
      technician: word(kept.technician),
      logo: typeof kept.logo === 'string' && kept.logo.startsWith('data:image/') ? kept.logo : null,
    };
  } catch {
    return NONE;
  }
}

export function keptFirm(): Firm {
  const text = typeof localStorage === 'undefined' ? null : localStorage.getItem(KEY);
  if (!known || known.text !== text) known = { text, firm: firmOf(text) };
  return known.firm;
}

/** Keeps the firm's details. Throws where the device has no room, for instance for a large picture. */
export function keepFirm(change: Partial<Firm>): void {
  localStorage.setItem(KEY, JSON.stringify({ ...keptFirm(), ...change }));
  for (const heard of listeners) heard();
}

const subscribe = (heard: () => void) => {
  listeners.add(heard);
  return () => {
    listeners.delete(heard);
  };
};
export const useFirm = (): Firm => useSyncExternalStore(subscribe, keptFirm);

/** Who writes down what is added on this device; left out where nobody said. */
export const writer = (): { by?: string } => {
  const by = keptFirm().technician.trim();
  return by ? { by: by.slice(0, 80) } : {};
};
