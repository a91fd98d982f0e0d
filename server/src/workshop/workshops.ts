import { once } from 'node:events';
import { MessageChannel, type MessagePort } from 'node:worker_threads';
import createError from '@fastify/error';
import { DataError, isRefusal, QUESTIONS, type GridRequest, type QuestionName, type Wording } from '@which-bore/core';
import { Piscina } from 'piscina';
import { DatabaseAwayError } from '../database/away.js';
import { MissingError } from '../documents/errors.js';
import type { Said, Task } from './thread.js';

/** Who asked has gone before there was an answer (as nginx has it, 499). */
const GoneError = createError('GONE', 'Nobody waits for this answer any more.', 499);

/** The server was stopped before there was an answer. */
export const StoppingError = createError('STOPPING', 'The server is being stopped. Ask again when it is back.', 503);

interface Bench {
  readonly pool: Piscina<Task, Said>;
  /** How many questions it has been given and not answered. */
  waiting: number;
  /** Its thread has loaded what it runs; begun by the first question. */
  begun?: Promise<void>;
}

/** Two: one for the long questions, and one that is then still there for the short ones. */
const USUAL = 2;

/**
 * The workshops of the server, each in a thread of its own. A long question goes to the first, so that a short one
 * never waits behind an audit; a short one to whichever has the least to do.
 */
export class Workshops {
  private readonly benches: readonly Bench[];
  private stopping = false;

  /** @param threadFailed hears why a thread ended that had no question to fail */
  constructor(databaseUrl: string, threads = USUAL, threadFailed: (error: Error) => void = () => undefined) {
    this.benches = Array.from({ length: Math.max(1, threads) }, () => ({
      pool: new Piscina<Task, Said>({
        filename: new URL('./thread.js', import.meta.url).href,
        workerData: { databaseUrl },
        minThreads: 0,
        maxThreads: 1,
        // A thread that waits must go on hearing of its connections, which it would not while it sleeps on an atomic.
        atomics: 'disabled',
        // What a workshop has laid out is worth more than the memory it takes.
        idleTimeout: 2_000_000_000,
      }),
      waiting: 0,
    }));
    for (const { pool } of this.benches) pool.on('error', threadFailed);
  }

  /** The answer to a question, as the bytes of its JSON. `gone` is a signal that nobody waits for it any more. */
  ask(name: QuestionName, request: unknown, wording: Wording, gone?: AbortSignal): Promise<Uint8Array> {
    return this.run(QUESTIONS[name].long ?? false, (stop) => ({ does: 'answer', name, request, wording, stop }), gone);
  }

  /**
   * The answer to a search for sets.
   *
   * @param told hears now and then, as JSON, how far it has come
   */
  async search(
    name: 'planSets' | 'planConflicts' | 'planWorth',
    request: unknown,
    wording: Wording,
    stop: AbortSignal,
    told: (progress: string) => void,
  ): Promise<Uint8Array> {
    const { port1, port2 } = new MessageChannel();
    port1.on('message', told);
    try {
      return await this.run(
        true,
        (flag) => ({ does: 'answer', name, request, wording, stop: flag, progress: port2 }),
        stop,
        [port2],
      );
    } finally {
      port1.close();
    }
  }

  /** A grid as a file. */
  gridFile(ending: 'csv' | 'xlsx', request: GridRequest, gone?: AbortSignal): Promise<Uint8Array> {
    return this.run(true, (stop) => ({ does: 'gridFile', ending, request, stop }), gone);
  }

  /** Has every thread load the catalogue and lay it out, one after the other, so that one is always free. */
  async warmUp(): Promise<void> {
    for (const bench of [...this.benches].reverse()) await this.on(bench, { does: 'warmUp' });
  }

  async close(): Promise<void> {
    this.stopping = true;
    // A thread that is ended while it loads its modules takes the whole server with it (seen with Node.js 20).
    await Promise.allSettled(this.benches.flatMap(({ begun }) => begun ?? []));
    await Promise.all(this.benches.map(({ pool }) => pool.destroy()));
  }

  private async run(
    long: boolean,
    task: (stop: Int32Array) => Task,
    gone: AbortSignal | undefined,
    handedOver: readonly MessagePort[] = [],
  ): Promise<Uint8Array> {
    const [first] = this.benches;
    const bench =
      long || !first ? first : this.benches.reduce((best, each) => (each.waiting <= best.waiting ? each : best), first);
    if (!bench) throw new Error('The server has no workshop.');
    const stop = new Int32Array(new SharedArrayBuffer(Int32Array.BYTES_PER_ELEMENT));
    const stopped = () => Atomics.store(stop, 0, 1);
    gone?.addEventListener('abort', stopped, { once: true });
    try {
      if (gone?.aborted) stopped();
      return bytesOf(await this.on(bench, task(stop), handedOver));
    } finally {
      gone?.removeEventListener('abort', stopped);
    }
  }

  private async on(bench: Bench, task: Task, handedOver: readonly MessagePort[] = []): Promise<Said> {
    bench.waiting++;
    try {
      await (bench.begun ??= begin(bench.pool).catch((error: unknown) => {
        // The next question tries again.
        delete bench.begun;
        throw error;
      }));
      return await bench.pool.run(task, { transferList: [...handedOver] });
    } catch (error) {
      throw this.stopping ? new StoppingError() : error;
    } finally {
      bench.waiting--;
    }
  }
}

/** Has the thread of a pool begin. From then on one that has ended, whyever, is followed by another. */
async function begin(pool: Piscina<Task, Said>): Promise<void> {
  const done = new AbortController();
  // One that cannot load what it runs is not given the question, which would wait for ever.
  const failed = once(pool, 'error', { signal: done.signal }).then(([error]: Error[]) =>
    Promise.reject(error as Error),
  );
  try {
    await Promise.race([pool.run({ does: 'begin' }), failed]);
  } finally {
    failed.catch(() => undefined);
    done.abort();
  }
  pool.options.minThreads = 1;
}

/** The bytes of an answer. Throws what is to be told where there is none. */
function bytesOf(said: Said): Uint8Array {
  if (said instanceof Uint8Array) return said;
  if (isRefusal(said))
    throw said.refused === 'missing' ? new MissingError(said.error) : new DataError(said.error, said.problems ?? []);
  if ('away' in said) throw new DatabaseAwayError(said.away);
  throw new GoneError();
}
