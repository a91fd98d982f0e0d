import { randomUUID } from 'node:crypto';
import { setInterval } from 'node:timers/promises';
import type { Answers, Requests } from '@which-bore/core';
import PgBoss from 'pg-boss';
import type { EntityManager } from 'typeorm';
import { isAway } from '../database/away.js';
import type { Database } from '../database/database.js';
import type { ChangeFeed } from '../changeFeed.js';
import { StoppingError, Workshops } from '../workshop/workshops.js';
import { ServerLock } from './serverLock.js';
import { SetSearchStore, type Outcome, type TakenOn } from './setSearchStore.js';

const QUEUE = 'set-search';
/** A search that is at work looks this often whether it was stopped or taken over, should it not have been told, ms. */
const LOOKS_EVERY_MS = 500;
/** Servers look this often whether another has gone, ms. */
const LOOKS_ROUND_EVERY_MS = 1000;
/** Whoever is called and does not come for so long has gone. */
const CALLED_FOR_HOURS = 12;

/** What a search looks for, question by question. */
const PARTS = { planSets: 'sets', planConflicts: 'conflicts', planWorth: 'worth' } as const;

/**
 * Does the searches for sets that wait in the database, beside other servers that do the same. pg-boss calls one of
 * them whenever a search is begun; which search is then taken on is decided by whose turn it is. What a server had
 * taken on when it went down is taken over by another, and what one gives back when it is stopped likewise.
 */
export class Searchers {
  readonly store: SetSearchStore;
  private readonly boss: PgBoss;
  private readonly lock: ServerLock;
  private readonly benches: readonly Workshops[];
  private readonly atWork = new Map<string, AbortController>();
  private readonly ended = new Set<Promise<void>>();
  private workers: readonly string[] = [];
  private round: NodeJS.Timeout | undefined;
  private opening: Promise<void> | undefined;
  private closing = false;
  private unfollow: () => void = () => undefined;

  /** @param threads searches that are done at one time, each in a thread with the catalogue in its memory */
  constructor(
    database: Database,
    databaseUrl: string,
    private readonly changeFeed: ChangeFeed,
    threads: number,
    private readonly report: (message: string, error: unknown) => void,
  ) {
    this.boss = new PgBoss({
      connectionString: databaseUrl,
      max: 2,
      schema: 'queue',
      schedule: false,
      expireInHours: CALLED_FOR_HOURS,
      retryLimit: 0,
    });
    this.boss.on('error', (error: unknown) => {
      // That the database is away is said elsewhere, once.
      if (!this.closing && !isAway(error)) report('The queue of searches has a problem.', error);
    });
    this.store = new SetSearchStore(database, (manager) => this.call(manager));
    this.lock = new ServerLock(databaseUrl, randomUUID(), report);
    this.benches = Array.from(
      { length: threads },
      () => new Workshops(databaseUrl, 1, (error) => report('A thread that searches has ended.', error)),
    );
  }

  /** Begins to do what waits. It may be called anew whenever the database has come up. */
  open(): Promise<void> {
    this.opening ??= this.begin().catch((error: unknown) => {
      this.opening = undefined;
      if (!this.closing) this.report('The queue of searches did not come up.', error);
    });
    return this.opening;
  }

  private async begin(): Promise<void> {
    await this.lock.open();
    await this.boss.start();
    await this.boss.createQueue(QUEUE);
    this.unfollow = this.changeFeed.followSearches(
      (id) => void this.told(id),
      () => this.wake(),
    );
    this.workers = await Promise.all(
      this.benches.map((bench) =>
        this.boss.work(QUEUE, { batchSize: 1, pollingIntervalSeconds: 2 }, () => this.takeOneOn(bench)),
      ),
    );
    this.round = globalThis.setInterval(() => void this.lookRound(), LOOKS_ROUND_EVERY_MS).unref();
  }

  /** Calls for somebody who takes a search on. */
  private call(manager: EntityManager): Promise<unknown> {
    return this.boss.send(
      QUEUE,
      {},
      { db: { executeSql: async (sql, values) => ({ rows: await manager.query<unknown[]>(sql, values) }) } },
    );
  }

  private wake(): void {
    for (const worker of this.workers) this.boss.notifyWorker(worker);
  }

  /** A search has another state: somebody may have to begin, or to stop. */
  private async told(id: string): Promise<void> {
    if (this.closing) return;
    const stop = this.atWork.get(id);
    if (!stop) {
      this.wake();
      return;
    }
    const { state } = await this.store.get(id).catch(() => ({ state: undefined }));
    if (state === 'stopping') stop.abort();
  }

  /** Takes over what servers had taken on that are there no more, and calls again where a call was not heard. */
  private async lookRound(): Promise<void> {
    try {
      for (const server of await this.store.serversAtWork())
        if (await this.lock.isGone(server)) await this.store.giveBackOf(server);
      // Whoever was called went down before he had taken one on, or could not say that he is there.
      if ((await this.boss.getQueueSize(QUEUE)) === 0 && (await this.store.isAnyWaiting()))
        await this.boss.send(QUEUE, {});
    } catch (error) {
      if (!this.closing && !isAway(error)) this.report('It could not be seen which servers are there.', error);
    }
  }

  /** Does the search whose turn it is. */
  private async takeOneOn(bench: Workshops): Promise<void> {
    if (this.closing || !this.lock.isHeld) return;
    const taken = await this.store.takeOn(this.lock.server);
    if (!taken) return;
    const ended = this.run(bench, taken).finally(() => this.ended.delete(ended));
    this.ended.add(ended);
    await ended;
  }

  private async run(bench: Workshops, taken: TakenOn): Promise<void> {
    const stop = new AbortController();
    this.atWork.set(taken.id, stop);
    const watching = this.watch(taken, stop);
    let outcome: Outcome = {};
    try {
      outcome = await this.search(bench, taken, stop);
      if (this.closing) throw new StoppingError();
      await this.store.end(taken, stop.signal.aborted ? 'stopped' : 'done', outcome);
    } catch (error) {
      if (error instanceof StoppingError || this.closing) await this.store.giveBack(taken).catch(() => undefined);
      else if (!isAway(error))
        await this.store
          .end(taken, 'failed', { problem: error instanceof Error ? error.message : String(error) })
          .catch(() => undefined);
    } finally {
      stop.abort();
      this.atWork.delete(taken.id);
      await watching;
    }
  }

  /** Looks now and then whether a search is to go on. */
  private async watch(taken: TakenOn, stop: AbortController): Promise<void> {
    const { signal } = stop;
    try {
      for await (const _look of setInterval(LOOKS_EVERY_MS, undefined, { signal })) {
        // While the database is away nobody can have said anything.
        const goesOn = await this.store.note(taken).catch(() => true);
        if (!goesOn) stop.abort();
      }
    } catch (error) {
      // That is how an interval ends.
      if (!signal.aborted) throw error;
    }
  }

  private async search(bench: Workshops, taken: TakenOn, stop: AbortController): Promise<Outcome> {
    const part = async (name: keyof typeof PARTS, more: object = {}, sets?: string): Promise<string | undefined> => {
      await this.store.note(taken, PARTS[name], sets === undefined ? {} : { sets });
      const noted = (progress: string): void =>
        void this.store.note(taken, PARTS[name], { progress }).then(
          (goesOn) => {
            if (!goesOn) stop.abort();
          },
          () => undefined,
        );
      try {
        const asked = { ...taken.asked, ...more };
        return Buffer.from(await bench.search(name, asked, taken.wording, stop.signal, noted)).toString();
      } catch (error) {
        // It was stopped before it had begun.
        if (stop.signal.aborted && !(error instanceof StoppingError)) return undefined;
        throw error;
      }
    };
    const sets = await part('planSets');
    if (sets === undefined) return {};
    const { sets: found, proved } = JSON.parse(sets) as Answers['planSets'];
    if (!proved || stop.signal.aborted) return { sets };
    const [best] = found;
    if (!best) {
      const conflicts = await part('planConflicts', {}, sets);
      return { sets, ...(conflicts === undefined ? {} : { conflicts }) };
    }
    // What a demand costs is told of one engine.
    const { engines = 1 } = (taken.asked as Requests['planSets']).demands;
    if (engines > 1) return { sets };
    const worth = await part('planWorth', { best: best.score }, sets);
    return { sets, ...(worth === undefined ? {} : { worth }) };
  }

  /** Gives back what is at work, so that another server does it. */
  async close(): Promise<void> {
    this.closing = true;
    clearInterval(this.round);
    this.unfollow();
    await this.opening;
    for (const stop of this.atWork.values()) stop.abort();
    await Promise.allSettled(this.ended);
    await this.boss.stop({ graceful: false, wait: true, close: true }).catch(() => undefined);
    await Promise.all(this.benches.map((bench) => bench.close()));
    await this.lock.close();
  }
}
