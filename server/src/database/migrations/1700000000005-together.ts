import type { MigrationInterface, QueryRunner } from 'typeorm';

const SHOP = '00000000-0000-4000-8000-000000000001';

/**
 * What several people and several server processes need to agree: which revision a change of the catalogue belongs to,
 * so that those who hold the catalogue can follow record by record; who did what to a document; and a word from the
 * database whenever something has another state.
 */
export class Together1700000000005 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      -- Two catalogues that have come to the same revision by other ways are not the same.
      ALTER TABLE catalogue_state ADD COLUMN lineage text NOT NULL DEFAULT substr(gen_random_uuid()::text, 1, 8);
      ALTER TABLE change ADD COLUMN revision int NOT NULL DEFAULT 0;
      CREATE INDEX change_revision ON change (revision);

      -- The state is locked before changes are noted, so that a revision once seen holds all changes up to it.
      CREATE OR REPLACE FUNCTION note_changes() RETURNS trigger LANGUAGE plpgsql AS $$
      DECLARE
        author text := coalesce(nullif(current_setting('which_bore.who', true), ''), 'unknown');
        together uuid := coalesce(nullif(current_setting('which_bore.batch', true), '')::uuid, gen_random_uuid());
        reached int;
        tag text;
      BEGIN
        IF TG_OP = 'INSERT' THEN
          IF NOT EXISTS (SELECT FROM new_rows) THEN RETURN NULL; END IF;
        ELSE
          IF NOT EXISTS (SELECT FROM old_rows) THEN RETURN NULL; END IF;
        END IF;
        UPDATE catalogue_state SET revision = revision + 1 RETURNING revision, lineage || '-' || revision INTO reached, tag;
        IF TG_OP = 'INSERT' THEN
          INSERT INTO change (revision, batch, who, operation, record_type, record_id)
            SELECT reached, together, author, 'added', TG_TABLE_NAME, id FROM new_rows ORDER BY id;
        ELSIF TG_OP = 'UPDATE' THEN
          INSERT INTO change (revision, batch, who, operation, record_type, record_id, before)
            SELECT reached, together, author, 'changed', TG_TABLE_NAME, id, document FROM old_rows ORDER BY id;
        ELSE
          INSERT INTO change (revision, batch, who, operation, record_type, record_id, before)
            SELECT reached, together, author, 'removed', TG_TABLE_NAME, id, document FROM old_rows ORDER BY id;
        END IF;
        PERFORM pg_notify('which_bore', json_build_object('of', 'catalogue', 'tag', tag)::text);
        RETURN NULL;
      END $$;

      -- Who did what to a document, version by version.
      CREATE TABLE document_change (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        sort text NOT NULL CHECK (sort IN ('specimen', 'job', 'shop', 'photograph')),
        document_id uuid NOT NULL,
        version int NOT NULL CHECK (version >= 1),
        at timestamptz NOT NULL,
        who text NOT NULL CHECK (who <> ''),
        operation text NOT NULL CHECK (operation IN ('added', 'changed', 'removed', 'restored'))
      );
      CREATE INDEX document_change_document ON document_change (sort, document_id, id);

      -- The shop is a document like others.
      ALTER TABLE shop DROP CONSTRAINT shop_pkey, DROP CONSTRAINT shop_id_check;
      ALTER TABLE shop ALTER COLUMN id TYPE uuid USING '${SHOP}'::uuid;
      ALTER TABLE shop ADD PRIMARY KEY (id), ADD CHECK (id = '${SHOP}');
      ALTER TABLE shop ADD COLUMN created_at timestamptz NOT NULL DEFAULT now();
      ALTER TABLE shop ADD COLUMN updated_at timestamptz NOT NULL DEFAULT now();
      ALTER TABLE shop ADD COLUMN deleted_at timestamptz;
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE shop DROP COLUMN created_at, DROP COLUMN updated_at, DROP COLUMN deleted_at;
      ALTER TABLE shop DROP CONSTRAINT shop_pkey, DROP CONSTRAINT shop_id_check;
      ALTER TABLE shop ALTER COLUMN id TYPE int USING 1;
      ALTER TABLE shop ADD PRIMARY KEY (id), ADD CHECK (id = 1);
      DROP TABLE document_change;
      CREATE OR REPLACE FUNCTION note_changes() RETURNS trigger LANGUAGE plpgsql AS $$
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
      ALTER TABLE change DROP COLUMN revision;
      ALTER TABLE catalogue_state DROP COLUMN lineage;
    `);
  }
}
