import { changes, errorAnswer, type Changes, type Problem } from '@jumper/contract';
import type { OutboxEntry, PhotoRecord } from '../offline/database';

/** `later`: no network, or a server that is away; nothing is lost by trying again. */
export type PutAnswer = { kind: 'sent' } | { kind: 'refused'; code: string; problems: Problem[] } | { kind: 'later' };

export interface Api {
  put(entry: OutboxEntry): Promise<PutAnswer>;
  /** Null when the server cannot be reached. */
  changesAfter(revision: number): Promise<Changes | null>;
  /** Null when the server cannot be reached or has no such picture. */
  photo(jobId: string, id: string): Promise<ArrayBuffer | null>;
}

function pathOf({ kind, record }: OutboxEntry): string {
  const r = record as { id: string; circuitId?: string; jobId?: string };
  switch (kind) {
    case 'circuit':
      return `/api/circuits/${r.id}`;
    case 'sheet':
      return `/api/circuits/${r.circuitId}/sheets/${r.id}`;
    case 'job':
      return `/api/jobs/${r.id}`;
    case 'fact':
      return `/api/jobs/${r.jobId}/facts/${r.id}`;
    case 'photo':
      return photoPath(r.jobId!, r.id);
  }
}

/** Where a picture lives on the server. */
export const photoPath = (jobId: string, id: string): string => `/api/jobs/${jobId}/photos/${id}`;

const TIMEOUT_MS = 15_000;

export function createApi(fetcher: typeof fetch = (...a) => fetch(...a)): Api {
  const ask = async (path: string, init?: RequestInit) => {
    try {
      return await fetcher(path, { ...init, signal: AbortSignal.timeout(TIMEOUT_MS) });
    } catch {
      return null;
    }
  };
  return {
    async put(entry) {
      const answer = await ask(
        pathOf(entry),
        entry.kind === 'photo'
          ? { method: 'PUT', headers: { 'content-type': 'image/jpeg' }, body: (entry.record as PhotoRecord).jpeg }
          : { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify(entry.record) },
      );
      if (!answer || answer.status >= 500 || answer.status === 408 || answer.status === 429) return { kind: 'later' };
      if (answer.ok) return { kind: 'sent' };
      const said = errorAnswer.safeParse(await answer.json().catch(() => null));
      // An answer that is not ours comes from something in between (a captive portal): try again later.
      return said.success ? { kind: 'refused', code: said.data.code, problems: said.data.problems ?? [] } : { kind: 'later' };
    },
    async changesAfter(revision) {
      const answer = await ask(`/api/changes?after=${revision}`);
      if (!answer?.ok) return null;
      const parsed = changes.safeParse(await answer.json().catch(() => null));
      return parsed.success ? parsed.data : null;
    },
    async photo(jobId, id) {
      const answer = await ask(photoPath(jobId, id));
      return answer?.ok && answer.headers.get('content-type') === 'image/jpeg' ? answer.arrayBuffer() : null;
    },
  };
}
