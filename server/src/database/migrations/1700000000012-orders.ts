import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a job holds besides its claims, what a part on the shelf is offered for, reservations, and suppliers' lists. */
export class Orders1700000000012 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE job ADD COLUMN content jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(content) = 'object');
      ALTER TABLE specimen ADD COLUMN shelf jsonb CHECK (jsonb_typeof(shelf) = 'object');

      CREATE TABLE reservation (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        specimen_id uuid NOT NULL REFERENCES specimen (id),
        job_id uuid NOT NULL REFERENCES job (id),
        who text NOT NULL,
        at timestamptz NOT NULL,
        released_at timestamptz,
        released_by text,
        CHECK ((released_at IS NULL) = (released_by IS NULL))
      );
      -- A part is put aside for one job at a time, whoever asks, on however many servers.
      CREATE UNIQUE INDEX reservation_held ON reservation (specimen_id) WHERE released_at IS NULL;
      CREATE INDEX reservation_job ON reservation (job_id);

      CREATE TABLE supplier (
        id text PRIMARY KEY CHECK (id ~ '^[a-z0-9][a-z0-9-]{0,79}$'),
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
        currency text NOT NULL CHECK (currency ~ '^[A-Z]{3}$'),
        address text CHECK (length(address) <= 400),
        etag text,
        as_of timestamptz,
        asked_at timestamptz,
        problem text,
        left_out jsonb NOT NULL DEFAULT '[]'
      );
      CREATE TABLE price_line (
        supplier_id text NOT NULL REFERENCES supplier (id) ON DELETE CASCADE,
        position integer NOT NULL,
        sought text NOT NULL,
        content jsonb NOT NULL,
        PRIMARY KEY (supplier_id, position)
      );
      CREATE INDEX price_line_sought ON price_line (sought);
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP TABLE price_line;
      DROP TABLE supplier;
      DROP TABLE reservation;
      ALTER TABLE specimen DROP COLUMN shelf;
      ALTER TABLE job DROP COLUMN content;
    `);
  }
}
