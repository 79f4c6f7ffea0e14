import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Changes, CircuitRecord, FactRecord, JobRecord, Problem, SheetRecord } from '@jumper/contract';
import type { Diagnosis, FaultId, TestId } from '@jumper/core';

export interface RecordOf {
  circuit: CircuitRecord;
  sheet: SheetRecord;
  job: JobRecord;
  fact: FactRecord;
}
export type RecordKind = keyof RecordOf;
/** A picture as it goes to the server; the fact that names it says what it shows. */
export interface PhotoRecord {
  id: string;
  jobId: string;
  jpeg: ArrayBuffer;
}
export type AnyRecord = { [K in RecordKind]: { kind: K; record: RecordOf[K] } }[RecordKind];

/** What a device makes: records, and the pictures that some of them name. */
export type Made = AnyRecord | { kind: 'photo'; record: PhotoRecord };

/** A record on its way to the server. It leaves only when the server has it; refused ones stay and are shown. */
export interface OutboxEntry {
  seq?: number;
  kind: RecordKind | 'photo';
  record: RecordOf[RecordKind] | PhotoRecord;
  refused?: { code: string; problems: Problem[] };
}

/** What the judge last said of a job, as far as a list tells it. Of this device only: any other works it out for itself. */
export interface VerdictRecord {
  jobId: string;
  /** The case that it was said of; a job that went on since has another. */
  key: string;
  /** The build that said it. */
  build: string | null;
  kind: 'sound' | 'found' | 'open';
  faults: FaultId[];
  /** The first suspect is likelier than all others together. */
  likely: boolean;
  nextTest: TestId | null;
  /** Once work was done: whether it put the circuit right. */
  proof: 'pass' | 'fail' | 'unclear' | null;
}

/** A whole answer of the judge, by the build that gave it and the case that it is of. Of this device only, like the verdicts. */
export interface AnswerRecord {
  key: string;
  keptAtMs: number;
  diagnosis: Diagnosis;
}

interface Schema extends DBSchema {
  circuit: { key: string; value: CircuitRecord };
  sheet: { key: string; value: SheetRecord; indexes: { circuitId: string } };
  job: { key: string; value: JobRecord; indexes: { circuitId: string } };
  fact: { key: string; value: FactRecord; indexes: { jobId: string } };
  photo: { key: string; value: PhotoRecord };
  outbox: { key: number; value: OutboxEntry };
  meta: { key: string; value: unknown };
  verdict: { key: string; value: VerdictRecord };
  answer: { key: string; value: AnswerRecord; indexes: { keptAtMs: number } };
}

export type Database = IDBPDatabase<Schema>;

/** The device's own copy: every view reads from here, network or none. */
export function openDatabase(name = 'jumper'): Promise<Database> {
  return openDB<Schema>(name, 4, {
    upgrade(db, from) {
      if (from < 2) db.createObjectStore('photo', { keyPath: 'id' });
      if (from < 3) db.createObjectStore('verdict', { keyPath: 'jobId' });
      if (from < 4) db.createObjectStore('answer', { keyPath: 'key' }).createIndex('keptAtMs', 'keptAtMs');
      if (from > 0) return;
      db.createObjectStore('circuit', { keyPath: 'id' });
      db.createObjectStore('sheet', { keyPath: 'id' }).createIndex('circuitId', 'circuitId');
      db.createObjectStore('job', { keyPath: 'id' }).createIndex('circuitId', 'circuitId');
      db.createObjectStore('fact', { keyPath: 'id' }).createIndex('jobId', 'jobId');
      db.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true });
      db.createObjectStore('meta');
    },
  });
}

/** Writes records and queues them for the server, all or none. */
export async function saveRecords(db: Database, records: Made[]): Promise<void> {
  const tx = db.transaction(['circuit', 'sheet', 'job', 'fact', 'photo', 'outbox'], 'readwrite');
  for (const { kind, record } of records) {
    void tx.objectStore(kind).put(record as never);
    void tx.objectStore('outbox').add({ kind, record });
  }
  await tx.done;
}

/** Takes over what the server has. After a new epoch only what is still in the outbox is kept from before. */
export async function applyChanges(db: Database, changes: Changes): Promise<void> {
  const tx = db.transaction(['circuit', 'sheet', 'job', 'fact', 'photo', 'outbox', 'meta', 'verdict', 'answer'], 'readwrite');
  const epoch = await tx.objectStore('meta').get('epoch');
  if (epoch !== undefined && epoch !== changes.epoch) {
    for (const kind of ['circuit', 'sheet', 'job', 'fact', 'photo', 'verdict', 'answer'] as const) void tx.objectStore(kind).clear();
    for (const entry of await tx.objectStore('outbox').getAll()) void tx.objectStore(entry.kind).put(entry.record as never);
  }
  for (const [kind, records] of [
    ['circuit', changes.circuits],
    ['sheet', changes.sheets],
    ['job', changes.jobs],
    ['fact', changes.facts],
  ] as const)
    for (const record of records) void tx.objectStore(kind).put(record as never);
  void tx.objectStore('meta').put(changes.epoch, 'epoch');
  void tx.objectStore('meta').put(changes.revision, 'revision');
  await tx.done;
}

/** The revision up to which this device has the server's records. */
export async function seenRevision(db: Database): Promise<{ epoch: string | undefined; revision: number }> {
  return {
    epoch: (await db.get('meta', 'epoch')) as string | undefined,
    revision: ((await db.get('meta', 'revision')) as number | undefined) ?? 0,
  };
}
