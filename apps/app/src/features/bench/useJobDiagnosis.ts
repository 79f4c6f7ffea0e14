import { jobToCase, type JobParts } from '@jumper/contract';
import { useMemo } from 'react';
import { caseKey, useDiagnosis } from './useDiagnosis';

/** A job as a case file, and the judge's answer for it. */
export function useJobDiagnosis(parts: JobParts) {
  const file = useMemo(() => jobToCase(parts), [parts]);
  return { file, judged: useDiagnosis(file, caseKey(parts)) };
}
