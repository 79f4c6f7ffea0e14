import { useQuery } from '@tanstack/react-query';
import type { FactRecord, JobParts, JobRecord, SheetRecord } from '@jumper/contract';
import type { Database } from '../../offline/database';
import { useStore } from '../../offline/SyncProvider';

export const latestSheet = (sheets: SheetRecord[]): SheetRecord | undefined =>
  sheets.reduce<SheetRecord | undefined>(
    (best, s) => (!best || s.recordedAt > best.recordedAt || (s.recordedAt === best.recordedAt && s.id > best.id) ? s : best),
    undefined,
  );

async function loadJob(db: Database, id: string): Promise<JobParts | null> {
  const job = await db.get('job', id);
  if (!job) return null;
  const [sheets, facts] = await Promise.all([
    db.getAllFromIndex('sheet', 'circuitId', job.circuitId),
    db.getAllFromIndex('fact', 'jobId', id),
  ]);
  const sheet = latestSheet(sheets);
  return sheet ? { job, sheet, facts } : null;
}

async function loadJobs(db: Database): Promise<JobParts[]> {
  const [jobs, sheets, facts] = await Promise.all([db.getAll('job'), db.getAll('sheet'), db.getAll('fact')]);
  return joinJobs(jobs, sheets, facts);
}

/** Jobs with their newest sheet and their facts, in one pass over each table. */
export function joinJobs(jobs: JobRecord[], sheets: SheetRecord[], facts: FactRecord[]): JobParts[] {
  const sheetsOf = groupBy(sheets, (s) => s.circuitId),
    factsOf = groupBy(facts, (f) => f.jobId);
  return jobs.flatMap((job) => {
    const sheet = latestSheet(sheetsOf.get(job.circuitId) ?? []);
    return sheet ? [{ job, sheet, facts: factsOf.get(job.id) ?? [] }] : [];
  });
}

export const jobKey = (id: string) => ['records', 'job', id] as const;

/** Reads are local: they work with no network, and never wait for it. */
export function useJob(id: string) {
  const { db } = useStore();
  return useQuery({ queryKey: jobKey(id), queryFn: () => loadJob(db, id), networkMode: 'always', staleTime: Infinity });
}

export function useJobs() {
  const { db } = useStore();
  return useQuery({ queryKey: ['records', 'jobs'], queryFn: () => loadJobs(db), networkMode: 'always', staleTime: Infinity });
}

export function groupBy<T>(items: T[], keyOf: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}

/** Every version of a circuit's sheet, the newest first. */
export function useSheetVersions(circuitId: string) {
  const { db } = useStore();
  return useQuery({
    queryKey: ['records', 'sheets', circuitId],
    queryFn: async () =>
      (await db.getAllFromIndex('sheet', 'circuitId', circuitId)).sort((a, b) => b.recordedAt.localeCompare(a.recordedAt)),
    networkMode: 'always',
    staleTime: Infinity,
  });
}
