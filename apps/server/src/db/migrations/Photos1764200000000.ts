import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Pictures of circuits, kept apart from the facts that name them so that the change feed stays light. */
export class Photos1764200000000 implements MigrationInterface {
  name = 'Photos1764200000000';

  async up(q: QueryRunner): Promise<void> {
    await q.query(
      `CREATE TABLE "photo" ("company_id" uuid NOT NULL, "id" uuid NOT NULL, "job_id" uuid NOT NULL, "jpeg" bytea NOT NULL, "created_at" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(), CONSTRAINT "photo_pk" PRIMARY KEY ("company_id", "id"), CONSTRAINT "photo_job_fk" FOREIGN KEY ("company_id", "job_id") REFERENCES "job"("company_id", "id") ON DELETE CASCADE)`,
    );
    await q.query(`CREATE INDEX "photo_of_job" ON "photo" ("company_id", "job_id")`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query(`DROP TABLE "photo"`);
  }
}
