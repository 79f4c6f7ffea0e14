import { createHash } from 'node:crypto';
import { MoreThan, type DataSource, type EntityManager, type EntitySchema } from 'typeorm';
import type { Changes } from '@jumper/contract';
import { isParentMissing } from '../../db/isParentMissing';
import type { PutOutcome } from '../../http/answerPut';
import { circuitEntity, companyEntity, factEntity, jobEntity, sheetEntity, type RecordRow } from './records.entity';
import type { RecordKind, RecordOf, RecordStore } from './RecordStore';

const ENTITIES: Record<RecordKind, EntitySchema<RecordRow>> = {
  circuit: circuitEntity,
  sheet: sheetEntity,
  job: jobEntity,
  fact: factEntity,
} as never;

/** Columns of their own beside the record, by which rows are found and tied to their parents. */
const OWN_COLUMNS: { [K in RecordKind]: (record: RecordOf[K]) => object } = {
  circuit: () => ({}),
  sheet: (r) => ({ circuitId: r.circuitId }),
  job: (r) => ({ circuitId: r.circuitId, openedAt: new Date(r.openedAt) }),
  fact: (r) => ({ jobId: r.jobId, kind: r.body.kind, at: new Date(r.body.at), correctsId: r.correctsId ?? null }),
};

export function createRecordStore(source: DataSource): RecordStore {
  return {
    put: async (companyId, kind, record) => {
      try {
        return await source.transaction((m) => put(m, companyId, kind, record));
      } catch (error) {
        if (isParentMissing(error)) return 'parent-missing';
        throw error;
      }
    },
    changesAfter: (companyId, revision, limit) => changesAfter(source.manager, companyId, revision, limit),
  };
}

async function put<K extends RecordKind>(m: EntityManager, companyId: string, kind: K, record: RecordOf[K]): Promise<PutOutcome> {
  const sha256 = createHash('sha256').update(canonicalJson(record)).digest('hex');
  const before = await m.findOne(ENTITIES[kind], { where: { companyId, id: record.id }, select: { sha256: true } });
  if (before) return before.sha256 === sha256 ? 'kept' : 'differs';
  // The row lock puts a company's writes in one order, so that a reader who has seen revision n has seen all before it.
  await m.increment(companyEntity, { id: companyId }, 'revision', 1);
  const company = await m.findOneOrFail(companyEntity, { where: { id: companyId } });
  const row = { companyId, id: record.id, revision: company.revision, sha256, record, ...OWN_COLUMNS[kind](record) };
  const inserted = await m
    .createQueryBuilder()
    .insert()
    .into(ENTITIES[kind])
    .values(row as never)
    .orIgnore()
    .returning('id')
    .execute();
  if (inserted.raw.length > 0) return 'added';
  const raced = await m.findOneOrFail(ENTITIES[kind], { where: { companyId, id: record.id }, select: { sha256: true } });
  return raced.sha256 === sha256 ? 'kept' : 'differs';
}

async function changesAfter(m: EntityManager, companyId: string, after: number, limit: number): Promise<Changes> {
  const company = await m.findOneOrFail(companyEntity, { where: { id: companyId } });
  const kinds = Object.keys(ENTITIES) as RecordKind[];
  const found = await Promise.all(
    kinds.map(async (kind) => {
      const rows = await m.find(ENTITIES[kind], {
        where: { companyId, revision: MoreThan(after) },
        order: { revision: 'ASC' },
        take: limit,
        select: { companyId: true, id: true, revision: true, record: true } as never,
      });
      return rows.map((row) => ({ kind, revision: row.revision, record: row.record }));
    }),
  );
  const page = found
    .flat()
    .sort((a, b) => a.revision - b.revision)
    .slice(0, limit);
  const last = page.at(-1)?.revision ?? after;
  const of = <K extends RecordKind>(kind: K) => page.filter((r) => r.kind === kind).map((r) => r.record as RecordOf[K]);
  // The company row was read first: a record added since then is left for the next asking.
  return {
    epoch: company.epoch,
    revision: last,
    more: page.length === limit,
    circuits: of('circuit'),
    sheets: of('sheet'),
    jobs: of('job'),
    facts: of('fact'),
  };
}

/** The same text for the same record, whatever the order of its keys. */
function canonicalJson(value: unknown): string {
  return JSON.stringify(value, (_key, v: unknown) =>
    typeof v === 'object' && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );
}
