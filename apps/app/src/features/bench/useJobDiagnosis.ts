import type { JobParts } from '@jumper/contract';
import { useMemo } from 'react';
import { judgedCase, useVanParts } from '../van/van';
import { caseKey, useDiagnosis } from './useDiagnosis';

/** A job as a case file, and the judge's answer for it. */
export function useJobDiagnosis(parts: JobParts) {
  const van = useVanParts(),
    file = useMemo(() => judgedCase(parts, van), [parts, van]);
  return { file, judged: useDiagnosis(file, caseKey(parts, van)) };
}
