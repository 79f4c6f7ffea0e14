import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { v7 } from 'uuid';
import type { FactRecord } from '@jumper/contract';
import { useStore } from '../../offline/SyncProvider';
import { photoList, type PhotoNote } from './photoList';

/** The photos of a circuit over all its visits: a valve looks the same next year. */
export function useCircuitPhotos(circuitId: string) {
  const { db } = useStore();
  return useQuery({
    queryKey: ['records', 'photos', circuitId],
    queryFn: async () => {
      const jobs = await db.getAllFromIndex('job', 'circuitId', circuitId);
      return (await Promise.all(jobs.map(async (j) => photoList(await db.getAllFromIndex('fact', 'jobId', j.id)))))
        .flat()
        .sort((a, b) => b.at.localeCompare(a.at));
    },
    networkMode: 'always',
    staleTime: Infinity,
  });
}

/** A picture as an address that an image takes; null while it is not on this device and the server is away. */
export function usePhoto(jobId: string, photo: string) {
  const { sync } = useStore();
  return useQuery({
    queryKey: ['photo', photo],
    queryFn: async () => {
      const jpeg = await sync.photo(jobId, photo);
      return jpeg ? dataAddress(jpeg) : null;
    },
    networkMode: 'always',
    staleTime: (q) => (q.state.data ? Infinity : 0),
    gcTime: 60_000,
  });
}

export async function dataAddress(jpeg: ArrayBuffer): Promise<string> {
  return new Promise((done, failed) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.onerror = () => failed(reader.error ?? new Error('The picture could not be read.'));
    reader.readAsDataURL(new Blob([jpeg], { type: 'image/jpeg' }));
  });
}

/** Keeps a photo and what it shows, both or none; and takes one back. */
export function usePhotoWork() {
  const { sync } = useStore();
  const client = useQueryClient();
  const save = useCallback(
    async (jobId: string, body: FactRecord['body'], more: { correctsId?: string; jpeg?: ArrayBuffer } = {}) => {
      const now = new Date().toISOString(),
        fact: FactRecord = { id: v7(), jobId, recordedAt: now, ...(more.correctsId ? { correctsId: more.correctsId } : {}), body };
      await sync.save([
        ...(more.jpeg && body.kind === 'photo' ? [{ kind: 'photo' as const, record: { id: body.photo, jobId, jpeg: more.jpeg } }] : []),
        { kind: 'fact', record: fact },
      ]);
      await client.invalidateQueries({ queryKey: ['records'] });
    },
    [sync, client],
  );
  return {
    keep: (jobId: string, of: string, jpeg: ArrayBuffer) =>
      save(jobId, { kind: 'photo', at: new Date().toISOString(), photo: v7(), of }, { jpeg }),
    takeOut: (p: PhotoNote) => save(p.jobId, { kind: 'retraction', at: new Date().toISOString() }, { correctsId: p.factId }),
  };
}
