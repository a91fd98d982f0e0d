/**
 * The work of an import, in a thread of its own with a connection of its own: the server goes on answering, and when
 * the thread is stopped its connection closes and PostgreSQL takes back whatever was not finished.
 */
import { once } from 'node:events';
import type { MessagePort } from 'node:worker_threads';
import { RECORD_NAMES, RECORD_TYPES, recordTypeOf, type CatalogueRecord, type RecordType } from '@which-bore/core';
import type pg from 'pg';
import { from as copyFrom, type CopyStreamQuery } from 'pg-copy-streams';
import { openFile } from './openFile.js';
import { FileError, type Choices, type TableRow, type TakenTable } from './source.js';
import { TableReader, understandWhole, type Understood } from './understand.js';
import { Client } from '../database/client.js';

export interface ImportTask {
  readonly databaseUrl: string;
  readonly id: string;
  readonly port: MessagePort;
  readonly work:
    | { readonly does: 'read'; readonly path: string; readonly name: string; readonly choices: Choices }
    | { readonly does: 'apply'; readonly who: string };
}

/**
 * How far the work is, from 0 to 1; first of all the process that does it in the database, so that it can be stopped.
 */
export type ImportMessage = { readonly backend: number } | { readonly progress: number };

export interface Count {
  readonly type: RecordType;
  readonly outcome: 'added' | 'changed' | 'same' | 'refused';
  readonly count: number;
}
export type ImportResult =
  | {
      readonly did: 'read';
      readonly tables: readonly TakenTable[];
      readonly counts: readonly Count[];
      readonly revision: number;
    }
  | { readonly did: 'apply'; readonly batch: string }
  /** The catalogue moved between reading and applying. */
  | { readonly did: 'nothing'; readonly because: 'changed' }
  /** The working rows are gone: a crash of the database emptied them. */
  | { readonly did: 'nothing'; readonly because: 'lost' }
  /** The file as a whole cannot be read. */
  | { readonly did: 'nothing'; readonly because: 'unreadable'; readonly problem: string };

const BATCH = 500;
/** Of the time an import is read, the share that goes into reading the file; the rest is comparing. */
const READING = 0.8;

export default async function importTask({ databaseUrl, id, port, work }: ImportTask): Promise<ImportResult> {
  const tell = (message: ImportMessage) => port.postMessage(message);
  const client = new Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    const { rows } = await client.query<{ pid: number }>('SELECT pg_backend_pid() AS pid');
    tell({ backend: rows[0]?.pid ?? 0 });
    return work.does === 'read'
      ? await read(client, databaseUrl, id, work, tell)
      : await apply(client, id, work.who, tell);
  } catch (error) {
    // Said as a result: an error that crosses from a thread loses its class.
    if (error instanceof FileError) return { did: 'nothing', because: 'unreadable', problem: error.message };
    throw error;
  } finally {
    await client.end().catch(() => undefined);
    port.close();
  }
}

/** Characters sent at once: rows one by one would cost more in calls than in bytes. */
const WRITTEN_AT_ONCE = 256 * 1024;

/** A stream into a table by COPY, in the text format (PostgreSQL manual, COPY, "Text Format"). */
class CopyInto {
  private readonly stream: CopyStreamQuery;
  private failed: Error | undefined;
  private waiting = '';

  constructor(client: pg.Client, table: string, columns: string) {
    this.stream = client.query(copyFrom(`COPY ${table} (${columns}) FROM STDIN`));
    this.stream.on('error', (error: Error) => (this.failed = error));
  }

  async row(cells: readonly (string | number | null)[]): Promise<void> {
    if (this.failed) throw this.failed;
    this.waiting += `${cells.map((cell) => (cell === null ? '\\N' : escaped(String(cell)))).join('\t')}\n`;
    if (this.waiting.length >= WRITTEN_AT_ONCE) await this.flush();
  }

  private async flush(): Promise<void> {
    const text = this.waiting;
    this.waiting = '';
    if (!this.stream.write(text)) await once(this.stream, 'drain');
  }

  async end(): Promise<void> {
    await this.flush();
    this.stream.end();
    await once(this.stream, 'finish');
    if (this.failed) throw this.failed;
  }
}

// NUL cannot stand in a text of PostgreSQL; nothing that could be meant is lost with it.
const escaped = (text: string): string =>
  text
    .replace(/\0/g, '')
    .replace(/[\\\t\n\r]/g, (each) => ({ '\\': '\\\\', '\t': '\\t', '\n': '\\n', '\r': '\\r' })[each] ?? each);

async function read(
  client: pg.Client,
  databaseUrl: string,
  id: string,
  { path, name, choices }: Extract<ImportTask['work'], { does: 'read' }>,
  tell: (message: ImportMessage) => void,
): Promise<ImportResult> {
  await client.query('DELETE FROM import_row WHERE import_id = $1', [id]);
  await client.query('DELETE FROM import_reference WHERE import_id = $1', [id]);
  // One connection can take one COPY at a time; the third looks up what the catalogue has already.
  const [forReferences, lookUp] = [new Client(databaseUrl), new Client(databaseUrl)];
  await Promise.all([forReferences.connect(), lookUp.connect()]);
  try {
    const revision = await revisionOf(client);
    const rows = new CopyInto(
      client,
      'import_row',
      'import_id, position, place, type, id, document, outcome, problems',
    );
    const references = new CopyInto(forReferences, 'import_reference', 'import_id, position, place, type, id');
    let position = 0;
    const keep = async (each: Understood) => {
      await rows.row([
        id,
        position,
        each.place,
        each.type,
        each.id,
        each.record ? JSON.stringify(each.record) : null,
        each.record ? 'read' : 'refused',
        JSON.stringify(each.problems),
      ]);
      for (const reference of each.references)
        await references.row([id, position, reference.where, reference.type, reference.id]);
      position++;
    };
    const tables: TableReader[] = [];
    let waiting: TableRow[] = [];
    const settle = async () => {
      const reader = tables.at(-1);
      if (!reader || waiting.length === 0) return;
      const standing = await standingRecords(lookUp, reader, waiting);
      for (const row of waiting) {
        const understood = reader.read(row, standing.get(reader.idOf(row)));
        if (understood) await keep(understood);
      }
      waiting = [];
    };
    let told = 0;
    for await (const piece of openFile(path, name)) {
      if (piece.form === 'table') {
        await settle();
        tables.push(new TableReader(piece, choices));
        continue;
      }
      if (piece.form === 'record') await keep(understandWhole(piece));
      else {
        waiting.push(piece);
        if (waiting.length >= BATCH) await settle();
      }
      if (piece.done - told > 0.01) tell({ progress: (told = piece.done) * READING });
    }
    await settle();
    await rows.end();
    await references.end();
    tell({ progress: READING });
    await compareWithCatalogue(client, id);
    const counted = await client.query<Count>(
      'SELECT type, outcome, count(*)::int AS count FROM import_row WHERE import_id = $1 GROUP BY type, outcome ORDER BY type, outcome',
      [id],
    );
    return { did: 'read', tables: tables.map((reader) => reader.taken), counts: counted.rows, revision };
  } finally {
    await Promise.all([forReferences.end(), lookUp.end()].map((ending) => ending.catch(() => undefined)));
  }
}

async function revisionOf(client: pg.Client): Promise<number> {
  const { rows } = await client.query<{ revision: number }>('SELECT revision FROM catalogue_state');
  return rows[0]?.revision ?? 0;
}

async function standingRecords(
  client: pg.Client,
  reader: TableReader,
  rows: readonly TableRow[],
): Promise<Map<string, CatalogueRecord>> {
  if (reader.table === undefined) return new Map();
  const found = await client.query<{ id: string; document: CatalogueRecord }>(
    `SELECT id, document FROM ${recordTypeOf(reader.table)} WHERE id = ANY ($1)`,
    [rows.map((row) => reader.idOf(row))],
  );
  return new Map(found.rows.map((row) => [row.id, row.document]));
}

const problem = (where: string, what: string) =>
  `jsonb_build_array(jsonb_build_object('where', ${where}, 'what', ${what}))`;

/**
 * Decides what becomes of each row: refused for an id used twice or a reference that leads nowhere, else added, changed
 * or the same.
 */
async function compareWithCatalogue(client: pg.Client, id: string): Promise<void> {
  await client.query('ANALYZE import_row, import_reference');
  await client.query(
    `UPDATE import_row SET outcome = 'refused', problems = import_row.problems || ${problem(`'id'`, `'this id is used twice; it stands first at ' || first.place || '.'`)}
     FROM (SELECT DISTINCT ON (type, id) type, id, position, place FROM import_row WHERE import_id = $1 AND document IS NOT NULL ORDER BY type, id, position) AS first
     WHERE import_id = $1 AND document IS NOT NULL AND import_row.type = first.type AND import_row.id = first.id AND import_row.position > first.position`,
    [id],
  );
  const there = `SELECT type, id FROM import_row WHERE import_id = $1 AND outcome <> 'refused'
    ${RECORD_TYPES.map((type) => `UNION ALL SELECT '${type}', id FROM ${type}`).join(' ')}`;
  const names = `CASE reference.type ${RECORD_TYPES.map((type) => `WHEN '${type}' THEN '${RECORD_NAMES[type]}'`).join(' ')} END`;
  // A record may be refused because one it names was: again until nothing more falls.
  for (;;) {
    const { rowCount } = await client.query(
      `WITH lost AS (SELECT type, id FROM import_reference WHERE import_id = $1 EXCEPT (${there})),
         told AS (
           SELECT position, jsonb_agg(jsonb_build_object('where', place, 'what', 'there is no ' || ${names} || ' “' || id || '”, here or in the catalogue; add it or correct the id.')) AS problems
           FROM import_reference AS reference JOIN lost USING (type, id)
           WHERE import_id = $1
           GROUP BY position
         )
       UPDATE import_row SET outcome = 'refused', problems = import_row.problems || told.problems
       FROM told WHERE import_id = $1 AND outcome <> 'refused' AND import_row.position = told.position`,
      [id],
    );
    if ((rowCount ?? 0) === 0) break;
  }
  for (const type of RECORD_TYPES)
    await client.query(
      `UPDATE import_row SET outcome = CASE WHEN stored.id IS NULL THEN 'added' WHEN stored.document = import_row.document THEN 'same' ELSE 'changed' END
       FROM import_row AS row LEFT JOIN ${type} AS stored ON stored.id = row.id
       WHERE import_row.import_id = $1 AND import_row.type = $2 AND import_row.outcome = 'read' AND row.import_id = $1 AND row.position = import_row.position`,
      [id, type],
    );
}

/**
 * Whether every row that was read is still there: the working table is not logged, and a crash of the database empties
 * it.
 */
async function isWhole(client: pg.Client, id: string): Promise<boolean> {
  const { rows } = await client.query<{ whole: boolean }>(
    `SELECT (SELECT count(*) FROM import_row WHERE import_id = $1)
       = (SELECT coalesce(sum((each ->> 'count')::int), 0) FROM import, jsonb_array_elements(counts) AS each WHERE import.id = $1) AS whole`,
    [id],
  );
  return rows[0]?.whole === true;
}

/** Puts what is added and changed into the catalogue, all of it in one transaction. */
async function apply(
  client: pg.Client,
  id: string,
  who: string,
  tell: (message: ImportMessage) => void,
): Promise<ImportResult> {
  await client.query('BEGIN');
  try {
    const state = await client.query<{ same: boolean }>(
      'SELECT catalogue_state.revision = import.revision AS same FROM catalogue_state, import WHERE import.id = $1 FOR UPDATE OF catalogue_state',
      [id],
    );
    if (state.rows[0]?.same !== true) {
      await client.query('ROLLBACK');
      return { did: 'nothing', because: 'changed' };
    }
    if (!(await isWhole(client, id))) {
      await client.query('ROLLBACK');
      return { did: 'nothing', because: 'lost' };
    }
    const set = await client.query<{ batch: string }>(
      `SELECT set_config('which_bore.who', $1, true), set_config('which_bore.batch', gen_random_uuid()::text, true) AS batch`,
      [who],
    );
    const span = await client.query<{ last: number | null }>(
      'SELECT max(position) AS last FROM import_row WHERE import_id = $1',
      [id],
    );
    const last = span.rows[0]?.last ?? -1;
    let done = 0;
    for (const type of RECORD_TYPES)
      for (let from = 0; from <= last; from += APPLIED_AT_ONCE) {
        const { rowCount } = await client.query(
          `INSERT INTO ${type} (id, document)
           SELECT id, document FROM import_row WHERE import_id = $1 AND type = $2 AND outcome IN ('added', 'changed') AND position >= $3 AND position < $4
           ON CONFLICT (id) DO UPDATE SET document = excluded.document, version = ${type}.version + 1`,
          [id, type, from, from + APPLIED_AT_ONCE],
        );
        done += rowCount ?? 0;
        tell({ progress: Math.min(0.97, done / (last + 1)) });
      }
    await client.query('COMMIT');
    return { did: 'apply', batch: set.rows[0]?.batch ?? '' };
  } catch (error) {
    await client.query('ROLLBACK').catch(() => undefined);
    throw error;
  }
}

const APPLIED_AT_ONCE = 5000;
