import createError from '@fastify/error';
import {
  CATALOGUE_FORMAT,
  CATALOGUE_VERSION,
  isKindId,
  LIST_OF,
  RECORD_NAMES,
  RECORD_TYPES,
  type Catalogue,
  type CatalogueChanges,
  type CatalogueRecord,
  type KindId,
  type Pattern,
  type RecordOf,
  type RecordType,
  type StoredRecord,
} from '@which-bore/core';
import type { Records } from '../transfer/writeTable.js';
import { QueryFailedError, type EntityManager } from 'typeorm';
import { changedRecords } from '../database/changedRecords.js';
import type { Database } from '../database/database.js';
import {
  CatalogueStateEntity,
  ChangeEntity,
  RECORD_ENTITIES,
  type ChangeRow,
  type RecordRow,
} from '../database/entities.js';
import { ChangedError, MissingError } from '../documents/errors.js';

/** A change that the database's own rules forbid: a record others stand on, or one that leads nowhere. */
const RecordInUseError = createError('RECORD_IN_USE', '%s', 409);

const missing = (type: RecordType, id: string) =>
  new MissingError(`There is no ${RECORD_NAMES[type]} “${id}” in the catalogue.`);
const changed = (type: RecordType, current: unknown) =>
  new ChangedError(
    `The ${RECORD_NAMES[type]} was changed by somebody else meanwhile. Look at what they did, then save again.`,
    current,
  );

/** More changes than this are not told one by one: the catalogue is then fetched whole. */
const MOST_TOLD = 1000;

const FOREIGN_KEY = '23503';
/** What a table is called in a message, where it is no type of record. */
const TABLE_NAMES: Readonly<Record<string, string>> = {
  fitment: 'fitment of a variant',
  companion: 'companion of another pattern',
  part_number: 'part number',
};

/** Says a broken reference in words: who stands on what. */
function explained(error: unknown): unknown {
  if (!(error instanceof QueryFailedError)) return error;
  const driver = error.driverError as { readonly code?: string; readonly table?: string; readonly detail?: string };
  if (driver.code !== FOREIGN_KEY) return error;
  const [, id = ''] = /\)=\(([^)]*)\)/.exec(driver.detail ?? '') ?? [];
  const table = driver.table ?? '';
  const who = RECORD_TYPES.includes(table as RecordType)
    ? RECORD_NAMES[table as RecordType]
    : (TABLE_NAMES[table] ?? table);
  return new RecordInUseError(
    (driver.detail ?? '').includes('is still referenced')
      ? `“${id}” is still named by a ${who}; take it out there first.`
      : `A ${who} names “${id}”, which is not there; add it first.`,
  );
}

const BATCH = 2000;
/** Records of an export are read so many at a time: others get their turn between. */
const PAGE = 500;

/** Reads and changes the catalogue in the database. Who changes something is put on record with it. */
export class CatalogueStore {
  constructor(private readonly database: Database) {}

  /** Which state of which catalogue stands in the tables. */
  async tag(): Promise<string> {
    const { lineage, revision } = await this.database.connection
      .getRepository(CatalogueStateEntity)
      .findOneByOrFail({ id: 1 });
    return `${lineage}-${revision}`;
  }

  /**
   * The catalogue as a whole in its open format, in pieces as they are read: it is never held whole, and is all of one
   * state. Made of what the database has as text, so that nothing is taken apart and put together again.
   */
  async *text(): AsyncGenerator<string> {
    const runner = this.database.connection.createQueryRunner();
    try {
      await runner.startTransaction('REPEATABLE READ');
      yield `{"format":"${CATALOGUE_FORMAT}","version":${CATALOGUE_VERSION}`;
      for (const type of RECORD_TYPES) {
        yield `,"${LIST_OF[type]}":[`;
        for (let after = ''; ;) {
          const rows = (await runner.query(
            `SELECT id, document::text AS text FROM ${type} WHERE id > $1 ORDER BY id LIMIT ${PAGE}`,
            [after],
          )) as readonly {
            readonly id: string;
            readonly text: string;
          }[];
          if (rows.length > 0) yield (after === '' ? '' : ',') + rows.map(({ text }) => text).join(',');
          const last = rows.at(-1);
          if (!last || rows.length < PAGE) break;
          after = last.id;
        }
        yield ']';
      }
      yield '}';
    } finally {
      if (runner.isTransactionActive) await runner.rollbackTransaction().catch(() => undefined);
      await runner.release();
    }
  }

  /** The patterns that have a price, in the order of their ids. */
  async priced(): Promise<Pattern[]> {
    const rows = await this.database.connection.query<readonly { readonly document: Pattern }[]>(
      `SELECT document FROM pattern WHERE document ? 'price' ORDER BY id`,
    );
    return rows.map(({ document }) => document);
  }

  /**
   * What became of the catalogue since a state of it; where that is too much or of another catalogue, that it is to be
   * fetched whole.
   */
  async changesSince(tag: string): Promise<CatalogueChanges> {
    return this.database.connection.transaction('REPEATABLE READ', async (manager) => {
      const { lineage, revision } = await manager.getRepository(CatalogueStateEntity).findOneByOrFail({ id: 1 });
      const now = `${lineage}-${revision}`;
      const [, of, at] = /^(.*)-(\d+)$/.exec(tag) ?? ([] as string[]);
      if (of !== lineage || Number(at) > revision) return { tag: now, whole: true };
      const changed = await changedRecords((sql, values) => manager.query(sql, [...values]), Number(at), MOST_TOLD);
      return changed ? { tag: now, changed: [...changed] } : { tag: now, whole: true };
    });
  }

  /** One record with its version. Throws a MissingError. */
  async record<T extends RecordType>(type: T, id: string): Promise<StoredRecord<T>> {
    const row = (await this.database.connection
      .getRepository(RECORD_ENTITIES[type])
      .findOneBy({ id })) as RecordRow<T> | null;
    if (!row) throw missing(type, id);
    return { record: row.document, version: row.version };
  }

  /**
   * Adds a record (version 0) or changes it. Throws a ChangedError when the version is not the stored one, a
   * RecordInUseError when it names a record that is not there.
   */
  async put<T extends RecordType>(
    type: T,
    record: RecordOf[T],
    version: number,
    who: string,
  ): Promise<StoredRecord<T>> {
    await this.asBy(who, async (manager) => {
      const document = JSON.stringify(record);
      const done = await (version === 0
        ? manager.query<readonly unknown[]>(
            `INSERT INTO ${type} (id, document) VALUES ($1, $2) ON CONFLICT DO NOTHING RETURNING id`,
            [record.id, document],
          )
        : manager.query<readonly unknown[]>(
            `WITH done AS (UPDATE ${type} SET document = $2, version = version + 1 WHERE id = $1 AND version = $3 RETURNING id) SELECT id FROM done`,
            [record.id, document, version],
          ));
      if (done.length === 0) throw changed(type, await this.record(type, record.id).catch(() => undefined));
    });
    return { record, version: version + 1 };
  }

  /** Removes a record. Throws a MissingError, a ChangedError, or a RecordInUseError when others stand on it. */
  async remove(type: RecordType, id: string, version: number, who: string): Promise<void> {
    await this.asBy(who, async (manager) => {
      const current = await this.record(type, id);
      if (current.version !== version) throw changed(type, current);
      await manager.delete(RECORD_ENTITIES[type], { id, version });
    });
  }

  /** The last changes, newest first: of one record, of a batch, or of all. */
  async changes(
    of: { readonly type?: RecordType; readonly id?: string; readonly batch?: string; readonly before?: string },
    most: number,
  ): Promise<ChangeRow[]> {
    const query = this.database.connection
      .getRepository(ChangeEntity)
      .createQueryBuilder('change')
      .orderBy('change.id', 'DESC')
      .limit(most);
    if (of.type !== undefined) query.andWhere('change.recordType = :type', { type: of.type });
    if (of.id !== undefined) query.andWhere('change.recordId = :id', { id: of.id });
    if (of.batch !== undefined) query.andWhere('change.batch = :batch', { batch: of.batch });
    if (of.before !== undefined) query.andWhere('change.id < :before', { before: of.before });
    return query.getMany();
  }

  /** Brings a record back to what it was before a change. That is a change in its turn, and can be undone as well. */
  async undo(change: string, who: string): Promise<void> {
    const found = await this.database.connection.getRepository(ChangeEntity).findOneBy({ id: change });
    if (!found) throw new MissingError(`There is no change ${change} on record.`);
    const { recordType: type, recordId: id, before } = found;
    await this.asBy(who, async (manager) => {
      if (before === null) await manager.delete(RECORD_ENTITIES[type], { id });
      else
        await manager.query(
          `INSERT INTO ${type} (id, document) VALUES ($1, $2) ON CONFLICT (id) DO UPDATE SET document = excluded.document, version = ${type}.version + 1`,
          [id, JSON.stringify(before)],
        );
    });
  }

  /** Adds the records of a checked catalogue, replacing those with the same ids that differ; all or nothing. */
  async load(catalogue: Catalogue, who: string): Promise<void> {
    await this.asBy(who, async (manager) => {
      for (const type of RECORD_TYPES) {
        const records = catalogue[LIST_OF[type]];
        for (let from = 0; from < records.length; from += BATCH) {
          const batch = records.slice(from, from + BATCH);
          await manager.query(
            `INSERT INTO ${type} (id, document) SELECT * FROM unnest($1::text[], $2::jsonb[])
             ON CONFLICT (id) DO UPDATE SET document = excluded.document, version = ${type}.version + 1 WHERE ${type}.document <> excluded.document`,
            [batch.map((record) => record.id), batch.map((record) => JSON.stringify(record))],
          );
        }
      }
    });
  }

  /** Brings every record back to what it was before a batch of changes, all or nothing. */
  async undoBatch(batch: string, who: string): Promise<number> {
    let undone = 0;
    await this.asBy(who, async (manager) => {
      for (const type of RECORD_TYPES) {
        const removed = await manager.query<readonly [unknown, number]>(
          `DELETE FROM ${type} USING change WHERE change.batch = $1 AND change.record_type = '${type}' AND change.operation = 'added' AND ${type}.id = change.record_id`,
          [batch],
        );
        const restored = await manager.query<readonly unknown[]>(
          `INSERT INTO ${type} (id, document)
           SELECT record_id, before FROM change WHERE batch = $1 AND record_type = '${type}' AND before IS NOT NULL
           ON CONFLICT (id) DO UPDATE SET document = excluded.document, version = ${type}.version + 1 RETURNING 1`,
          [batch],
        );
        undone += removed[1] + restored.length;
      }
    });
    return undone;
  }

  /** Records as an export reads them: page by page in the order of their ids, never the whole catalogue at once. */
  reading<T>(work: (records: Records) => T): T {
    const manager = this.database.connection.manager;
    const pages = async function* (type: RecordType, kind?: KindId): AsyncGenerator<CatalogueRecord> {
      for (let after = ''; ;) {
        const rows: readonly { readonly id: string; readonly document: CatalogueRecord }[] = await manager.query(
          `SELECT id, document FROM ${type} WHERE id > $1 ${kind === undefined ? '' : 'AND kind = $3'} ORDER BY id LIMIT $2`,
          kind === undefined ? [after, PAGE] : [after, PAGE, kind],
        );
        for (const { document } of rows) yield document;
        const last = rows.at(-1);
        if (!last || rows.length < PAGE) return;
        after = last.id;
      }
    };
    return work({
      of: (type) => pages(type),
      in: (table) => (isKindId(table) ? pages('pattern', table) : pages(table)),
    });
  }

  /** Does something to the catalogue in one transaction, under somebody's name. */
  async asBy<T>(who: string, work: (manager: EntityManager) => Promise<T>): Promise<T> {
    try {
      return await this.database.connection.transaction(async (manager) => {
        await manager.query(
          `SELECT set_config('which_bore.who', $1, true), set_config('which_bore.batch', gen_random_uuid()::text, true)`,
          [who],
        );
        return work(manager);
      });
    } catch (error) {
      throw explained(error);
    }
  }
}
