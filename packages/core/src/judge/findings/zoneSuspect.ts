import { has } from '../faultGroups';
import type { FaultId } from '../faults';
import type { Finding } from '../Finding';

/** Faults that sit in one zone and leave the others sound. */
const IN_ONE_ZONE: FaultId[] = [
  'zone-valve-stuck-closed',
  'zone-valve-end-switch-failed',
  'flow-check-leaking',
  'air-locked-branch',
  'branch-restricted',
  'mixing-valve-misset',
  'controls-no-call',
];

/** Which of several zones a fault sits in, as the findings come in: what is sound in one zone does not clear another. */
export interface ZoneSuspect {
  /** Likelihood of a finding, from what it would have with the fault in its zone and with its zone sound; learns from it. */
  weigh(zone: string, withFault: number, sound: number): number;
}

/** @returns null where the set has no fault of one zone, or not more than one zone was tested: then every finding is read as of that one */
export function zoneSuspect(findings: readonly Finding[], faults: readonly FaultId[]): ZoneSuspect | null {
  if (!has(faults, ...IN_ONE_ZONE)) return null;
  const zones = new Set(findings.flatMap((f) => (typeof f.zone === 'string' ? [f.zone] : [])));
  if (zones.size < 2) return null;
  const shares = new Map([...zones].map((zone) => [zone, 1 / zones.size]));
  return {
    weigh(tested, withFault, sound) {
      const here = shares.get(tested)!,
        likelihood = here * withFault + (1 - here) * sound;
      for (const [zone, share] of shares) shares.set(zone, (share * (zone === tested ? withFault : sound)) / likelihood);
      return likelihood;
    },
  };
}
