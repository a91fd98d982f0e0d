import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Rounds of practice are called so: a machine shop that drills makes holes. */
export class Practice1700000000007 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE drill RENAME TO practice;
      ALTER INDEX drill_who RENAME TO practice_who;
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER INDEX practice_who RENAME TO drill_who;
      ALTER TABLE practice RENAME TO drill;
    `);
  }
}
