import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The pattern of a face is a reading too. */
export class Faces1700000000009 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE reading DROP CONSTRAINT reading_content_check;
      ALTER TABLE reading ADD CONSTRAINT reading_content_check CHECK (content ->> 'sort' IN ('mark', 'size', 'look', 'face', 'step', 'claim', 'unread'));
    `);
  }

  /** What was read of faces is kept as words nobody understood: nothing entered is lost. */
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      UPDATE reading SET content = jsonb_build_object('sort', 'unread', 'text', content ->> 'text') WHERE content ->> 'sort' = 'face';
      ALTER TABLE reading DROP CONSTRAINT reading_content_check;
      ALTER TABLE reading ADD CONSTRAINT reading_content_check CHECK (content ->> 'sort' IN ('mark', 'size', 'look', 'step', 'claim', 'unread'));
    `);
  }
}
