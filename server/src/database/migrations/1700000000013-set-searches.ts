import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Searches for sets, which whichever server process is free takes on. */
export class SetSearches1700000000013 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE set_search (
        id uuid PRIMARY KEY,
        -- Who may not starve the others: a name, or the machine of somebody who gave none.
        person text NOT NULL,
        asked jsonb NOT NULL,
        wording text NOT NULL,
        state text NOT NULL DEFAULT 'waiting'
          CHECK (state IN ('waiting', 'searching', 'stopping', 'done', 'stopped', 'failed')),
        asked_at timestamptz NOT NULL DEFAULT clock_timestamp(),
        begun_at timestamptz,
        ended_at timestamptz,
        -- Each time it is taken on it is another turn: who was taken for dead and is not, writes no more.
        turn uuid,
        server uuid,
        taken_up integer NOT NULL DEFAULT 0,
        part text CHECK (part IN ('sets', 'conflicts', 'worth')),
        progress jsonb,
        sets jsonb,
        conflicts jsonb,
        worth jsonb,
        problem text,
        CHECK ((state IN ('searching', 'stopping')) = (turn IS NOT NULL)),
        CHECK ((state IN ('done', 'stopped', 'failed')) = (ended_at IS NOT NULL))
      );
      CREATE INDEX set_search_open ON set_search (state, asked_at) WHERE ended_at IS NULL;
      CREATE INDEX set_search_person ON set_search (person, begun_at);

      CREATE FUNCTION tell_set_search() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        PERFORM pg_notify('which_bore_set_search', NEW.id::text);
        RETURN NULL;
      END $$;
      CREATE TRIGGER set_search_told AFTER INSERT OR UPDATE ON set_search
        FOR EACH ROW EXECUTE FUNCTION tell_set_search();
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP TABLE set_search;
      DROP FUNCTION tell_set_search;
    `);
  }
}
