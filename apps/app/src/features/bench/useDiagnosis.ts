import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { FactBody, JobParts } from '@jumper/contract';
import type { Case, ReplaceablePart } from '@jumper/core';
import { useSyncExternalStore } from 'react';
import { buildName } from '../../offline/buildName';
import type { Database } from '../../offline/database';
import { useStore } from '../../offline/SyncProvider';
import { vanParts } from '../van/van';
import { answered } from '../verdict/answers';
import { askJudge, judgeProgress, Overtaken, type Line } from '../../workers/judgeClient';

/** Names a job's case by the records that it is made of. They never change, so neither does the case; a month's log is not spelled out. */
const JUDGED = new Set<string>(['reading', 'event', 'finding', 'repair', 'log', 'retraction'] satisfies FactBody['kind'][]);

/** Changes when what the judge is asked changes, and with nothing else: a photo or a ticked step asks nothing new. */
export const caseKey = (parts: JobParts, van: readonly ReplaceablePart[] = vanParts()): string =>
  [parts.job.id, parts.sheet.id, ...van, ...parts.facts.flatMap((f) => (JUDGED.has(f.body.kind) ? [f.id] : [])).sort()].join();

/** A question to the judge, as whoever asks the same one shares it; answered at once where it was answered before. */
export const diagnosisQuery = (db: Database, input: Case, key: string, line: Line = 'now') => ({
  queryKey: ['diagnosis', key],
  queryFn: () => answered(db, buildName(), key, () => askJudge(input, line)),
  networkMode: 'always' as const,
  staleTime: Infinity,
  gcTime: 60_000,
});

/** The judge's answer for a case. While a new one is worked out the last stays; `isPlaceholderData` says so. */
export function useDiagnosis(input: Case | null, key: string, line: Line = 'now') {
  const { db } = useStore();
  return useQuery({
    ...diagnosisQuery(db, input!, key, line),
    enabled: input !== null,
    placeholderData: keepPreviousData,
    retry: (times, error) => error instanceof Overtaken && times < 3,
    retryDelay: 50,
  });
}

/** How far the judge is with what it works on, 0 to 1; null while it does nothing. */
export const useJudgeProgress = (): number | null => useSyncExternalStore(judgeProgress.subscribe, judgeProgress.now, () => null);
