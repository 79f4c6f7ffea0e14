import { useMemo } from 'react';
import { jobToCase, type JobParts } from '@jumper/contract';
import type { Diagnosis, Finding } from '@jumper/core';
import { Notice } from '../../ui/Notice';
import { useUnits } from '../units/UnitsProvider';
import { findingText } from './recordRows';
import { setTitle, shareText } from './suspects';
import { useDiagnosis } from './useDiagnosis';

/** What one finding did: the judge is asked again without it, and the two answers are set side by side. */
export function FindingEffect({ parts, factId, now }: { parts: JobParts; factId: string; now: Diagnosis | null }) {
  const { units } = useUnits();
  const fact = parts.facts.find((f) => f.id === factId);
  const without = useMemo(() => jobToCase({ ...parts, facts: parts.facts.filter((f) => f.id !== factId) }), [parts, factId]);
  const before = useDiagnosis(fact ? without : null);
  if (fact?.body.kind !== 'finding') return null;
  return <Notice kind="note" title={findingText(fact.body.finding as unknown as Finding, units)} live>{now && before.data ? effectText(before.data, now) : 'Working out what that means …'}</Notice>;
}

export function effectText(before: Diagnosis, now: Diagnosis): string {
  const lead = (now.now ?? now).hypotheses[0], was = before.now ?? before;
  if (!lead) return 'No change.';
  const share = was.hypotheses.find((h) => h.faults.join() === lead.faults.join())?.probability ?? 0;
  const title = setTitle(lead.faults);
  if (Math.abs(share - lead.probability) < 0.03) return `Hardly moves the ranking: ${title} stays at ${shareText(lead.probability)}.`;
  return `${title}: ${shareText(share)} before, ${shareText(lead.probability)} now.`;
}
