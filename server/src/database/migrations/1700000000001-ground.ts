import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Families, patterns, specimens and their readings. */
export class Ground1700000000001 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE family (
        id text PRIMARY KEY CHECK (id ~ '^[a-z0-9][a-z0-9-]{1,79}$'),
        maker text NOT NULL CHECK (maker <> ''),
        name text NOT NULL CHECK (name <> ''),
        note text
      );
      CREATE TABLE pattern (
        id text PRIMARY KEY CHECK (id ~ '^[a-z0-9][a-z0-9-]{1,79}$'),
        kind text NOT NULL CHECK (kind <> ''),
        family_id text NOT NULL REFERENCES family (id),
        name text NOT NULL CHECK (name <> ''),
        document jsonb NOT NULL CHECK (document ->> 'id' = id AND document ->> 'kind' = kind)
      );
      CREATE INDEX pattern_kind ON pattern (kind);
      CREATE TABLE catalogue_state (
        id int PRIMARY KEY CHECK (id = 1),
        revision int NOT NULL CHECK (revision >= 0)
      );
      INSERT INTO catalogue_state VALUES (1, 0);
      CREATE TABLE specimen (
        id uuid PRIMARY KEY,
        kind text NOT NULL CHECK (kind <> ''),
        name text NOT NULL CHECK (name <> '' AND length(name) <= 120),
        version int NOT NULL CHECK (version >= 1),
        created_at timestamptz NOT NULL,
        updated_at timestamptz NOT NULL,
        deleted_at timestamptz
      );
      CREATE INDEX specimen_updated ON specimen (updated_at DESC) WHERE deleted_at IS NULL;
      CREATE TABLE reading (
        specimen_id uuid NOT NULL REFERENCES specimen (id) ON DELETE CASCADE,
        id uuid NOT NULL,
        position int NOT NULL CHECK (position >= 0),
        at timestamptz NOT NULL,
        content jsonb NOT NULL CHECK (content ->> 'sort' IN ('mark', 'size', 'look', 'unread')),
        PRIMARY KEY (specimen_id, id),
        UNIQUE (specimen_id, position)
      );
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE reading, specimen, catalogue_state, pattern, family');
  }
}
