import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Claims and service sizes among the readings; jobs, the shop's own instruments and rules, photographs, what became of
 * readings, and drills.
 */
export class Identification1700000000004 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE reading DROP CONSTRAINT reading_content_check;
      ALTER TABLE reading ADD CONSTRAINT reading_content_check CHECK (content ->> 'sort' IN ('mark', 'size', 'look', 'step', 'claim', 'unread'));
      CREATE TABLE job (
        id uuid PRIMARY KEY,
        name text NOT NULL CHECK (name <> '' AND length(name) <= 120),
        readings jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(readings) = 'array'),
        note text,
        version int NOT NULL CHECK (version >= 1),
        created_at timestamptz NOT NULL,
        updated_at timestamptz NOT NULL,
        deleted_at timestamptz
      );
      ALTER TABLE specimen ADD COLUMN job_id uuid REFERENCES job (id);
      CREATE INDEX specimen_job ON specimen (job_id) WHERE job_id IS NOT NULL;
      ALTER TABLE specimen ADD COLUMN state text;
      ALTER TABLE specimen ADD COLUMN skipped jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(skipped) = 'array');
      -- What a reading was before it was changed or removed, and who did it.
      CREATE TABLE reading_change (
        id bigserial PRIMARY KEY,
        specimen_id uuid NOT NULL REFERENCES specimen (id) ON DELETE CASCADE,
        reading_id uuid NOT NULL,
        at timestamptz NOT NULL,
        who text NOT NULL CHECK (who <> ''),
        operation text NOT NULL CHECK (operation IN ('added', 'changed', 'removed')),
        before jsonb,
        after jsonb,
        CHECK ((operation = 'added') = (before IS NULL)),
        CHECK ((operation = 'removed') = (after IS NULL))
      );
      CREATE INDEX reading_change_specimen ON reading_change (specimen_id, id);
      CREATE TABLE photograph (
        id uuid PRIMARY KEY,
        specimen_id uuid NOT NULL REFERENCES specimen (id) ON DELETE CASCADE,
        -- Readings are written anew at each change, so this names one without a key to it.
        reading_id uuid,
        name text NOT NULL CHECK (name <> '' AND length(name) <= 200),
        width int NOT NULL CHECK (width > 0),
        height int NOT NULL CHECK (height > 0),
        image bytea NOT NULL,
        thumbnail bytea NOT NULL,
        at timestamptz NOT NULL,
        who text NOT NULL CHECK (who <> ''),
        deleted_at timestamptz
      );
      CREATE INDEX photograph_specimen ON photograph (specimen_id) WHERE deleted_at IS NULL;
      CREATE TABLE shop (
        id int PRIMARY KEY CHECK (id = 1),
        document jsonb NOT NULL,
        version int NOT NULL CHECK (version >= 1)
      );
      CREATE TABLE drill (
        id uuid PRIMARY KEY,
        at timestamptz NOT NULL,
        who text NOT NULL CHECK (who <> ''),
        level text NOT NULL,
        kind text NOT NULL,
        pattern text,
        named text,
        correct boolean NOT NULL,
        minutes real NOT NULL CHECK (minutes >= 0),
        engine_minutes real NOT NULL CHECK (engine_minutes >= 0),
        wasted int NOT NULL CHECK (wasted >= 0),
        score int NOT NULL CHECK (score BETWEEN 0 AND 100)
      );
      CREATE INDEX drill_who ON drill (who, at);
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP TABLE drill, shop, photograph, reading_change;
      ALTER TABLE specimen DROP COLUMN job_id, DROP COLUMN state, DROP COLUMN skipped;
      DROP TABLE job;
      DELETE FROM reading WHERE content ->> 'sort' IN ('step', 'claim');
      ALTER TABLE reading DROP CONSTRAINT reading_content_check;
      ALTER TABLE reading ADD CONSTRAINT reading_content_check CHECK (content ->> 'sort' IN ('mark', 'size', 'look', 'unread'));
    `);
  }
}
