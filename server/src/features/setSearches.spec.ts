import { randomUUID } from 'node:crypto';
import { isOver, MOST_SEARCHES, type Answers, type ErrorBody, type SetSearch } from '@which-bore/core';
import type { FastifyInstance } from 'fastify';
import { Database } from '../database/database.js';
import { ServerLock } from '../searches/serverLock.js';
import { SetSearchStore } from '../searches/setSearchStore.js';
import { ServerProcess } from '../testing/serverProcess.js';
import { appOver, appWithDemo, testDatabaseUrl, withDemo } from './testing.js';

const any = (...slots: readonly string[]) => slots.map((slot) => ({ slot, from: 'any' }));
const build = { id: randomUUID(), name: '336', variant: 'sluice-336', places: [], sizes: [] };
const QUICK = {
  build,
  demands: { places: any('crank', 'piston'), targets: [{ figure: 'displacement', low: 5700, high: 5950 }] },
};
/** Some hundred million choices: seconds of work, whatever the machine. */
const LONG = {
  build,
  demands: {
    places: any('crank', 'rod', 'pin', 'piston', 'head', 'headGasket'),
    targets: [
      { figure: 'ratio', low: 9, high: 9.6 },
      { figure: 'squish', low: 0.9, high: 1.2 },
    ],
  },
};
/** The sets at once, and seconds to what each demand costs: time enough to be stopped in the middle. */
const MIDDLING = { build, demands: { ...LONG.demands, places: any('piston', 'head', 'headGasket') } };
const NONE = { build, demands: { places: any('piston'), targets: [{ figure: 'displacement', low: 6500 }] } };

const pause = () => new Promise((resolve) => setTimeout(resolve, 25));

describe('a search for sets', () => {
  let app: FastifyInstance;
  const begin = (payload: object, who = 'Amina', at = app) =>
    at.inject({ method: 'POST', url: '/api/plan/searches', payload, headers: { 'x-who': who } });
  const begun = async (payload: object, who?: string, at?: FastifyInstance) => {
    const answer = await begin(payload, who, at);
    expect(answer.statusCode).withContext(answer.body).toBe(202);
    return answer.json<SetSearch>();
  };
  const get = async (id: string, at = app) => (await at.inject({ url: `/api/plan/searches/${id}` })).json<SetSearch>();
  const until = async (id: string, is: (now: SetSearch) => boolean, at = app): Promise<SetSearch> => {
    for (;;) {
      const now = await get(id, at);
      if (is(now)) return now;
      await pause();
    }
  };

  describe('on one server', () => {
    beforeAll(async () => (app = await appWithDemo()));
    afterAll(() => app.close());

    it('ends with the answer that the question itself has', async () => {
      const { id } = await begun(QUICK);
      const { state, sets, worth, takenUp } = await until(id, isOver);
      expect([state, takenUp]).toEqual(['done', 1]);
      const asked = await app.inject({ method: 'POST', url: '/api/plan/sets', payload: QUICK });
      expect(sets).toEqual(asked.json<Answers['planSets']>());
      // And with what each demand costs, which is asked once the best is known.
      const costs = await app.inject({ method: 'POST', url: '/api/plan/worth', payload: QUICK });
      expect(worth).toEqual(costs.json<Answers['planWorth']>());
    });

    it('goes on to look why where there is no set', async () => {
      const { id } = await begun(NONE);
      const { state, sets, conflicts } = await until(id, isOver);
      expect([state, sets?.sets.length, sets?.proved]).toEqual(['done', 0, true]);
      const asked = await app.inject({ method: 'POST', url: '/api/plan/conflicts', payload: NONE });
      expect(conflicts).toEqual(asked.json<Answers['planConflicts']>());
    });

    it('is refused where it was typed, before anybody takes it on', async () => {
      const answer = await begin({
        build,
        demands: { places: any('piston'), targets: [{ figure: 'ratio', low: 10, high: 9 }] },
      });
      expect(answer.statusCode).toBe(400);
      expect(answer.json<ErrorBody>().problems?.map(({ where }) => where)).toEqual(['body.demands.targets[0].low']);
    });

    it('tells how far it has come: sets so far, and what they must still beat', async () => {
      const { id } = await begun(LONG);
      const { progress, part } = await until(id, ({ progress: now }) => (now?.nodes ?? 0) > 1);
      expect(part).toBe('sets');
      expect(progress?.combinations).toBeGreaterThan(1e8);
      expect(progress?.bound).toBeGreaterThan(0);
      await app.inject({ method: 'DELETE', url: `/api/plan/searches/${id}` });
      const { state, sets } = await until(id, isOver);
      expect(state).toBe('stopped');
      // What it had is there, and is not called proved.
      expect(sets?.proved).toBeFalse();
    });

    it('is told of as it goes, to its end', async () => {
      const { id } = await begun(QUICK);
      // The stream ends by itself once the search is over.
      const { body, headers } = await app.inject({ url: `/api/plan/searches/${id}/events` });
      expect(headers['content-type']).toContain('text/event-stream');
      const events = body
        .split('\n')
        .flatMap((line) => (line.startsWith('data: ') ? [JSON.parse(line.slice(6)) as SetSearch] : []));
      expect(events.at(-1)?.state).toBe('done');
      expect(events.at(-1)?.sets?.sets.length).toBeGreaterThan(0);
      expect(events.slice(0, -1).some(isOver)).toBeFalse();
    });

    it('that nobody knows, or that was never begun, is said to be none', async () => {
      for (const [method, url] of [
        ['GET', `/api/plan/searches/${randomUUID()}`],
        ['DELETE', `/api/plan/searches/${randomUUID()}`],
        ['GET', `/api/plan/searches/${randomUUID()}/events`],
      ] as const) {
        const answer = await app.inject({ method, url });
        expect(answer.statusCode).withContext(url).toBe(404);
        expect(answer.json<ErrorBody>().error).toContain('There is no search');
      }
    });
  });

  describe('beside those of others', () => {
    // Nobody does any: what is looked at is whose turn it is.
    beforeEach(async () => (app = await appWithDemo(1, { searchers: 0 })));
    afterEach(() => app.close());

    const inTurn = async (
      times: number,
      isThrough: (which: number) => boolean,
    ): Promise<readonly (string | undefined)[]> => {
      const database = new Database(testDatabaseUrl(), () => undefined);
      await database.open();
      const store = new SetSearchStore(database, () => Promise.resolve());
      // A server that says it is there: what it has taken on is not given to others.
      const lock = new ServerLock(testDatabaseUrl(), randomUUID(), () => undefined);
      await lock.open();
      const names: (string | undefined)[] = [];
      for (let each = 0; each < times; each++) {
        const taken = await store.takeOn(lock.server);
        const [row] = await database.connection.query<{ person: string }[]>(
          'SELECT person FROM set_search WHERE id = $1',
          [taken?.id],
        );
        names.push(row?.person);
        if (taken && isThrough(each)) await store.end(taken, 'done', {});
      }
      await lock.close();
      await database.close();
      return names;
    };

    it('has its turn however many another has begun: ten people are served before one of them twice', async () => {
      const people = Array.from({ length: 10 }, (_, at) => `Person ${at}`);
      for (let each = 0; each < 11; each++) await begun(QUICK, people[0]);
      for (const person of people.slice(1)) await begun(QUICK, person);
      const served = await inTurn(21, (which) => which % 2 === 0);
      expect(new Set(served.slice(0, 10))).toEqual(new Set(people));
      expect(served.slice(10, 20)).toEqual(Array.from({ length: 10 }, () => people[0]));
      expect(served.at(-1)).toBeUndefined();
    });

    it('goes turn by turn with the others', async () => {
      for (const person of ['A', 'B', 'C']) for (let each = 0; each < 3; each++) await begun(QUICK, person);
      const served = await inTurn(9, () => true);
      expect(served).toEqual(['A', 'B', 'C', 'A', 'B', 'C', 'A', 'B', 'C']);
    });

    it('waits while one of the same person is at work, as long as somebody has none', async () => {
      for (const person of ['A', 'B']) for (let each = 0; each < 3; each++) await begun(QUICK, person);
      // The first stays at work: all of the other come before the second of the same.
      const served = await inTurn(6, (which) => which > 0);
      expect(served).toEqual(['A', 'B', 'B', 'B', 'A', 'A']);
    });

    it('taken on by a server that is gone waits again, and one that was told to stop is at its end', async () => {
      const ids: string[] = [];
      for (let each = 0; each < 2; each++) ids.push((await begun(QUICK)).id);
      const database = new Database(testDatabaseUrl(), () => undefined);
      await database.open();
      const store = new SetSearchStore(database, () => Promise.resolve());
      const lock = new ServerLock(testDatabaseUrl(), randomUUID(), () => undefined);
      await lock.open();
      const taken = [await store.takeOn(lock.server), await store.takeOn(lock.server)];
      const [first = '', second = ''] = taken.map((each) => each?.id);
      expect([first, second].sort()).toEqual([...ids].sort());
      await app.inject({ method: 'DELETE', url: `/api/plan/searches/${second}` });
      expect((await get(second)).state).toBe('stopping');
      // With its connection the server is gone, however it went; the other sees it at its next look.
      await lock.close();
      expect((await until(first, ({ state }) => state === 'waiting')).takenUp).toBe(1);
      expect((await until(second, isOver)).state).toBe('stopped');
      // Who was taken for dead and is not writes no more.
      const [late] = taken;
      if (late) await store.end(late, 'done', {});
      expect((await get(first)).state).toBe('waiting');
      await database.close();
    });

    it('is one of so many of one person, and the next is refused while the others may go on', async () => {
      const many = await Promise.all(Array.from({ length: MOST_SEARCHES + 3 }, () => begin(QUICK)));
      expect(many.filter(({ statusCode }) => statusCode === 202).length).toBe(MOST_SEARCHES);
      const refused = many.filter(({ statusCode }) => statusCode === 429);
      expect(refused.length).toBe(3);
      expect(refused[0]?.json<ErrorBody>().error).toContain('Wait until one is through, or stop one');
      await begun(QUICK, 'Brahim');
      // One that is stopped while it waits is at its end at once, and another may be begun.
      const first = many.find(({ statusCode }) => statusCode === 202)?.json<SetSearch>().id;
      const stopped = await app.inject({ method: 'DELETE', url: `/api/plan/searches/${first}` });
      expect(stopped.json<SetSearch>().state).toBe('stopped');
      await begun(QUICK);
    });
  });

  it('is called for again where the call was lost', async () => {
    app = await appWithDemo(1, { searchers: 0 });
    const { id } = await begun(QUICK);
    const database = new Database(testDatabaseUrl(), () => undefined);
    await database.open();
    await database.connection.query('DELETE FROM queue.job');
    await database.close();
    const other = await appOver(1);
    expect((await until(id, isOver)).state).toBe('done');
    await other.close();
    await app.close();
  });

  describe('on two servers', () => {
    it('is done by the other when one is stopped in the middle of it', async () => {
      const one = await appWithDemo(1);
      app = one;
      const { id } = await begun(MIDDLING);
      await until(id, ({ state }) => state === 'searching');
      const other = await appOver(1);
      await one.close();
      app = other;
      const { state, takenUp, sets } = await until(id, isOver);
      expect([state, takenUp]).toEqual(['done', 2]);
      expect(sets?.proved).toBeTrue();
      await other.close();
    });

    it('is done by the other when one is killed in the middle of it, with the same answer', async () => {
      await withDemo();
      const one = await ServerProcess.start(testDatabaseUrl());
      const begunThere = await fetch(`${one.url}/api/plan/searches`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(MIDDLING),
      });
      const { id } = (await begunThere.json()) as SetSearch;
      app = await appOver(1, { searchers: 0 });
      await until(id, ({ progress }) => (progress?.nodes ?? 0) > 1);
      const other = await ServerProcess.start(testDatabaseUrl());
      await one.kill();
      const { state, takenUp, sets } = await until(id, isOver);
      expect([state, takenUp]).toEqual(['done', 2]);
      const asked = await app.inject({ method: 'POST', url: '/api/plan/sets', payload: MIDDLING });
      expect(sets).toEqual(asked.json<Answers['planSets']>());
      await other.kill();
      await app.close();
    });
  });
});
