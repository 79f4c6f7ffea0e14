import { EntitySchema } from 'typeorm';

export interface PhotoRow {
  companyId: string;
  id: string;
  jobId: string;
  jpeg: Buffer;
  createdAt: Date;
}

export const photoEntity = new EntitySchema<PhotoRow & { job?: unknown }>({
  name: 'photo',
  columns: {
    companyId: { type: 'uuid', primary: true, name: 'company_id', primaryKeyConstraintName: 'photo_pk' },
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'photo_pk' },
    jobId: { type: 'uuid', name: 'job_id' },
    jpeg: { type: 'bytea' },
    createdAt: { type: 'timestamptz', name: 'created_at', default: () => 'now()' },
  },
  indices: [{ name: 'photo_of_job', columns: ['companyId', 'jobId'] }],
  relations: {
    job: {
      type: 'many-to-one',
      target: 'job',
      onDelete: 'CASCADE',
      joinColumn: [
        { name: 'company_id', referencedColumnName: 'companyId', foreignKeyConstraintName: 'photo_job_fk' },
        { name: 'job_id', referencedColumnName: 'id', foreignKeyConstraintName: 'photo_job_fk' },
      ],
    },
  },
});
