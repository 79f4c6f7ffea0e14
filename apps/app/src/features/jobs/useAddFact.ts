import { useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { v7 } from 'uuid';
import type { FactBody, FactRecord, JobParts } from '@jumper/contract';
import { useStore } from '../../offline/SyncProvider';
import { writer } from '../firm/firm';
import { jobKey } from './jobData';

/** Adds a fact to a job: on the device first, on screen at once, to the server when it can. Resolves to the fact's id. */
export function useAddFact(jobId: string) {
  const { sync } = useStore();
  const client = useQueryClient();
  return useCallback(
    async (body: FactBody, correctsId?: string): Promise<string> => {
      const fact: FactRecord = {
        id: v7(),
        jobId,
        recordedAt: new Date().toISOString(),
        ...(correctsId ? { correctsId } : {}),
        ...writer(),
        body,
      };
      await sync.save([{ kind: 'fact', record: fact }]);
      client.setQueryData<JobParts | null>(jobKey(jobId), (old) => (old ? { ...old, facts: [...old.facts, fact] } : old));
      void client.invalidateQueries({ queryKey: ['records', 'jobs'] });
      return fact.id;
    },
    [sync, client, jobId],
  );
}
