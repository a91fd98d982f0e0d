import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = `CHECK (id ~ '^[a-z0-9][a-z0-9-]{1,79}$')`;

/** A column that PostgreSQL itself takes from the document, so that the two can never differ. */
const taken = (column: string, key: string, constraint: string) =>
  `${column} text GENERATED ALWAYS AS (document ->> '${key}') STORED ${constraint}`;
const named = (column: string, key: string) => taken(column, key, `NOT NULL CHECK (${column} <> '')`);
/** A reference to another record. Checked at the end of a transaction, so that records may be written in any order. */
const refers = (column: string, key: string, table: string, must = '') =>
  taken(column, key, `${must} REFERENCES ${table} (id) DEFERRABLE INITIALLY DEFERRED`);

const RECORDS: Readonly<Record<string, readonly string[]>> = {
  maker: [named('name', 'name'), refers('licensed_from', 'licensedFrom', 'maker')],
  family: [named('name', 'name'), refers('maker_id', 'maker', 'maker', 'NOT NULL')],
  pattern: [named('kind', 'kind'), named('name', 'name'), refers('family_id', 'family', 'family')],
  variant: [named('code', 'code'), refers('family_id', 'family', 'family', 'NOT NULL')],
  scheme: [named('name', 'name'), refers('maker_id', 'maker', 'maker'), refers('family_id', 'family', 'family')],
  swap: [
    refers('donor_id', 'donor', 'pattern', 'NOT NULL'),
    refers('recipient_id', 'recipient', 'pattern', 'NOT NULL'),
    `CHECK (document ->> 'donor' <> document ->> 'recipient')`,
  ],
};

/**
 * The whole catalogue: one table a type of record, its document as in the open format. What records say of each other
 * (numbers, companions, fitments) is kept in tables of its own by triggers, with foreign keys; every change of a record
 * goes on record, whoever makes it and by whatever way.
 */
export class Catalogue1700000000002 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE family RENAME TO family_1;
      ALTER TABLE pattern RENAME TO pattern_1;
      ALTER INDEX family_pkey RENAME TO family_1_pkey;
      ALTER INDEX pattern_pkey RENAME TO pattern_1_pkey;
      DROP INDEX pattern_kind;
    `);
    for (const [table, columns] of Object.entries(RECORDS)) {
      await runner.query(`
        CREATE TABLE ${table} (
          id text PRIMARY KEY ${ID},
          document jsonb NOT NULL CHECK (document ->> 'id' = id),
          version int NOT NULL DEFAULT 1 CHECK (version >= 1),
          ${columns.join(',\n          ')}
        )`);
    }
    await runner.query(`
      CREATE FUNCTION normal_number(number text) RETURNS text LANGUAGE sql IMMUTABLE PARALLEL SAFE
        RETURN upper(regexp_replace(number, '[^A-Za-z0-9]', '', 'g'));

      CREATE TABLE part_number (
        pattern_id text NOT NULL REFERENCES pattern (id) ON DELETE CASCADE,
        position int NOT NULL,
        number text NOT NULL CHECK (number <> ''),
        normal text GENERATED ALWAYS AS (normal_number(number)) STORED,
        maker_id text REFERENCES maker (id) DEFERRABLE INITIALLY DEFERRED,
        replaced_by text,
        PRIMARY KEY (pattern_id, position)
      );
      CREATE TABLE companion (
        pattern_id text NOT NULL REFERENCES pattern (id) ON DELETE CASCADE,
        position int NOT NULL,
        relation text NOT NULL CHECK (relation IN ('onlyWith', 'pairWith', 'neverWith')),
        other_id text NOT NULL REFERENCES pattern (id) DEFERRABLE INITIALLY DEFERRED CHECK (other_id <> pattern_id),
        PRIMARY KEY (pattern_id, position)
      );
      CREATE TABLE fitment (
        variant_id text NOT NULL REFERENCES variant (id) ON DELETE CASCADE,
        position int NOT NULL,
        slot text NOT NULL CHECK (slot <> ''),
        pattern_id text NOT NULL REFERENCES pattern (id) DEFERRABLE INITIALLY DEFERRED,
        PRIMARY KEY (variant_id, position)
      );
      CREATE INDEX pattern_kind ON pattern (kind);
      CREATE INDEX pattern_family ON pattern (family_id);
      CREATE INDEX variant_family ON variant (family_id);
      CREATE INDEX part_number_normal ON part_number (normal);
      CREATE INDEX companion_other ON companion (other_id);
      CREATE INDEX fitment_pattern ON fitment (pattern_id);

      CREATE FUNCTION link_patterns() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF TG_OP = 'UPDATE' THEN
          DELETE FROM part_number WHERE pattern_id IN (SELECT id FROM new_rows);
          DELETE FROM companion WHERE pattern_id IN (SELECT id FROM new_rows);
        END IF;
        INSERT INTO part_number (pattern_id, position, number, maker_id, replaced_by)
          SELECT new_rows.id, n - 1, item ->> 'number', item ->> 'maker', item ->> 'replacedBy'
          FROM new_rows, jsonb_array_elements(document -> 'numbers') WITH ORDINALITY AS of (item, n);
        INSERT INTO companion (pattern_id, position, relation, other_id)
          SELECT new_rows.id, n - 1, item ->> 'relation', item ->> 'pattern'
          FROM new_rows, jsonb_array_elements(document -> 'companions') WITH ORDINALITY AS of (item, n);
        RETURN NULL;
      END $$;
      CREATE FUNCTION link_variants() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF TG_OP = 'UPDATE' THEN DELETE FROM fitment WHERE variant_id IN (SELECT id FROM new_rows); END IF;
        INSERT INTO fitment (variant_id, position, slot, pattern_id)
          SELECT new_rows.id, n - 1, item ->> 'slot', item ->> 'pattern'
          FROM new_rows, jsonb_array_elements(document -> 'fitments') WITH ORDINALITY AS of (item, n);
        RETURN NULL;
      END $$;
      CREATE TRIGGER link_inserted AFTER INSERT ON pattern REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION link_patterns();
      CREATE TRIGGER link_updated AFTER UPDATE ON pattern REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION link_patterns();
      CREATE TRIGGER link_inserted AFTER INSERT ON variant REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION link_variants();
      CREATE TRIGGER link_updated AFTER UPDATE ON variant REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION link_variants();

      CREATE TABLE change (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        batch uuid NOT NULL,
        at timestamptz NOT NULL DEFAULT now(),
        who text NOT NULL CHECK (who <> ''),
        operation text NOT NULL CHECK (operation IN ('added', 'changed', 'removed')),
        record_type text NOT NULL CHECK (record_type IN (${Object.keys(RECORDS)
          .map((type) => `'${type}'`)
          .join(', ')})),
        record_id text NOT NULL,
        before jsonb CHECK ((before IS NULL) = (operation = 'added'))
      );
      CREATE INDEX change_record ON change (record_type, record_id, id DESC);
      CREATE INDEX change_batch ON change (batch);

      CREATE FUNCTION note_changes() RETURNS trigger LANGUAGE plpgsql AS $$
      DECLARE
        author text := coalesce(nullif(current_setting('which_bore.who', true), ''), 'unknown');
        together uuid := coalesce(nullif(current_setting('which_bore.batch', true), '')::uuid, gen_random_uuid());
      BEGIN
        IF TG_OP = 'INSERT' THEN
          INSERT INTO change (batch, who, operation, record_type, record_id) SELECT together, author, 'added', TG_TABLE_NAME, id FROM new_rows ORDER BY id;
        ELSIF TG_OP = 'UPDATE' THEN
          INSERT INTO change (batch, who, operation, record_type, record_id, before) SELECT together, author, 'changed', TG_TABLE_NAME, id, document FROM old_rows ORDER BY id;
        ELSE
          INSERT INTO change (batch, who, operation, record_type, record_id, before) SELECT together, author, 'removed', TG_TABLE_NAME, id, document FROM old_rows ORDER BY id;
        END IF;
        IF FOUND THEN UPDATE catalogue_state SET revision = revision + 1; END IF;
        RETURN NULL;
      END $$;
    `);
    for (const table of Object.keys(RECORDS)) {
      await runner.query(`
        CREATE TRIGGER note_inserted AFTER INSERT ON ${table} REFERENCING NEW TABLE AS new_rows FOR EACH STATEMENT EXECUTE FUNCTION note_changes();
        CREATE TRIGGER note_updated AFTER UPDATE ON ${table} REFERENCING OLD TABLE AS old_rows FOR EACH STATEMENT EXECUTE FUNCTION note_changes();
        CREATE TRIGGER note_deleted AFTER DELETE ON ${table} REFERENCING OLD TABLE AS old_rows FOR EACH STATEMENT EXECUTE FUNCTION note_changes();
      `);
    }
    await this.takeOver(runner);
  }

  /**
   * Brings the families and patterns of the first format into the second: makers become records, numbers and years are
   * written out.
   */
  private async takeOver(runner: QueryRunner): Promise<void> {
    await runner.query(`
      SET LOCAL which_bore.who = 'migration';
      INSERT INTO maker (id, document)
        SELECT id, jsonb_build_object('id', id, 'name', maker)
        FROM (SELECT DISTINCT ON (id) rpad(trim(both '-' from lower(regexp_replace(maker, '[^A-Za-z0-9]+', '-', 'g'))), 2, '0') AS id, maker FROM family_1) AS makers;
      INSERT INTO family (id, document)
        SELECT id, jsonb_strip_nulls(jsonb_build_object('id', id, 'name', name, 'note', note,
          'maker', rpad(trim(both '-' from lower(regexp_replace(maker, '[^A-Za-z0-9]+', '-', 'g'))), 2, '0')))
        FROM family_1;
      INSERT INTO pattern (id, document)
        SELECT id, document
          || jsonb_build_object('numbers', coalesce((SELECT jsonb_agg(jsonb_build_object('number', number)) FROM jsonb_array_elements_text(document -> 'numbers') AS number), '[]'))
          || CASE WHEN document ? 'years' THEN jsonb_build_object('years',
               jsonb_build_object('from', document #>> '{years,from}', 'to', document #>> '{years,to}')) ELSE '{}' END
        FROM pattern_1;
      DROP TABLE pattern_1, family_1;
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE pattern RENAME TO pattern_2;
      ALTER TABLE family RENAME TO family_2;
      CREATE TABLE family (id text CONSTRAINT family_1_pkey PRIMARY KEY ${ID}, maker text NOT NULL, name text NOT NULL, note text);
      CREATE TABLE pattern (id text CONSTRAINT pattern_1_pkey PRIMARY KEY ${ID}, kind text NOT NULL, family_id text NOT NULL REFERENCES family (id), name text NOT NULL, document jsonb NOT NULL);
      INSERT INTO family SELECT family_2.id, maker.name, family_2.name, family_2.document ->> 'note' FROM family_2 JOIN maker ON maker.id = maker_id;
      INSERT INTO pattern SELECT id, kind, family_id, name, document
        || jsonb_build_object('numbers', coalesce((SELECT jsonb_agg(item ->> 'number') FROM jsonb_array_elements(document -> 'numbers') AS item), '[]'))
        FROM pattern_2 WHERE family_id IS NOT NULL;
      DROP TABLE change, fitment, companion, part_number, swap, scheme, variant, pattern_2, family_2, maker CASCADE;
      DROP FUNCTION note_changes, link_patterns, link_variants, normal_number;
      ALTER INDEX family_1_pkey RENAME TO family_pkey;
      ALTER INDEX pattern_1_pkey RENAME TO pattern_pkey;
      CREATE INDEX pattern_kind ON pattern (kind);
    `);
  }
}
