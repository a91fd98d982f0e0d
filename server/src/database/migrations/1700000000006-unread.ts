import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A reading without what was said of words that were not understood. */
const plain = (reading: string): string =>
  `CASE WHEN ${reading} ->> 'sort' = 'unread' THEN ${reading} - 'reason' - 'suggestion' ELSE ${reading} END`;

/**
 * Of words that were not understood the words alone are kept: why they were not, and what was meant, is worked out
 * anew whenever they are looked at, and was kept as English before.
 */
export class Unread1700000000006 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      UPDATE reading SET content = ${plain('content')} WHERE content ->> 'sort' = 'unread';
      UPDATE reading_change SET before = ${plain('before')}, after = ${plain('after')}
        WHERE 'unread' IN (before ->> 'sort', after ->> 'sort');
      UPDATE job SET readings = (
          SELECT coalesce(jsonb_agg(jsonb_set(reading, '{is}', ${plain("(reading -> 'is')")}) ORDER BY place), '[]')
          FROM jsonb_array_elements(readings) WITH ORDINALITY AS each (reading, place)
        ) WHERE readings @> '[{"is": {"sort": "unread"}}]';
    `);
  }

  async down(): Promise<void> {
    // The earlier state takes readings without a reason as well.
  }
}
