import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Builds: parts put together into one engine, on paper. */
export class Builds1700000000011 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE build (
        id uuid PRIMARY KEY,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
        job_id uuid REFERENCES job (id),
        variant text CHECK (length(variant) <= 80),
        content jsonb NOT NULL CHECK (jsonb_typeof(content -> 'places') = 'array' AND jsonb_typeof(content -> 'sizes') = 'array'),
        version integer NOT NULL CHECK (version > 0),
        created_at timestamptz NOT NULL,
        updated_at timestamptz NOT NULL,
        deleted_at timestamptz
      );
      CREATE INDEX build_updated ON build (updated_at DESC, id);
      CREATE INDEX build_job ON build (job_id) WHERE job_id IS NOT NULL;
      ALTER TABLE document_change DROP CONSTRAINT document_change_sort_check;
      ALTER TABLE document_change ADD CONSTRAINT document_change_sort_check
        CHECK (sort IN ('specimen', 'job', 'build', 'shop', 'photograph'));
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DELETE FROM document_change WHERE sort = 'build';
      ALTER TABLE document_change DROP CONSTRAINT document_change_sort_check;
      ALTER TABLE document_change ADD CONSTRAINT document_change_sort_check
        CHECK (sort IN ('specimen', 'job', 'shop', 'photograph'));
      DROP TABLE build;
    `);
  }
}
