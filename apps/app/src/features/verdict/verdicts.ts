import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import type { JobParts } from '@jumper/contract';
import type { Diagnosis } from '@jumper/core';
import { useEffect, useMemo } from 'react';
import { buildName } from '../../offline/buildName';
import type { Database, VerdictRecord } from '../../offline/database';
import { useStore } from '../../offline/SyncProvider';
import { caseKey, diagnosisQuery } from '../bench/useDiagnosis';
import { proofView, type ProofView } from '../proof/proofView';
import { METRIC } from '../units/units';
import { judgedCase, useVanParts, vanParts } from '../van/van';
import { shortVerdict } from './shortVerdict';

const KEY = ['verdicts'];

/** The verdicts that still speak of their job as it stands, by job; null until they are read off the device. */
export function useVerdicts(jobs: readonly JobParts[]): ReadonlyMap<string, VerdictRecord> | null {
  const { db } = useStore();
  const { data } = useQuery({ queryKey: KEY, queryFn: () => db.getAll('verdict'), networkMode: 'always', staleTime: Infinity });
  const van = useVanParts();
  return useMemo(() => (data ? standing(data, jobs, buildName(), van) : null), [data, jobs, van]);
}

/** Of what was kept, what this build said of these jobs as they stand. */
export function standing(
  kept: readonly VerdictRecord[],
  jobs: readonly JobParts[],
  build = buildName(),
  van = vanParts(),
): ReadonlyMap<string, VerdictRecord> {
  const keys = new Map(jobs.map((j) => [j.job.id, caseKey(j, van)]));
  return new Map(kept.filter((v) => keys.get(v.jobId) === v.key && v.build === build).map((v) => [v.jobId, v]));
}

async function keep(db: Database, client: QueryClient, record: VerdictRecord): Promise<void> {
  await db.put('verdict', record);
  await client.invalidateQueries({ queryKey: KEY });
}

/** Keeps what the bench was told, once it is settled. */
export function useKeepVerdict(parts: JobParts, settled: Diagnosis | null, proof: ProofView | null): void {
  const { db } = useStore();
  const client = useQueryClient();
  useEffect(() => {
    if (settled) void keep(db, client, shortVerdict(parts, settled, proof));
  }, [db, client, parts, settled, proof]);
}

/** Asks the judge about open jobs that no verdict is kept of, one after the other, for as long as the list is looked at. A job that is
 *  opened meanwhile goes first. */
export function useFillVerdicts(jobs: readonly JobParts[], known: ReadonlyMap<string, VerdictRecord> | null): void {
  const { db } = useStore();
  const client = useQueryClient();
  const next = known ? jobs.find((j) => !known.has(j.job.id)) : undefined,
    key = next ? caseKey(next) : null;
  useEffect(() => {
    if (!next || key === null) return;
    let gone = false;
    const file = judgedCase(next);
    // Overtaken or failed: the list does without, until it is opened again.
    client.fetchQuery(diagnosisQuery(db, file, key, 'list')).then(
      (d) => (gone ? undefined : keep(db, client, shortVerdict(next, d, proofView(next, file, d, METRIC)))),
      () => undefined,
    );
    return () => {
      gone = true;
    };
    // The key names the job with all that is known of it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [db, client, key]);
}
