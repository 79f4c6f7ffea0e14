import { EntitySchema } from 'typeorm';
import type { CustomerReport } from '@jumper/contract';

export interface LinkRow {
  companyId: string;
  id: string;
  jobId: string;
  keySha256: string;
  report: CustomerReport;
  createdAt: Date;
  expiresAt: Date;
  revokedAt: Date | null;
}

export const linkEntity = new EntitySchema<LinkRow & { job?: unknown }>({
  name: 'report_link',
  columns: {
    companyId: { type: 'uuid', primary: true, name: 'company_id', primaryKeyConstraintName: 'report_link_pk' },
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'report_link_pk' },
    jobId: { type: 'uuid', name: 'job_id' },
    keySha256: { type: 'text', name: 'key_sha256' },
    report: { type: 'jsonb' },
    createdAt: { type: 'timestamptz', name: 'created_at', default: () => 'now()' },
    expiresAt: { type: 'timestamptz', name: 'expires_at' },
    revokedAt: { type: 'timestamptz', name: 'revoked_at', nullable: true },
  },
  indices: [
    { name: 'report_link_key', columns: ['keySha256'], unique: true },
    { name: 'report_link_of_job', columns: ['companyId', 'jobId'] },
  ],
  relations: {
    job: {
      type: 'many-to-one',
      target: 'job',
      onDelete: 'CASCADE',
      joinColumn: [
        { name: 'company_id', referencedColumnName: 'companyId', foreignKeyConstraintName: 'report_link_job_fk' },
        { name: 'job_id', referencedColumnName: 'id', foreignKeyConstraintName: 'report_link_job_fk' },
      ],
    },
  },
});
