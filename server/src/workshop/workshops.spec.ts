import {
  needsOf,
  numbersToBuy,
  QUESTIONS,
  refusalOf,
  resolveNeeds,
  Workshop,
  type Catalogue,
  type Documents,
  type QuestionName,
} from '@which-bore/core';
import {
  heldDocuments,
  hundredQuestions,
  questionsOfDocuments,
  QUESTIONS_WITH_NEEDS,
} from '@which-bore/core/hundredQuestions';
import type { FastifyInstance } from 'fastify';
import pg from 'pg';
import type { Piscina } from 'piscina';
import {
  appWithDemo,
  demoBuilds,
  demoCatalogue,
  demoJobs,
  demoSpecimens,
  testDatabaseUrl,
} from '../features/testing.js';
import { sqlDocuments } from './sqlDocuments.js';
import { Workshops } from './workshops.js';

describe('the workshops of the server', () => {
  let app: FastifyInstance;
  let catalogue: Catalogue;
  beforeAll(async () => {
    app = await appWithDemo(2);
    catalogue = await demoCatalogue();
  });
  afterAll(() => app.close());

  const post = (name: QuestionName, payload: object) =>
    app.inject({ method: 'POST', url: `/api${QUESTIONS[name].path}`, payload });

  it('answer a hundred questions as the core does, and refuse in its words', async () => {
    const workshop = new Workshop(catalogue);
    // What the questions need of the documents is sent along here, and there is nothing else in the database.
    const nothing = heldDocuments({});
    for (const { name, request: short } of hundredQuestions(catalogue, (await demoSpecimens()).specimens)) {
      const request = await resolveNeeds(needsOf(name), short, nothing, {
        numbersToBuy: (plan) => numbersToBuy(workshop, plan),
      });
      const units = 'units' in QUESTIONS[name].request.properties ? { units: 'pieces' } : {};
      const said = await post(name, { ...request, ...units });
      let expected: unknown;
      try {
        expected = JSON.parse(JSON.stringify(workshop.ask(name, request)));
      } catch (error) {
        const refusal = refusalOf(error);
        if (!refusal) throw error;
        const { refused, ...told } = refusal;
        expected = { ...told, ...(refused === 'bad' ? { problems: told.problems ?? [] } : {}) };
        expect(said.statusCode).toBe(refused === 'missing' ? 404 : 400);
      }
      expect(said.json<unknown>())
        .withContext(`${name} ${JSON.stringify(request).slice(0, 200)}`)
        .toEqual(expected);
    }
  });

  it('find what was saved a moment ago, whoever of them answers, and forget what was removed', async () => {
    const pattern = catalogue.patterns.find(({ id }) => id === 'sluice-crank-3375-forged');
    const record = { ...pattern, id: 'just-saved', name: 'Just saved crank', numbers: [{ number: 'JS 4711' }] };
    const found = async () => {
      // Eight at once reach both threads.
      const answers = await Promise.all(Array.from({ length: 8 }, () => post('search', { text: 'JS 4711' })));
      return answers.map((each) => each.json<{ hits: { id: string }[] }>().hits.some(({ id }) => id === 'just-saved'));
    };
    expect(new Set(await found())).toEqual(new Set([false]));
    const put = await app.inject({
      method: 'PUT',
      url: '/api/records/pattern/just-saved',
      payload: { record, version: 0 },
    });
    expect(put.statusCode).withContext(put.body).toBe(200);
    expect(new Set(await found())).toEqual(new Set([true]));
    await app.inject({ method: 'DELETE', url: '/api/records/pattern/just-saved?version=1' });
    expect(new Set(await found())).toEqual(new Set([false]));
  });

  const GRIDS = [
    ['piston', 'block'],
    ['crank', 'block'],
    ['rod', 'crank'],
    ['head', 'block'],
  ] as const;
  const grid = ([donors, recipients]: (typeof GRIDS)[number]) =>
    post('grid', { donors: { kind: donors }, recipients: { kind: recipients } });

  it('answer a short question while long ones are worked out', async () => {
    const read = () => post('read', { kind: 'crank', entry: 'main 2.349in' });
    // Both threads have the catalogue: else the short question may wait for that.
    await Promise.all(Array.from({ length: 8 }, read));
    const order: string[] = [];
    const long = GRIDS.map((each) => grid(each).then((said) => order.push(`long ${said.statusCode}`)));
    await read().then((said) => order.push(`short ${said.statusCode}`));
    await Promise.all(long);
    expect(order.filter((each) => each === 'long 200').length).toBe(GRIDS.length);
    expect(order.at(-1)).toBe('long 200');
  });

  it('leave the loop of the server free', async () => {
    let turns = 0;
    let asking = true;
    const turn = () => {
      turns++;
      if (asking) setImmediate(turn);
    };
    turn();
    await Promise.all([
      post('audit', {}),
      post('engines', { donors: [{ pattern: 'ambit-crank-3' }] }),
      ...GRIDS.map(grid),
    ]);
    asking = false;
    // Worked out on the loop, each question would be one turn of it and its messages some more: two hundred are far
    // from that.
    expect(turns).toBeGreaterThan(200);
  });

  it('say that the server is being stopped to who still waits then', async () => {
    const stopped = new Workshops(testDatabaseUrl(), 1);
    const asked = stopped.ask('audit', {}, 'pieces');
    await Promise.all([expectAsync(asked).toBeRejectedWithError(/being stopped/), stopped.close()]);
  });

  it('outlive connections that are cut off at any moment', async () => {
    const admin = new pg.Client({ connectionString: testDatabaseUrl() });
    await admin.connect();
    try {
      const asked = [...GRIDS, ...GRIDS].map(grid);
      let answered = 0;
      for (const each of asked) void each.finally(() => answered++);
      // Cut off again and again until all have their answers: between two queries as often as within one.
      while (answered < asked.length) {
        await admin.query(
          'SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = current_database() AND pid <> pg_backend_pid()',
        );
        await new Promise((resolve) => setImmediate(resolve));
      }
      for (const each of await Promise.all(asked)) expect([200, 503]).toContain(each.statusCode);
    } finally {
      await admin.end();
    }
    // The first who asks may still be given a connection that was cut off; then there is a new one, in each thread and
    // in the server.
    const round = async () => {
      const said = await Promise.all([
        ...Array.from({ length: 8 }, () => post('read', { kind: 'crank', entry: 'main 2.349in' })),
        app.inject({ url: '/api/specimens' }),
      ]);
      return said.map(({ statusCode }) => statusCode);
    };
    let [statuses, well] = [await round(), 0];
    while (well < 3) {
      well = statuses.every((each) => each === 200) ? well + 1 : 0;
      expect(statuses.filter((each) => each !== 200 && each !== 503)).toEqual([]);
      statuses = await round();
    }
  });

  it('go on when a thread has ended in the middle of a question: that one fails, those behind it are answered', async () => {
    const workshops = new Workshops(testDatabaseUrl(), 1);
    try {
      const ask = () => workshops.ask('read', { kind: 'crank', entry: 'main 2.349in' }, 'metric');
      await ask();
      // Whatever ends a thread from within: an error that nobody listened for, or no more memory.
      const [bench] = (workshops as unknown as { readonly benches: readonly { readonly pool: Piscina }[] }).benches;
      const asked = [ask(), ask(), ask()].map((each) =>
        each.then(
          () => 'answered',
          () => 'failed',
        ),
      );
      await bench?.pool.threads[0]?.terminate();
      const became = await Promise.all(asked);
      expect(became.slice(1)).toEqual(['answered', 'answered']);
      expect(new TextDecoder().decode(await ask())).toContain('crank.mainJournal.diameter');
    } finally {
      await workshops.close();
    }
  });

  it('tell what became of the catalogue since a state of it', async () => {
    const tag = async () => String((await app.inject({ url: '/api/catalogue' })).headers.etag).replaceAll('"', '');
    const since = async (state: string) =>
      (await app.inject({ url: `/api/catalogue/changes?since=${state}` })).json<{
        tag: string;
        whole?: boolean;
        changed?: object[];
      }>();
    const before = await tag();
    expect(await since(before)).toEqual({ tag: before, changed: [] });
    const maker = { id: 'told-maker', name: 'Told maker' };
    await app.inject({ method: 'PUT', url: '/api/records/maker/told-maker', payload: { record: maker, version: 0 } });
    expect(await since(before)).toEqual({
      tag: await tag(),
      changed: [{ type: 'maker', id: 'told-maker', record: maker }],
    });
    await app.inject({ method: 'DELETE', url: '/api/records/maker/told-maker?version=1' });
    expect((await since(before)).changed).toEqual([{ type: 'maker', id: 'told-maker' }]);
    expect((await since('another0-3')).whole).toBeTrue();
  });
});

describe('the documents of the server', () => {
  it('fill in what questions name of the documents as documents in memory do', async () => {
    const app = await appWithDemo();
    const catalogue = await demoCatalogue();
    const [{ jobs }, { builds }, { specimens }] = [await demoJobs(), await demoBuilds(), await demoSpecimens()];
    const put = async (path: string, { id, ...body }: { readonly id: string }) => {
      const said = await app.inject({ method: 'PUT', url: `/api/${path}/${id}`, payload: { ...body, version: 0 } });
      expect(said.statusCode).withContext(said.body).toBe(200);
    };
    // Last changed first, as they are listed.
    for (const each of [...jobs].reverse().map(({ build: _build, ...job }) => job)) await put('jobs', each);
    for (const each of [...specimens].reverse()) await put('specimens', each);
    for (const each of [...builds].reverse()) await put('builds', each);
    const inMemory = heldDocuments({ specimens, builds, jobs: jobs.map(({ build: _build, ...job }) => job) });
    const workshop = new Workshop(catalogue);
    const asked = questionsOfDocuments({ specimens, jobs, builds });
    expect(new Set(asked.map(({ name }) => name))).toEqual(new Set(QUESTIONS_WITH_NEEDS));
    expect(builds.some(({ places }) => places.some(({ specimen }) => specimen !== undefined))).toBeTrue();
    const client = new pg.Client({ connectionString: testDatabaseUrl() });
    await client.connect();
    const known = { numbersToBuy: (plan: Parameters<typeof numbersToBuy>[1]) => numbersToBuy(workshop, plan) };
    // What is filled in decides what is answered: the answers over either are asked for once, of the core.
    for (const { name, request } of asked) {
      const filled = (documents: Documents) =>
        resolveNeeds(needsOf(name), request, documents, known).catch((error: unknown) => refusalOf(error));
      expect(JSON.parse(JSON.stringify(await filled(sqlDocuments(client)))))
        .withContext(`${name} ${JSON.stringify(request).slice(0, 200)}`)
        .toEqual(JSON.parse(JSON.stringify(await filled(inMemory))));
    }
    await client.end();
    await app.close();
  });
});
