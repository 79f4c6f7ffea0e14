import { useSyncExternalStore } from 'react';
import { jobToCase, type JobParts } from '@jumper/contract';
import { REPLACEABLE_PARTS, type Case, type ReplaceablePart } from '@jumper/core';

const KEY = 'jumper.van';
const heard = new Set<() => void>();
let said: readonly ReplaceablePart[] | null = null;

/** Parts that go along in the van, said once for all jobs of this device; none where nobody said. */
export function vanParts(): readonly ReplaceablePart[] {
  return (said ??= stored());
}

export function sayVanParts(parts: readonly ReplaceablePart[]): void {
  // In one order, so that the same van is the same question to the judge.
  said = REPLACEABLE_PARTS.filter((p) => parts.includes(p));
  localStorage.setItem(KEY, JSON.stringify(said));
  for (const tell of heard) tell();
}

const subscribe = (tell: () => void) => {
  heard.add(tell);
  return () => heard.delete(tell);
};
const NOTHING: readonly ReplaceablePart[] = [];
export const useVanParts = (): readonly ReplaceablePart[] => useSyncExternalStore(subscribe, vanParts, () => NOTHING);

/** What the judge is asked of a job: its case, with what is in the van. */
export function judgedCase(parts: JobParts, van: readonly ReplaceablePart[] = vanParts()): Case {
  const file = jobToCase(parts);
  return van.length > 0 ? { ...file, partsInHand: [...van] } : file;
}

function stored(): readonly ReplaceablePart[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? REPLACEABLE_PARTS.filter((p) => kept.includes(p)) : NOTHING;
  } catch {
    return NOTHING;
  }
}
