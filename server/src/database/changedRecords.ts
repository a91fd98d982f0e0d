import { RECORD_TYPES, type CatalogueRecord, type RecordChange, type RecordType } from '@which-bore/core';

/** Asks a database, by whichever connection. */
type Query = (sql: string, values: readonly unknown[]) => Promise<readonly unknown[]>;

/**
 * The records that were changed since a revision of the catalogue, as they are now; undefined where they are more than
 * `most`. To be asked within one transaction, so that all of it is of one state.
 */
export async function changedRecords(
  query: Query,
  revision: number,
  most: number,
): Promise<readonly RecordChange[] | undefined> {
  const changed = (await query(
    `SELECT DISTINCT record_type AS type, record_id AS id FROM change WHERE revision > $1 LIMIT $2`,
    [revision, most + 1],
  )) as readonly {
    readonly type: RecordType;
    readonly id: string;
  }[];
  if (changed.length > most) return undefined;
  const changes: RecordChange[] = [];
  for (const type of RECORD_TYPES) {
    const ids = changed.filter((each) => each.type === type).map(({ id }) => id);
    if (ids.length === 0) continue;
    const rows = (await query(`SELECT id, document FROM ${type} WHERE id = ANY ($1)`, [ids])) as readonly {
      readonly id: string;
      readonly document: CatalogueRecord;
    }[];
    const documents = new Map(rows.map(({ id, document }) => [id, document]));
    for (const id of ids) {
      const record = documents.get(id);
      changes.push({ type, id, ...(record ? { record } : {}) });
    }
  }
  return changes;
}
