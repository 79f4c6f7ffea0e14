import { useMemo } from 'react';
import { jobToCase, type JobParts } from '@jumper/contract';
import type { TestId } from '@jumper/core';
import { caseKey, useDiagnosis } from '../bench/useDiagnosis';
import { isProposed } from './proposed';

/** Whether the judge, as it stands on a job, asks for this test by itself. */
export function useProposed(parts: JobParts, test: TestId): boolean {
  const file = useMemo(() => jobToCase(parts), [parts]);
  const { data: diagnosis } = useDiagnosis(file, caseKey(parts));
  return isProposed(diagnosis, test);
}
