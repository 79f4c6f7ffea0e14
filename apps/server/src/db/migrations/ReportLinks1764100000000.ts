import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Links under which a customer reads a report. Only the digest of a link's key is kept: who reads the table cannot open a report with it.
 */
export class ReportLinks1764100000000 implements MigrationInterface {
  name = 'ReportLinks1764100000000';

  async up(q: QueryRunner): Promise<void> {
    await q.query(
      `CREATE TABLE "report_link" ("company_id" uuid NOT NULL, "id" uuid NOT NULL, "job_id" uuid NOT NULL, "key_sha256" text NOT NULL, "report" jsonb NOT NULL, "created_at" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(), "expires_at" TIMESTAMP WITH TIME ZONE NOT NULL, "revoked_at" TIMESTAMP WITH TIME ZONE, CONSTRAINT "report_link_pk" PRIMARY KEY ("company_id", "id"), CONSTRAINT "report_link_job_fk" FOREIGN KEY ("company_id", "job_id") REFERENCES "job"("company_id", "id") ON DELETE CASCADE)`,
    );
    await q.query(`CREATE UNIQUE INDEX "report_link_key" ON "report_link" ("key_sha256")`);
    await q.query(`CREATE INDEX "report_link_of_job" ON "report_link" ("company_id", "job_id")`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP TABLE "report_link"`);
  }
}
