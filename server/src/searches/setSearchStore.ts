import { randomUUID } from 'node:crypto';
import createError from '@fastify/error';
import {
  MOST_SEARCHES,
  type Answers,
  type PlanProgress,
  type SearchState,
  type SetSearch,
  type Wording,
} from '@which-bore/core';
import type { EntityManager } from 'typeorm';
import type { Database } from '../database/database.js';
import { MissingError } from '../documents/errors.js';

/** Somebody has as many searches as one may have. */
const TooManyError = createError(
  'TOO_MANY',
  `You have ${MOST_SEARCHES} searches waiting or at work already. Wait until one is through, or stop one.`,
  429,
);

/** How long a search is kept after its end. */
const KEPT = '1 day';
/** Taken by whoever takes a search on, so that two servers do not each give a turn to the same person. */
const TAKING_ON = 1601;

/** A search that a server has taken on. */
export interface TakenOn {
  readonly id: string;
  readonly turn: string;
  readonly asked: object;
  readonly wording: Wording;
}

type Part = NonNullable<SetSearch['part']>;

/** What came of a search so far, as JSON. */
export interface Outcome {
  readonly sets?: string;
  readonly conflicts?: string;
  readonly worth?: string;
  readonly problem?: string;
}

interface SetSearchRow {
  readonly id: string;
  readonly state: SearchState;
  readonly asked_at: Date;
  readonly ended_at: Date | null;
  readonly taken_up: number;
  readonly ahead: string | null;
  readonly part: Part | null;
  readonly progress: PlanProgress | null;
  readonly sets: Answers['planSets'] | null;
  readonly conflicts: Answers['planConflicts'] | null;
  readonly worth: Answers['planWorth'] | null;
  readonly problem: string | null;
}

const told = (row: SetSearchRow): SetSearch => ({
  id: row.id,
  state: row.state,
  askedAt: row.asked_at.toISOString(),
  ...(row.ended_at ? { endedAt: row.ended_at.toISOString() } : {}),
  ...(row.state === 'waiting' ? { ahead: Number(row.ahead ?? 0) } : {}),
  takenUp: row.taken_up,
  ...(row.part && !row.ended_at ? { part: row.part } : {}),
  ...(row.progress && !row.ended_at ? { progress: row.progress } : {}),
  ...(row.sets ? { sets: row.sets } : {}),
  ...(row.conflicts ? { conflicts: row.conflicts } : {}),
  ...(row.worth ? { worth: row.worth } : {}),
  ...(row.problem === null ? {} : { problem: row.problem }),
});

/** Has somebody take a search on; within the transaction that makes it one that waits. */
type Call = (manager: EntityManager) => Promise<unknown>;

/** Searches for sets as they stand in the database: everything about them outlives a server. */
export class SetSearchStore {
  constructor(
    private readonly database: Database,
    private readonly call: Call,
  ) {}

  /** Begins a search. Throws a TooManyError for whoever has enough of them. */
  async begin(person: string, asked: object, wording: Wording): Promise<SetSearch> {
    const id = randomUUID();
    await this.database.connection.transaction(async (manager) => {
      await manager.query(`DELETE FROM set_search WHERE ended_at < now() - interval '${KEPT}'`);
      // Two requests of one person at one moment are counted one after the other.
      await manager.query('SELECT pg_advisory_xact_lock($1, hashtext($2))', [TAKING_ON, person]);
      const [row] = await manager.query<{ open: number }[]>(
        'SELECT count(*)::int AS open FROM set_search WHERE person = $1 AND ended_at IS NULL',
        [person],
      );
      if ((row?.open ?? 0) >= MOST_SEARCHES) throw new TooManyError();
      await manager.query('INSERT INTO set_search (id, person, asked, wording) VALUES ($1, $2, $3, $4)', [
        id,
        person,
        asked,
        wording,
      ]);
      await this.call(manager);
    });
    return this.get(id);
  }

  /** How a search stands. Throws a MissingError where there is none. */
  async get(id: string): Promise<SetSearch> {
    const [row] = await this.database.connection.query<SetSearchRow[]>(
      `SELECT s.*, (SELECT count(*) FROM set_search AS other
                    WHERE other.ended_at IS NULL AND other.asked_at < s.asked_at) AS ahead
       FROM set_search AS s WHERE id = $1`,
      [id],
    );
    if (!row) throw new MissingError(`There is no search ${id}: it is a day since it ended, or it was never begun.`);
    return told(row);
  }

  /** Tells a search to stop. One that nobody has taken on yet is at its end with that. */
  async stop(id: string): Promise<SetSearch> {
    await this.database.connection.query(
      `UPDATE set_search SET
         state = CASE state WHEN 'waiting' THEN 'stopped' ELSE 'stopping' END,
         ended_at = CASE state WHEN 'waiting' THEN clock_timestamp() END
       WHERE id = $1 AND state IN ('waiting', 'searching')`,
      [id],
    );
    return this.get(id);
  }

  /**
   * Takes on the search whose turn it is: of whoever has the fewest at work, then of whoever was served longest ago,
   * and of one person the oldest. Nothing where none waits.
   *
   * @param server that takes it on
   */
  async takeOn(server: string): Promise<TakenOn | undefined> {
    const turn = randomUUID();
    return this.database.connection.transaction(async (manager) => {
      await manager.query('SELECT pg_advisory_xact_lock($1, 0)', [TAKING_ON]);
      const [next] = await manager.query<{ id: string; asked: object; wording: Wording }[]>(
        `SELECT waiting.id, waiting.asked, waiting.wording
         FROM set_search AS waiting
         LEFT JOIN LATERAL (
           SELECT count(*) FILTER (WHERE ended_at IS NULL AND turn IS NOT NULL) AS at_work, max(begun_at) AS last
           FROM set_search AS own WHERE own.person = waiting.person AND own.begun_at IS NOT NULL
         ) AS served ON true
         WHERE waiting.state = 'waiting'
         ORDER BY served.at_work, served.last NULLS FIRST, waiting.asked_at, waiting.id
         LIMIT 1 FOR UPDATE OF waiting`,
      );
      if (!next) return undefined;
      await manager.query(
        `UPDATE set_search SET state = 'searching', turn = $2, server = $3, begun_at = clock_timestamp(),
           taken_up = taken_up + 1, progress = NULL, sets = NULL, part = 'sets'
         WHERE id = $1`,
        [next.id, turn, server],
      );
      return { ...next, turn };
    });
  }

  /**
   * Notes how far a search has come.
   *
   * @returns whether it is to go on: nobody has stopped it, nor taken it over
   */
  async note(
    { id, turn }: TakenOn,
    part?: Part,
    { progress, sets }: { readonly progress?: string; readonly sets?: string } = {},
  ): Promise<boolean> {
    const { connection } = this.database;
    if (part === undefined) {
      const [row] = await connection.query<{ state: SearchState }[]>(
        'SELECT state FROM set_search WHERE id = $1 AND turn = $2',
        [id, turn],
      );
      return row?.state === 'searching';
    }
    const [rows] = await connection.query<[{ state: SearchState }[], number]>(
      `UPDATE set_search SET part = $3, progress = coalesce($4::jsonb, progress), sets = coalesce($5::jsonb, sets)
       WHERE id = $1 AND turn = $2 RETURNING state`,
      [id, turn, part, progress ?? null, sets ?? null],
    );
    return rows[0]?.state === 'searching';
  }

  /** Notes what came of a search; of one that somebody else has taken over nothing is noted. */
  async end(
    { id, turn }: TakenOn,
    state: 'done' | 'stopped' | 'failed',
    { sets, conflicts, worth, problem }: Outcome,
  ): Promise<void> {
    await this.database.connection.query(
      `UPDATE set_search SET state = $3, turn = NULL, ended_at = clock_timestamp(),
         sets = $4::jsonb, conflicts = $5::jsonb, worth = $6::jsonb, problem = $7
       WHERE id = $1 AND turn = $2`,
      [id, turn, state, sets ?? null, conflicts ?? null, worth ?? null, problem ?? null],
    );
  }

  /** Gives a search back that was taken on, so that somebody else does it. */
  async giveBack({ id, turn }: TakenOn): Promise<void> {
    await this.waitAgain('id = $1 AND turn = $2', [id, turn]);
  }

  async isAnyWaiting(): Promise<boolean> {
    const rows = await this.database.connection.query<unknown[]>(
      "SELECT FROM set_search WHERE state = 'waiting' LIMIT 1",
    );
    return rows.length > 0;
  }

  /** Servers that have taken searches on. */
  async serversAtWork(): Promise<readonly string[]> {
    const rows = await this.database.connection.query<{ server: string }[]>(
      'SELECT DISTINCT server FROM set_search WHERE turn IS NOT NULL',
    );
    return rows.map(({ server }) => server);
  }

  /** Gives back all that a server had taken on, which is there no more. */
  async giveBackOf(server: string): Promise<void> {
    await this.waitAgain('server = $1 AND turn IS NOT NULL', [server]);
  }

  private async waitAgain(which: string, values: readonly string[]): Promise<void> {
    await this.database.connection.transaction(async (manager) => {
      const [, count] = await manager.query<[unknown[], number]>(
        `UPDATE set_search SET turn = NULL,
           state = CASE state WHEN 'stopping' THEN 'stopped' ELSE 'waiting' END,
           ended_at = CASE state WHEN 'stopping' THEN clock_timestamp() END
         WHERE ${which}`,
        [...values],
      );
      for (let each = 0; each < count; each++) await this.call(manager);
    });
  }
}
