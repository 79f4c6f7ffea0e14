import type { Changes, CircuitRecord, FactRecord, JobRecord, SheetRecord } from '@jumper/contract';
import type { PutOutcome } from '../../http/answerPut';

export interface RecordOf {
  circuit: CircuitRecord;
  sheet: SheetRecord;
  job: JobRecord;
  fact: FactRecord;
}
export type RecordKind = keyof RecordOf;

/** Where a company's records are kept. Routes know only this. */
export interface RecordStore {
  put<K extends RecordKind>(companyId: string, kind: K, record: RecordOf[K]): Promise<PutOutcome>;
  /** Everything added after a revision, oldest first, at most `limit` records. */
  changesAfter(companyId: string, revision: number, limit: number): Promise<Changes>;
}
