import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BuildFile, Catalogue, JobFile, SpecimenFile } from '@which-bore/core';
import { Ajv, type ValidateFunction } from 'ajv';
import type { FastifyInstance } from 'fastify';
import pg from 'pg';
import { buildApp } from '../app.js';
import type { Config } from '../config.js';
import { Database } from '../database/database.js';
import { CatalogueStore } from './catalogueStore.js';

const json = async (name: string): Promise<unknown> =>
  JSON.parse(await readFile(new URL(`../../../demo-data/${name}`, import.meta.url), 'utf8'));

export const demoCatalogue = async (): Promise<Catalogue> => (await json('catalogue.json')) as Catalogue;
export const demoJobs = async (): Promise<JobFile> => (await json('jobs.json')) as JobFile;
export const demoBuilds = async (): Promise<BuildFile> => (await json('builds.json')) as BuildFile;
export const demoSpecimens = async (): Promise<SpecimenFile> => (await json('specimens.json')) as SpecimenFile;

/** Address of the database the tests may do with as they like. */
export function testDatabaseUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('The server tests need a PostgreSQL at DATABASE_URL; ./test starts one.');
  return url;
}

/** Empties the database and loads the demo catalogue. */
export async function withDemo(): Promise<void> {
  const database = new Database(testDatabaseUrl(), () => undefined);
  await database.open();
  await database.connection.query(
    'TRUNCATE set_search, price_line, supplier, reservation, document_change, practice, shop, photograph, reading_change, build, job, import, import_row, import_reference, reading, specimen, change, fitment, companion, part_number, swap, scheme, variant, pattern, family, maker',
  );
  await new CatalogueStore(database).load(await demoCatalogue(), 'demo');
  await database.close();
}

/**
 * An application over an emptied database that holds the demo catalogue. Close it after use.
 *
 * @param workshops threads that answer questions; each loads the catalogue when it is first asked
 */
export async function appWithDemo(workshops = 1, more: Partial<Config> = {}): Promise<FastifyInstance> {
  const app = await appOver(workshops, more);
  await withDemo();
  return app;
}

/** An application over the database as it stands: one server process beside others. Close it after use. */
export async function appOver(workshops = 1, more: Partial<Config> = {}): Promise<FastifyInstance> {
  const uploads = await mkdtemp(join(tmpdir(), 'which-bore-test-'));
  const app = await buildApp({
    databaseUrl: testDatabaseUrl(),
    webRoot: undefined,
    logLevel: 'error',
    uploads,
    workshops,
    ...more,
  });
  app.addHook('onClose', () => rm(uploads, { recursive: true, force: true }));
  holdToContract(app);
  return app;
}

const ajv = new Ajv({ allErrors: true, strict: false, discriminator: true, validateFormats: false });
const compiled = new WeakMap<object, ValidateFunction>();

/**
 * Holds every JSON answer against the schema of its route: what the documentation says is what comes, in every spec.
 */
function holdToContract(app: FastifyInstance): void {
  app.addHook('onSend', async (request, reply, payload) => {
    const { response } = request.routeOptions.schema ?? {};
    const schema = (response as Readonly<Record<string, object>> | undefined)?.[String(reply.statusCode)];
    const type = String(reply.getHeader('content-type') ?? '');
    if (!schema || !type.startsWith('application/json') || !(typeof payload === 'string' || Buffer.isBuffer(payload)))
      return payload;
    const validate = compiled.get(schema) ?? ajv.compile(schema);
    compiled.set(schema, validate);
    const answer: unknown = JSON.parse(payload.toString());
    if (!validate(answer))
      throw new Error(
        `${request.method} ${request.url} answers otherwise than its contract: ${ajv.errorsText(validate.errors)}`,
      );
    return payload;
  });
}

/** Pins to be imported, and among the last of them one that the demo has already. */
export const MANY_PINS = 2000;
const KNOWN_PIN = 'skerry-pin-42';
export const manyPins = (): string =>
  [
    'id,name,pin.diameter [mm]',
    ...Array.from({ length: MANY_PINS - 1 }, (_, at) => `many-pin-${at},Pin ${at},20`),
    `${KNOWN_PIN},Of 42,42`,
  ].join('\n');

/** Putting pins in that stands still where most of them are written and nothing is settled. */
export class Halt {
  private constructor(private readonly client: pg.Client) {}

  /** Holds on to the pin that the demo has already: whoever puts them all in must wait for it. */
  static async inTheMiddle(): Promise<Halt> {
    const client = new pg.Client({ connectionString: testDatabaseUrl() });
    await client.connect();
    await client.query('BEGIN');
    await client.query('SELECT FROM pattern WHERE id = $1 FOR UPDATE', [KNOWN_PIN]);
    return new Halt(client);
  }

  /** Waits until somebody stands there. */
  async isReached(): Promise<void> {
    const waiting = 'SELECT FROM pg_locks WHERE NOT granted AND transactionid = pg_current_xact_id()::xid';
    while ((await this.client.query(waiting)).rowCount === 0) await new Promise((resolve) => setTimeout(resolve, 25));
  }

  letGo(): Promise<void> {
    return this.client.end();
  }
}

/** An import as the API tells of it. */
export interface ImportShown {
  readonly id: string;
  readonly state: string;
  readonly problem?: string;
  readonly progress: number;
  readonly batch?: string;
  readonly counts: readonly { readonly type: string; readonly outcome: string; readonly count: number }[];
  readonly tables: readonly {
    readonly source: string;
    readonly problem?: string;
    readonly headers: readonly {
      readonly header: string;
      readonly as?: string;
      readonly how: string;
      readonly problem?: string;
    }[];
  }[];
}
