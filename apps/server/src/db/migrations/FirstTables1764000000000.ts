import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Every row belongs to a company, in its key: two companies can hold the same id and never see each other's. Records are only added; the
 *  company's revision counts them in the order in which they were committed. */
export class FirstTables1764000000000 implements MigrationInterface {
  name = 'FirstTables1764000000000';

  async up(q: QueryRunner): Promise<void> {
    await q.query(
      `CREATE TABLE "company" ("id" uuid NOT NULL, "name" text NOT NULL, "revision" bigint NOT NULL DEFAULT 0, "epoch" uuid NOT NULL, CONSTRAINT "company_pk" PRIMARY KEY ("id"))`,
    );
    const common = `"company_id" uuid NOT NULL, "id" uuid NOT NULL, "revision" bigint NOT NULL, "sha256" text NOT NULL, "record" jsonb NOT NULL, "received_at" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now()`;
    await q.query(
      `CREATE TABLE "circuit" (${common}, CONSTRAINT "circuit_pk" PRIMARY KEY ("company_id", "id"), CONSTRAINT "circuit_company_fk" FOREIGN KEY ("company_id") REFERENCES "company"("id") ON DELETE CASCADE)`,
    );
    await q.query(
      `CREATE TABLE "sheet" (${common}, "circuit_id" uuid NOT NULL, CONSTRAINT "sheet_pk" PRIMARY KEY ("company_id", "id"), CONSTRAINT "sheet_circuit_fk" FOREIGN KEY ("company_id", "circuit_id") REFERENCES "circuit"("company_id", "id") ON DELETE CASCADE)`,
    );
    await q.query(
      `CREATE TABLE "job" (${common}, "circuit_id" uuid NOT NULL, "opened_at" TIMESTAMP WITH TIME ZONE NOT NULL, CONSTRAINT "job_pk" PRIMARY KEY ("company_id", "id"), CONSTRAINT "job_circuit_fk" FOREIGN KEY ("company_id", "circuit_id") REFERENCES "circuit"("company_id", "id") ON DELETE CASCADE)`,
    );
    await q.query(
      `CREATE TABLE "fact" (${common}, "job_id" uuid NOT NULL, "kind" text NOT NULL, "at" TIMESTAMP WITH TIME ZONE NOT NULL, "corrects_id" uuid, CONSTRAINT "fact_pk" PRIMARY KEY ("company_id", "id"), CONSTRAINT "fact_job_fk" FOREIGN KEY ("company_id", "job_id") REFERENCES "job"("company_id", "id") ON DELETE CASCADE)`,
    );
    for (const table of ['circuit', 'sheet', 'job', 'fact'])
      await q.query(`CREATE UNIQUE INDEX "${table}_revision" ON "${table}" ("company_id", "revision")`);
    await q.query(`CREATE INDEX "fact_of_job" ON "fact" ("company_id", "job_id")`);
    await q.query(`CREATE INDEX "sheet_of_circuit" ON "sheet" ("company_id", "circuit_id")`);
    await q.query(`CREATE INDEX "job_of_circuit" ON "job" ("company_id", "circuit_id")`);
  }

  async down(q: QueryRunner): Promise<void> {
    for (const table of ['fact', 'job', 'sheet', 'circuit', 'company']) await q.query(`DROP TABLE "${table}"`);
  }
}
