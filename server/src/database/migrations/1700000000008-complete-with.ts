import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What lies with a part on the shelf; nothing where nobody has said. */
export class CompleteWith1700000000008 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE specimen ADD COLUMN complete_with jsonb');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE specimen DROP COLUMN complete_with');
  }
}
