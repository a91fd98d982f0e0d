import type { ImportStore } from './importStore.js';
import { disarmed } from '../transfer/writeTable.js';

const BATCH = 1000;

/** What becomes of each record of an import, as the lines of a table: one for each problem it has. */
export async function* reportOf(store: ImportStore, id: string): AsyncGenerator<readonly string[]> {
  yield ['place', 'type', 'record', 'outcome', 'where', 'what'];
  for (let after = -1; ;) {
    const rows = await store.rows(id, undefined, after, BATCH);
    for (const row of rows)
      for (const { where, what } of row.problems.length > 0 ? row.problems : [{ where: '', what: '' }])
        yield [row.place, row.type, row.id, row.outcome, where, what].map(disarmed);
    const last = rows.at(-1);
    if (!last) return;
    after = last.position;
  }
}
