import { EntitySchema, type EntitySchemaColumnOptions, type ValueTransformer } from 'typeorm';

export interface CompanyRow {
  id: string;
  name: string;
  revision: number;
  epoch: string;
}
export interface RecordRow {
  companyId: string;
  id: string;
  revision: number;
  sha256: string;
  record: unknown;
  receivedAt: Date;
}
export interface SheetRow extends RecordRow {
  circuitId: string;
}
export interface JobRow extends RecordRow {
  circuitId: string;
  openedAt: Date;
}
export interface FactRow extends RecordRow {
  jobId: string;
  kind: string;
  at: Date;
  correctsId: string | null;
}

/** bigint arrives as text; revisions stay far below 2^53. */
const bigintAsNumber: ValueTransformer = { to: (n: number) => n, from: (s: string) => Number(s) };

const columns = (table: string): Record<keyof RecordRow, EntitySchemaColumnOptions> => ({
  companyId: { type: 'uuid', primary: true, name: 'company_id', primaryKeyConstraintName: `${table}_pk` },
  id: { type: 'uuid', primary: true, primaryKeyConstraintName: `${table}_pk` },
  revision: { type: 'bigint', transformer: bigintAsNumber },
  sha256: { type: 'text' },
  record: { type: 'jsonb' },
  receivedAt: { type: 'timestamptz', name: 'received_at', default: () => 'now()' },
});

const parent = (fk: string, target: string, of: 'circuitId' | 'jobId' | null) => ({
  type: 'many-to-one' as const,
  target,
  onDelete: 'CASCADE' as const,
  joinColumn: [
    { name: 'company_id', referencedColumnName: of ? 'companyId' : 'id', foreignKeyConstraintName: fk },
    ...(of ? [{ name: of === 'circuitId' ? 'circuit_id' : 'job_id', referencedColumnName: 'id', foreignKeyConstraintName: fk }] : []),
  ],
});

const byRevision = (table: string) => ({ name: `${table}_revision`, columns: ['companyId', 'revision'], unique: true });

export const companyEntity = new EntitySchema<CompanyRow>({
  name: 'company',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'company_pk' },
    name: { type: 'text' },
    revision: { type: 'bigint', default: 0, transformer: bigintAsNumber },
    epoch: { type: 'uuid' },
  },
});

export const circuitEntity = new EntitySchema<RecordRow & { company?: unknown }>({
  name: 'circuit',
  columns: columns('circuit'),
  indices: [byRevision('circuit')],
  relations: { company: parent('circuit_company_fk', 'company', null) },
});

export const sheetEntity = new EntitySchema<SheetRow & { circuit?: unknown }>({
  name: 'sheet',
  columns: { ...columns('sheet'), circuitId: { type: 'uuid', name: 'circuit_id' } },
  indices: [byRevision('sheet'), { name: 'sheet_of_circuit', columns: ['companyId', 'circuitId'] }],
  relations: { circuit: parent('sheet_circuit_fk', 'circuit', 'circuitId') },
});

export const jobEntity = new EntitySchema<JobRow & { circuit?: unknown }>({
  name: 'job',
  columns: { ...columns('job'), circuitId: { type: 'uuid', name: 'circuit_id' }, openedAt: { type: 'timestamptz', name: 'opened_at' } },
  indices: [byRevision('job'), { name: 'job_of_circuit', columns: ['companyId', 'circuitId'] }],
  relations: { circuit: parent('job_circuit_fk', 'circuit', 'circuitId') },
});

export const factEntity = new EntitySchema<FactRow & { job?: unknown }>({
  name: 'fact',
  columns: {
    ...columns('fact'),
    jobId: { type: 'uuid', name: 'job_id' },
    kind: { type: 'text' },
    at: { type: 'timestamptz' },
    correctsId: { type: 'uuid', name: 'corrects_id', nullable: true },
  },
  indices: [byRevision('fact'), { name: 'fact_of_job', columns: ['companyId', 'jobId'] }],
  relations: { job: parent('fact_job_fk', 'job', 'jobId') },
});
