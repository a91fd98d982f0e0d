import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { access, mkdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { MessageChannel } from 'node:worker_threads';
import createError from '@fastify/error';
import { cut } from '@which-bore/core';
import { Piscina } from 'piscina';
import { In } from 'typeorm';
import { isAway } from '../database/away.js';
import type { Database } from '../database/database.js';
import {
  ImportEntity,
  ImportRowEntity,
  type ImportRow,
  type ImportRowRow,
  type ImportState,
} from '../database/entities.js';
import { MissingError } from '../documents/errors.js';
import type { ImportMessage, ImportResult, ImportTask } from '../transfer/importTask.js';
import type { Choices } from '../transfer/source.js';

/** An import cannot do now what is asked of it. */
const ImportStateError = createError('IMPORT_STATE', '%s', 409);

interface Running {
  readonly abort: AbortController;
  /** The database's process that works for it, once known. */
  backend?: number;
  readonly ended: Promise<void>;
}

const AT_WORK: readonly ImportState[] = ['waiting', 'reading', 'applying'];
const LOST = 'The database went away in the middle of it. Nothing was changed; read it again.';
const EMPTIED =
  'The database went down after the file was read, and what was read is lost. Nothing was changed, and the file is kept; read it again.';
const CHANGED = 'The catalogue was changed since the file was read. Nothing was imported; read it again.';
/** How often progress goes into the database, ms. */
const NOTED_EVERY = 300;

/**
 * Imports: each read into a working table for the person to look at, then applied whole. The work is done one at a time
 * in a thread; what becomes of it stands in the database, so that it outlives the server.
 */
export class ImportStore {
  private readonly pool: Piscina<ImportTask, ImportResult>;
  private readonly running = new Map<string, Running>();
  /** Imports said to be at work whose work is just about to begin. */
  private readonly beginning = new Set<string>();

  constructor(
    private readonly database: Database,
    private readonly databaseUrl: string,
    private readonly folder: string,
    private readonly report: (message: string, error: unknown) => void,
  ) {
    this.pool = new Piscina<ImportTask, ImportResult>({
      filename: new URL('../transfer/importTask.js', import.meta.url).href,
      minThreads: 0,
      maxThreads: 1,
      idleTimeout: 2000,
    });
  }

  private get imports() {
    return this.database.connection.getRepository(ImportEntity);
  }

  /** Marks what was at work when the server went down. Its file is still there, and it can be read again. */
  async pickUp(): Promise<void> {
    try {
      await this.imports.update(
        { state: In([...AT_WORK]) },
        {
          state: 'interrupted',
          problem: 'The server went down in the middle of it. Nothing was changed; read it again.',
        },
      );
    } catch (error) {
      if (!isAway(error)) throw error;
    }
  }

  /** Keeps an uploaded file and begins to read it. */
  async begin(
    fileName: string,
    content: Readable & { readonly truncated?: boolean },
    who: string,
    tooLarge: () => Error,
  ): Promise<ImportRow> {
    await mkdir(this.folder, { recursive: true });
    const id = randomUUID();
    const path = this.pathOf(id);
    this.beginning.add(id);
    try {
      await pipeline(content, createWriteStream(path));
      if (content.truncated) throw tooLarge();
      const { size } = await stat(path);
      await this.imports.insert({ id, fileName: cut(fileName, 200), bytes: String(size), who, state: 'waiting' });
    } catch (error) {
      this.beginning.delete(id);
      await rm(path, { force: true });
      throw error;
    }
    await this.read(id, {});
    return this.get(id);
  }

  async get(id: string): Promise<ImportRow> {
    const found = await this.imports.findOneBy({ id });
    if (!found)
      throw new MissingError(`There is no import “${id}”; it may have been cleared away. Upload the file again.`);
    if (this.running.has(id) || this.beginning.has(id)) return found;
    // Its work ended when the database was away and could not say so; or it was read, and a crash has emptied what was
    // read.
    const problem = AT_WORK.includes(found.state)
      ? LOST
      : found.state === 'read' && (await this.isEmptied(found))
        ? EMPTIED
        : undefined;
    if (problem === undefined) return found;
    await this.imports.update({ id, state: found.state }, { state: 'interrupted', problem });
    return { ...found, state: 'interrupted', problem };
  }

  /** Whether rows were read and none is there any more. */
  private async isEmptied({ id, counts }: ImportRow): Promise<boolean> {
    return (
      counts.some(({ count }) => count > 0) &&
      !(await this.database.connection.getRepository(ImportRowEntity).existsBy({ importId: id }))
    );
  }

  all(): Promise<ImportRow[]> {
    return this.imports.find({ order: { createdAt: 'DESC' }, take: 50 });
  }

  /** Rows of an import in the order of the file. */
  rows(id: string, outcome: ImportRowRow['outcome'] | undefined, after: number, most: number): Promise<ImportRowRow[]> {
    const query = this.database.connection
      .getRepository(ImportRowEntity)
      .createQueryBuilder('row')
      .where('row.importId = :id AND row.position > :after', { id, after })
      .orderBy('row.position')
      .limit(most);
    if (outcome !== undefined) query.andWhere('row.outcome = :outcome', { outcome });
    return query.getMany();
  }

  /** Reads the file of an import, again if need be, with columns as chosen. Goes on in the background. */
  async read(id: string, choices: Choices): Promise<void> {
    const row = await this.get(id);
    if (this.running.has(id) || row.state === 'applied')
      throw new ImportStateError(`The import is ${row.state}; upload the file anew to import it again.`);
    const path = this.pathOf(id);
    await access(path).catch(() => {
      throw new ImportStateError('The uploaded file is no longer there. Upload it again.');
    });
    this.beginning.add(id);
    await this.imports.update(
      { id },
      { state: 'reading', progress: 0, problem: null, choices, tables: [], counts: [] },
    );
    this.start(id, { does: 'read', path, name: row.fileName, choices }, async (result) => {
      if (result.did === 'nothing' && result.because === 'unreadable')
        await this.imports.update({ id }, { state: 'failed', problem: result.problem });
      if (result.did !== 'read') return;
      const { tables, counts, revision } = result;
      await this.imports.update(
        { id },
        { state: 'read', progress: 1, tables: [...tables], counts: [...counts], revision },
      );
    });
  }

  /**
   * Puts what was read into the catalogue, in the background. Throws an ImportStateError when some of it is refused and
   * nobody said to leave that out.
   */
  async apply(id: string, who: string, leaveOutRefused: boolean): Promise<void> {
    const row = await this.get(id);
    if (row.state !== 'read')
      throw new ImportStateError(`The import is ${row.state}; only one that was read can be put into the catalogue.`);
    const refused = row.counts
      .filter((count) => count.outcome === 'refused')
      .reduce((sum, count) => sum + count.count, 0);
    if (refused > 0 && !leaveOutRefused)
      throw new ImportStateError(
        `${refused} ${refused === 1 ? 'row is' : 'rows are'} refused. Mend the file and upload it again, or say that they are to be left out.`,
      );
    this.beginning.add(id);
    await this.imports.update({ id }, { state: 'applying', progress: 0 });
    this.start(id, { does: 'apply', who }, async (result) => {
      if (result.did === 'nothing') {
        await this.imports.update(
          { id },
          { state: 'interrupted', problem: result.because === 'lost' ? EMPTIED : CHANGED },
        );
        return;
      }
      if (result.did !== 'apply') return;
      await this.imports.update({ id }, { state: 'applied', progress: 1, batch: result.batch });
      await this.clear(id);
    });
  }

  /** Stops an import that is at work, and waits until it has stopped; clears one that is not. */
  async cancel(id: string): Promise<void> {
    const row = await this.get(id);
    const running = this.running.get(id);
    if (running) {
      running.abort.abort();
      if (running.backend !== undefined)
        await this.database.connection.query('SELECT pg_terminate_backend($1)', [running.backend]);
      await running.ended;
      // It may have been done an instant before.
      if ((await this.get(id)).state === 'applied') return;
    }
    if (row.state !== 'applied') await this.imports.update({ id }, { state: 'cancelled', problem: null, progress: 0 });
    await this.clear(id);
  }

  /** Waits until an import that is at work has ended. */
  async settled(id: string): Promise<void> {
    await this.running.get(id)?.ended;
  }

  async close(): Promise<void> {
    for (const { abort } of this.running.values()) abort.abort();
    await Promise.all([...this.running.values()].map(({ ended }) => ended));
    await this.pool.destroy();
  }

  private pathOf(id: string): string {
    return join(this.folder, id);
  }

  /** Takes away the file and the working rows; what became of the import stays on record. */
  private async clear(id: string): Promise<void> {
    await rm(this.pathOf(id), { force: true });
    await this.database.connection.query('DELETE FROM import_reference WHERE import_id = $1', [id]);
    await this.database.connection.query('DELETE FROM import_row WHERE import_id = $1', [id]);
  }

  private start(id: string, work: ImportTask['work'], done: (result: ImportResult) => Promise<void>): void {
    const abort = new AbortController();
    const { port1, port2 } = new MessageChannel();
    let noted = 0;
    port1.on('message', (message: ImportMessage) => {
      if ('backend' in message) {
        running.backend = message.backend;
        return;
      }
      const now = Date.now();
      if (now - noted < NOTED_EVERY) return;
      noted = now;
      void this.imports.update({ id, state: In([...AT_WORK]) }, { progress: message.progress }).catch(() => undefined);
    });
    const task = { databaseUrl: this.databaseUrl, id, port: port2, work } satisfies ImportTask;
    const ended = this.pool
      .run(task, { transferList: [port2], signal: abort.signal })
      .then(done)
      .catch((error: unknown) => this.failed(id, error, abort.signal.aborted))
      .catch((error: unknown) => this.report('An import ended and could not be noted.', error))
      .finally(() => {
        port1.close();
        this.running.delete(id);
      });
    const running: Running = { abort, ended };
    this.running.set(id, running);
    this.beginning.delete(id);
  }

  private async failed(id: string, error: unknown, aborted: boolean): Promise<void> {
    if (aborted) {
      await this.imports.update(
        { id, state: In([...AT_WORK]) },
        { state: 'interrupted', problem: 'It was stopped. Nothing was changed.' },
      );
      return;
    }
    this.report('An import failed.', error);
    const problem = isAway(error) ? LOST : 'Something went wrong on the server; it is in the log. Nothing was changed.';
    await this.imports.update({ id }, { state: 'interrupted', problem });
  }
}
