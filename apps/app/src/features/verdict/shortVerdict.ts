import type { JobParts } from '@jumper/contract';
import { lowerFirst, testRow, type Diagnosis } from '@jumper/core';
import { buildName } from '../../offline/buildName';
import type { VerdictRecord } from '../../offline/database';
import { leadOf, nextTest, setTitle, verdict } from '../bench/suspects';
import { caseKey } from '../bench/useDiagnosis';
import { PROOF_HEADLINES, type ProofView } from '../proof/proofView';
import { workState } from '../work/workState';

/** What a list keeps of the judge's answer. */
export function shortVerdict(parts: JobParts, diagnosis: Diagnosis, proof: ProofView | null): VerdictRecord {
  const judgement = diagnosis.now ?? diagnosis,
    lead = leadOf(judgement);
  return {
    jobId: parts.job.id,
    key: caseKey(parts),
    build: buildName(),
    kind: verdict(diagnosis).kind,
    faults: lead?.faults ?? ['none'],
    likely: (lead?.probability ?? 0) >= 0.5,
    nextTest: nextTest(judgement, workState(parts).skips),
    proof: proof?.kind ?? null,
  };
}

/** The same in a line: what is likely wrong, and what to do next. */
export function verdictText(v: VerdictRecord): string {
  if (v.proof) return PROOF_HEADLINES[v.proof];
  const next =
    v.nextTest && v.kind !== 'sound' ? `${v.kind === 'found' ? 'To be sure' : 'Next'}: ${lowerFirst(testRow(v.nextTest).title)}` : '';
  const said =
    v.kind === 'sound'
      ? 'Looks sound'
      : v.kind === 'found'
        ? setTitle(v.faults)
        : v.likely
          ? `${setTitle(v.faults)}, likely`
          : 'Not clear yet';
  return [said, next].filter(Boolean).join('. ');
}
