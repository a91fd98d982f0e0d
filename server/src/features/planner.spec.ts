import { randomUUID } from 'node:crypto';
import type { Answers, Specimen } from '@which-bore/core';
import type { FastifyInstance } from 'fastify';
import { Database } from '../database/database.js';
import { JobStore } from '../documents/jobStore.js';
import { SpecimenStore } from '../documents/specimenStore.js';
import { appWithDemo, demoJobs, demoSpecimens, testDatabaseUrl } from './testing.js';

interface Refusal {
  readonly error: string;
  readonly problems: readonly { readonly where: string; readonly what: string }[];
}

describe('the planner', () => {
  let app: FastifyInstance;
  let shelf: readonly Specimen[];
  const build = (variant: string, more: object = {}) => ({
    id: randomUUID(),
    name: variant,
    variant,
    places: [],
    sizes: [],
    ...more,
  });
  const ask = (path: 'sets' | 'conflicts', payload: object) =>
    app.inject({ method: 'POST', url: `/api/plan/${path}`, payload });

  beforeAll(async () => {
    app = await appWithDemo();
    const database = new Database(testDatabaseUrl(), () => undefined);
    await database.open();
    const { jobs } = await demoJobs();
    for (const job of jobs) await new JobStore(database).save(job, 0, 'demo');
    const { specimens } = await demoSpecimens();
    for (const specimen of specimens) await new SpecimenStore(database).save(specimen, 0, 'demo');
    shelf = specimens.filter(({ kind, job, shelf: offer }) => kind === 'crank' && job === undefined && !offer?.gone);
    await database.close();
  });
  afterAll(() => app.close());

  const cranks = async (more: object = {}) => {
    const answer = await ask('sets', {
      build: build('sluice-336', more),
      demands: { places: [{ slot: 'crank', from: 'shelf' }], limits: { open: 100 }, answers: 12 },
    });
    expect(answer.statusCode).withContext(answer.body).toBe(200);
    return answer.json<Answers['planSets']>();
  };

  it('takes from the shelf what is in no job, and no part that is put aside for another', async () => {
    const before = await cranks();
    expect(before.options[0]?.count).toBeGreaterThan(0);
    const used = before.sets.flatMap(({ places }) => places.flatMap(({ specimen }) => specimen ?? []));
    for (const id of used) expect(shelf.some((each) => each.id === id)).toBeTrue();
    const [taken] = used;
    if (taken === undefined) throw new Error('No crank of the shelf goes in.');
    const jobs = (await app.inject({ url: '/api/jobs' })).json<{ readonly id: string }[]>();
    const [mine, theirs] = jobs.map(({ id }) => id);
    await app.inject({ method: 'PUT', url: `/api/reservations/${taken}`, payload: { job: mine } });
    const names = ({ sets }: Answers['planSets']) =>
      sets.flatMap(({ places }) => places.flatMap(({ specimen }) => specimen ?? []));
    expect(names(await cranks())).not.toContain(taken);
    expect(names(await cranks({ job: theirs }))).not.toContain(taken);
    expect(names(await cranks({ job: mine }))).toContain(taken);
    await app.inject({ method: 'DELETE', url: `/api/reservations/${taken}` });
  });

  it('says where each demand makes no sense', async () => {
    const answer = await ask('sets', {
      build: build('sluice-336'),
      demands: {
        places: [
          { slot: 'wing', from: 'any' },
          { slot: 'piston', from: 'these', patterns: ['no-such', 'sluice-crank-3590'] },
          { slot: 'piston', from: 'any' },
          { slot: 'rod', from: 'these' },
          { slot: 'crank', from: 'these', specimens: [randomUUID()] },
        ],
        targets: [{ figure: 'ratio', low: 10, high: 9 }, { figure: 'wing', low: 1 }, { figure: 'squish' }],
        shape: [{ operation: 'deck', most: 0.1, step: 0.5 }],
      },
    });
    expect(answer.statusCode).toBe(400);
    const { problems } = answer.json<Refusal>();
    for (const [where, what] of [
      ['places[0].slot', 'no place "wing"'],
      ['places[1].patterns[0]', 'no part "no-such"'],
      ['places[1].patterns[1]', 'is no piston'],
      ['places[2].slot', 'stands there twice'],
      ['places[3]', 'name at least one part'],
      ['places[4].specimens[0]', 'does not lie on the shelf'],
      ['targets[0].low', 'put the smaller one first'],
      ['targets[1].figure', 'no figure "wing"'],
      ['targets[2]', 'at least how much or at most how much'],
      ['shape[0].step', 'more than the 0.1 mm'],
    ] as const)
      expect(problems.some((each) => each.where === `body.demands.${where}` && each.what.includes(what)))
        .withContext(where)
        .toBeTrue();
  });

  it('wants money that is not negative, work that there is, and something to start from', async () => {
    const places = [{ slot: 'piston', from: 'any' }];
    for (const [demands, where] of [
      [{ places, limits: { price: -3 } }, 'body.demands.limits.price'],
      [{ places, forbid: ['weld'] }, 'body.demands.forbid[0]'],
      [{ places: [] }, 'body.demands.places'],
      [{ places, weights: { price: -1 } }, 'body.demands.weights.price'],
      [{ places, effort: 0 }, 'body.demands.effort'],
    ] as const) {
      const answer = await ask('sets', { build: build('sluice-336'), demands });
      expect(answer.statusCode).toBe(400);
      expect(answer.json<Refusal>().problems.map((each) => each.where)).toContain(where);
    }
    const nowhere = await ask('sets', { build: { ...build('nothing'), variant: undefined }, demands: { places } });
    expect(nowhere.json<Refusal>().problems[0]?.what).toContain('an engine to start from');
    const unknown = await ask('sets', { build: build('no-such'), demands: { places } });
    expect(unknown.statusCode).toBe(400);
  });

  it('buys where it is cheapest of those it may buy from, and says from whom and when', async () => {
    const call = (method: 'PUT' | 'DELETE', url: string, payload?: object | string, type = 'application/json') =>
      app.inject({
        method,
        url: `/api${url}`,
        ...(payload === undefined ? {} : { payload, headers: { 'content-type': type } }),
      });
    const lists = [
      ['stand-a', 'EUR', 'number,price,stock,days\nTW 7202,41,9,7\n'],
      ['stand-b', 'EUR', 'number,price,stock,days\ntw-7202,55,9,1\nTW-7203,10,2,1\n'],
      ['stand-c', 'CHF', 'number,price,stock,days\nTW-7202,1,9,1\n'],
    ] as const;
    for (const [id, currency, list] of lists) {
      expect((await call('PUT', `/suppliers/${id}`, { name: id, currency })).statusCode).toBe(200);
      expect((await call('PUT', `/suppliers/${id}/list`, list, 'text/csv')).statusCode).toBe(200);
    }
    const pistons = async (patterns: readonly string[], more: object = {}) => {
      const answer = await ask('sets', {
        build: build('lumen-4-77'),
        demands: { places: [{ slot: 'piston', from: 'these', patterns }], answers: 1, ...more },
      });
      expect(answer.statusCode).withContext(answer.body).toBe(200);
      const [set] = answer.json<Answers['planSets']>().sets;
      return set?.parts.find(({ slot }) => slot === 'piston');
    };
    const piston = 'lumen-piston-78-77-88';
    const told = async (...asked: Parameters<typeof pistons>) => {
      const { supplier, price, days } = (await pistons(...asked)) ?? {};
      return [supplier, price, days];
    };
    // Four of them; money of another sort is not compared.
    expect(await told([piston])).toEqual(['stand-a', 164, 7]);
    expect(await told([piston], { limits: { days: 2 } })).toEqual(['stand-b', 220, 1]);
    expect(await told([piston], { suppliers: ['stand-b'] })).toEqual(['stand-b', 220, 1]);
    // Two are not enough for four cylinders: nobody sells it, and the record has a price.
    expect(await told(['lumen-piston-78-77-95'])).toEqual([undefined, 168, undefined]);
    const unknown = await ask('sets', {
      build: build('lumen-4-77'),
      demands: { places: [{ slot: 'piston', from: 'any' }], suppliers: ['nobody'] },
    });
    expect(unknown.json<Refusal>().problems[0]?.what).toContain('no supplier "nobody"');
    for (const [id] of lists) await call('DELETE', `/suppliers/${id}`);
  });

  it('stops where it is told to, with no answer called proved, and answers the same again', async () => {
    const demands = { places: ['crank', 'rod', 'piston'].map((slot) => ({ slot, from: 'any' })), answers: 3 };
    const stopped = (await ask('sets', { build: build('lumen-4-77'), demands: { ...demands, effort: 3 } })).json<
      Answers['planSets']
    >();
    expect(stopped.proved).toBeFalse();
    const once = await ask('sets', { build: build('lumen-4-77'), demands });
    const again = await ask('sets', { build: build('lumen-4-77'), demands });
    const [one, other] = [once, again].map((answer) => answer.json<Answers['planSets']>());
    expect(one?.proved).toBeTrue();
    expect(other).toEqual(one as Answers['planSets']);
    // None that was not looked at before it was stopped scores less than it said.
    expect(stopped.bound ?? 0).toBeLessThanOrEqual(one?.sets[0]?.score ?? 0);
  });

  it('tells why no set is found, in words, with ways out that can be taken over', async () => {
    const answer = await ask('conflicts', {
      build: build('pip-48'),
      demands: { places: [{ slot: 'piston', from: 'any' }], targets: [{ figure: 'displacement', low: 300 }] },
      units: 'inch',
    });
    const { conflicts, relaxations } = answer.json<{
      readonly conflicts: { readonly demands: { readonly says: string }[] }[];
      readonly relaxations: { readonly set: { readonly places: object[] } }[];
    }>();
    expect(JSON.stringify(conflicts)).toMatch(/Displacement: at least [\d.]+ cu in/);
    const [way] = relaxations;
    const sheet = await app.inject({
      method: 'POST',
      url: '/api/builds/sheet',
      payload: { build: build('pip-48', { places: way?.set.places }) },
    });
    expect(sheet.json<Answers['buildSheet']>().problems).toEqual([]);
  });
});
