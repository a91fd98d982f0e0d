import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Imports: what was uploaded and what is to become of each of its records. Rows and references are only a working
 * table, which a crash of the database may empty; the import is then read again from its file.
 */
export class Imports1700000000003 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE import (
        id uuid PRIMARY KEY,
        file_name text NOT NULL,
        bytes bigint NOT NULL CHECK (bytes >= 0),
        who text NOT NULL CHECK (who <> ''),
        state text NOT NULL CHECK (state IN ('waiting', 'reading', 'read', 'applying', 'applied', 'cancelled', 'failed', 'interrupted')),
        progress real NOT NULL DEFAULT 0 CHECK (progress BETWEEN 0 AND 1),
        problem text,
        -- Tables found in the file with what each column was taken for, and what a person chose instead.
        tables jsonb NOT NULL DEFAULT '[]',
        choices jsonb NOT NULL DEFAULT '{}',
        counts jsonb NOT NULL DEFAULT '[]',
        revision int,
        batch uuid,
        created_at timestamptz NOT NULL DEFAULT now()
      );
      CREATE UNLOGGED TABLE import_row (
        import_id uuid NOT NULL,
        position int NOT NULL,
        place text NOT NULL,
        type text NOT NULL,
        id text NOT NULL,
        document jsonb,
        outcome text NOT NULL CHECK (outcome IN ('read', 'added', 'changed', 'same', 'refused')),
        problems jsonb NOT NULL DEFAULT '[]',
        PRIMARY KEY (import_id, position)
      );
      CREATE UNLOGGED TABLE import_reference (
        import_id uuid NOT NULL,
        position int NOT NULL,
        place text NOT NULL,
        type text NOT NULL,
        id text NOT NULL
      );
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE import_reference, import_row, import');
  }
}
