/**
 * A thread of the server in which a workshop lives: it holds the catalogue with all that is kept of it, follows the
 * database record by record, and answers questions whole, as the bytes that are sent. The server's own loop does no
 * more than pass a question in and bytes out.
 */
import { workerData, type MessagePort } from 'node:worker_threads';
import {
  drawerOf,
  EMPTY_CATALOGUE,
  LIST_OF,
  needsOf,
  numbersToBuy,
  openedGrid,
  PlanProgressSchema,
  RECORD_TYPES,
  refusalOf,
  resolveNeeds,
  rowAt,
  shaped,
  USUAL_SHOP,
  VERDICT_WORDS,
  verdictOf,
  Workshop,
  type Catalogue,
  type CatalogueRecord,
  type Course,
  type GridRequest,
  type QuestionName,
  type Refusal,
  type Requests,
  type Shop,
  type Wording,
} from '@which-bore/core';
import pg from 'pg';
import { move } from 'piscina';
import { isAway } from '../database/away.js';
import { Client, CONNECT_WITHIN_MS } from '../database/client.js';
import { changedRecords } from '../database/changedRecords.js';
import { sqlDocuments } from './sqlDocuments.js';
import { csvOf, disarmed, workbookOf } from '../transfer/writeTable.js';

/** What a thread is asked. */
export type Task =
  | {
      readonly does: 'answer';
      readonly name: QuestionName;
      readonly request: unknown;
      readonly wording: Wording;
      readonly stop: Int32Array;
      /** Hears, as JSON, how far a search for sets has come. */
      readonly progress?: MessagePort;
    }
  | {
      readonly does: 'gridFile';
      readonly ending: 'csv' | 'xlsx';
      readonly request: GridRequest;
      readonly stop: Int32Array;
    }
  /** Nothing: it is there once it can say so. */
  | { readonly does: 'begin' }
  /** Loads the catalogue and lays out what takes longest, so that the first who asks need not wait. */
  | { readonly does: 'warmUp' };

/** What a thread says: the answer as bytes, why there is none, or that nobody waits for it any more. */
export type Said = Uint8Array | Refusal | { readonly away: string } | { readonly nothing: true };

const { databaseUrl } = workerData as { readonly databaseUrl: string };
const pool = new pg.Pool({
  connectionString: databaseUrl,
  Client,
  max: 1,
  idleTimeoutMillis: 60_000,
  connectionTimeoutMillis: CONNECT_WITHIN_MS,
});
// A connection that is lost while nobody uses it is made anew when somebody does.
pool.on('error', () => undefined);

/** More changed records than this are not followed one by one. */
const MOST_FOLLOWED = 2000;

let workshop: Workshop | undefined;
let held = { lineage: '', revision: -1, shop: '' };

interface Standing {
  readonly lineage: string;
  readonly revision: number;
  readonly shop: Shop | null;
}

async function standing(client: pg.ClientBase): Promise<Standing> {
  const { rows } = await client.query<Standing>(
    'SELECT lineage, revision, (SELECT document FROM shop WHERE deleted_at IS NULL) AS shop FROM catalogue_state',
  );
  return rows[0] ?? { lineage: '', revision: 0, shop: null };
}

async function loaded(client: pg.ClientBase): Promise<Catalogue> {
  const lists: Record<string, CatalogueRecord[]> = {};
  for (const type of RECORD_TYPES) {
    const { rows } = await client.query<{ document: CatalogueRecord }>(`SELECT document FROM ${type} ORDER BY id`);
    lists[LIST_OF[type]] = rows.map(({ document }) => document);
  }
  return { ...EMPTY_CATALOGUE, ...lists };
}

/** The workshop over the catalogue as it stands in the database now, and the shop's instruments of today. */
async function upToDate(client: pg.ClientBase): Promise<Workshop> {
  let now = await standing(client);
  if (!workshop || now.lineage !== held.lineage || now.revision !== held.revision) {
    await client.query('BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY');
    try {
      now = await standing(client);
      const changes =
        workshop && now.lineage === held.lineage && now.revision > held.revision
          ? await changedRecords(
              async (sql, values) => (await client.query<Record<string, unknown>>(sql, [...values])).rows,
              held.revision,
              MOST_FOLLOWED,
            )
          : undefined;
      if (workshop && changes) workshop.change(changes);
      else {
        workshop = new Workshop(await loaded(client));
        held = { ...held, shop: '' };
      }
      held = { ...held, lineage: now.lineage, revision: now.revision };
    } finally {
      await client.query('ROLLBACK').catch(() => undefined);
    }
  }
  const shop = now.shop ?? USUAL_SHOP;
  const today = new Date().toISOString().slice(0, 10);
  const key = JSON.stringify([shop, today]);
  if (key !== held.shop) {
    workshop.setCircumstances({ drawer: drawerOf(shop, today), rules: shop.rules });
    held = { ...held, shop: key };
  }
  return workshop;
}

const isStopped = (stop: Int32Array): boolean => Atomics.load(stop, 0) !== 0;

/** Works the lines of a grid out one by one, as long as somebody waits for them. */
async function* gridLines(on: Workshop, request: GridRequest, stop: Int32Array): AsyncGenerator<Uint32Array> {
  const open = openedGrid(on, request);
  for (let at = 0; at < open.grid.donors.length; at++) {
    if (isStopped(stop)) return;
    yield rowAt(open, at);
  }
}

async function gridFile(
  on: Workshop,
  { request, ending, stop }: Extract<Task, { does: 'gridFile' }>,
): Promise<Uint8Array> {
  const { grid } = openedGrid(on, request);
  const rows = async function* (): AsyncGenerator<readonly string[]> {
    yield ['', ...grid.recipients.map(({ label }) => disarmed(label))];
    let donor = 0;
    for await (const row of gridLines(on, request, stop))
      yield [disarmed(grid.donors[donor++]?.label ?? ''), ...Array.from(row, (cell) => VERDICT_WORDS[verdictOf(cell)])];
  };
  const file = ending === 'csv' ? csvOf(rows()) : workbookOf([{ name: 'Grid', rows: rows() }]);
  const pieces: Buffer[] = [];
  for await (const piece of file) pieces.push(Buffer.from(piece as Uint8Array));
  return Buffer.concat(pieces);
}

async function done(client: pg.ClientBase, task: Exclude<Task, { does: 'begin' }>): Promise<Said> {
  if (task.does !== 'warmUp' && isStopped(task.stop)) return { nothing: true };
  const on = await upToDate(client);
  switch (task.does) {
    case 'warmUp':
      on.prepare('search', { text: '' });
      return { nothing: true };
    case 'gridFile':
      return gridFile(on, task);
    case 'answer': {
      const request = await resolveNeeds(
        needsOf(task.name),
        task.request as Requests[typeof task.name],
        sqlDocuments(client),
        {
          numbersToBuy: (plan) => numbersToBuy(on, plan),
        },
      );
      // A whole grid is worked out line by line first, so that it can be stopped.
      if (task.name === 'grid') for await (const _line of gridLines(on, request as GridRequest, task.stop));
      if (isStopped(task.stop)) return { nothing: true };
      const searchTold = tellingOf(task);
      const course: Course = { isStopped: () => isStopped(task.stop), ...(searchTold ? { searchTold } : {}) };
      return new TextEncoder().encode(JSON.stringify(on.ask(task.name, request, task.wording, course)));
    }
  }
}

/** How often somebody is told how far a search has come, ms. */
const TOLD_EVERY_MS = 250;

/** Tells at once of the first sets there are, and then now and then. */
function tellingOf({ progress, wording }: Extract<Task, { does: 'answer' }>): Course['searchTold'] {
  if (!progress) return undefined;
  let [last, hadSets] = [0, false];
  return (now) => {
    const isTime = performance.now() - last >= TOLD_EVERY_MS;
    if (!isTime && hadSets) return;
    const told = now();
    if (!isTime && told.sets.length === 0) return;
    [last, hadSets] = [performance.now(), told.sets.length > 0];
    progress.postMessage(JSON.stringify(shaped(PlanProgressSchema, told, wording)));
  };
}

export default async function thread(task: Task): Promise<Said | ReturnType<typeof move>> {
  if (task.does === 'begin') return { nothing: true };
  let client: pg.PoolClient | undefined;
  let lost: Error | undefined;
  const loses = (error: Error): void => {
    lost = error;
  };
  try {
    client = await pool.connect();
    // While something is worked out no query is under way that could tell of a connection that is cut off.
    client.on('error', loses);
    const said = await done(client, task);
    // Bytes are handed over, not copied.
    return said instanceof Uint8Array ? move(said) : said;
  } catch (error) {
    const refusal = refusalOf(error);
    if (refusal) return refusal;
    if (isAway(error)) return { away: String(error) };
    throw error;
  } finally {
    client?.off('error', loses);
    client?.release(lost);
  }
}
