import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a part turned out to be; nothing while nobody knows. */
export class Confirmed1700000000010 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE specimen ADD COLUMN confirmed jsonb;
      CREATE INDEX specimen_confirmed ON specimen (updated_at DESC) WHERE confirmed IS NOT NULL AND deleted_at IS NULL;
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE specimen DROP COLUMN confirmed');
  }
}
