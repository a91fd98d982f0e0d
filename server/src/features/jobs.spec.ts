import { randomUUID } from 'node:crypto';
import { readEntry, USUAL_SHOP, type KindId, type StoredJob, type StoredShop } from '@which-bore/core';
import type { FastifyInstance } from 'fastify';
import { appWithDemo } from './testing.js';

const AT = '2026-03-02T08:10:00.000Z';
const readings = (text: string, kind: KindId | 'variant') =>
  readEntry(text, kind).words.map((is) => ({ id: randomUUID(), at: AT, is }));

interface EngineAnswer {
  engine: { status: string; says: string; candidates: { pattern: string }[] };
  parts: { name: string; belongs?: number; because: string }[];
  mixed: { rule: string; says: string }[];
}

describe('jobs', () => {
  let app: FastifyInstance;
  let id: string;

  beforeAll(async () => {
    app = await appWithDemo();
  });
  afterAll(() => app.close());
  beforeEach(() => {
    id = randomUUID();
  });

  const put = (payload: object, to = id) => app.inject({ method: 'PUT', url: `/api/jobs/${to}`, payload });
  const part = (name: string, kind: KindId, text: string) =>
    app.inject({
      method: 'PUT',
      url: `/api/specimens/${randomUUID()}`,
      payload: { name, kind, readings: readings(text, kind), job: id, version: 0 },
    });

  it('are kept whole, with versions, deleted and brought back', async () => {
    const body = {
      name: 'Upper orchard',
      readings: readings('year 1962, machine frost fan', 'variant'),
      note: 'Comes on Monday',
      version: 0,
    };
    expect((await put(body)).statusCode).toBe(200);
    const kept = (await app.inject({ url: `/api/jobs/${id}` })).json<StoredJob>();
    expect(kept.readings.map(({ is }) => is.text)).toEqual(['year 1962', 'machine frost fan']);
    expect((await put({ ...body, name: 'Late' })).statusCode).toBe(409);
    expect((await put({ ...body, name: 'In time', version: 1 })).statusCode).toBe(200);
    expect((await app.inject({ method: 'DELETE', url: `/api/jobs/${id}` })).statusCode).toBe(204);
    expect((await app.inject({ url: `/api/jobs/${id}` })).statusCode).toBe(404);
    expect((await put({ ...body, version: 2 })).statusCode).toBe(404);
    expect((await app.inject({ method: 'POST', url: `/api/jobs/${id}/restore` })).json<StoredJob>().name).toBe(
      'In time',
    );
    expect((await app.inject({ url: '/api/jobs' })).json<StoredJob[]>().map((job) => job.id)).toContain(id);
  });

  it('refuse readings that no engine has', async () => {
    const wrong = { ...readings('main 59.67 mm mic', 'crank')[0] };
    const answer = await put({ name: 'X', readings: [wrong], version: 0 });
    expect(answer.statusCode).toBe(400);
    expect(answer.body).toContain('has no size');
  });

  it('are identified from their parts, and the part that does not belong is named with why', async () => {
    await put({ name: 'Frost fan', readings: readings('year 1962, machine frost fan', 'variant'), version: 0 });
    await part('Block', 'block', 'cast B2903 bore 3.802in bore gauge');
    await part('Rod', 'rod', 'length 5.700in caliper machined');
    await part('Crank', 'crank', 'main 53.99 mic pin 44.44 mic stroke 73 caliper 5 mains cast');
    const answer = (await app.inject({ url: `/api/jobs/${id}/engine?units=inch` })).json<EngineAnswer>();
    expect(answer.engine.candidates[0]?.pattern.startsWith('sluice')).toBeTrue();
    const crank = answer.parts.find(({ name }) => name === 'Crank');
    expect(crank?.belongs).toBeLessThan(0.05);
    expect(crank?.because).toContain('Vesk Ambit');
    // What was typed in millimetres is answered in millimetres, whatever is asked for the rest.
    expect(crank?.because).toMatch(/ mm\b/);
    expect(answer.parts.find(({ name }) => name === 'Block')?.belongs).toBeGreaterThan(0.5);
  });

  it('call out a mixed set', async () => {
    await put({ name: 'Mixed', readings: [], version: 0 });
    await part('Rod 1', 'rod', 'fractured');
    await part('Rod 2', 'rod', 'machined cap');
    expect(
      (await app.inject({ url: `/api/jobs/${id}/engine` })).json<EngineAnswer>().mixed.map(({ rule }) => rule),
    ).toEqual(['capSplit']);
  });

  it('identify an engine that is not kept', async () => {
    const answer = await app.inject({
      method: 'POST',
      url: '/api/engine',
      payload: { entry: 'serial A20000', specimens: [] },
    });
    expect(answer.json<EngineAnswer>().engine.candidates[0]?.pattern).toBe('ambit-1200');
  });

  it('must be there for a specimen to belong to', async () => {
    const answer = await part('Lost', 'crank', 'forged');
    expect(answer.statusCode).toBe(400);
    expect(answer.body).toContain('There is no job');
  });
});

describe('the next check over the API', () => {
  let app: FastifyInstance;
  interface Answer {
    status: string;
    doubts: { says: string }[];
    next: {
      checks: { key: string; instrument?: string; bits: number; minutes: number }[];
      plan: { key: string }[];
      separation?: { state: string };
    };
  }

  beforeAll(async () => {
    app = await appWithDemo();
  });
  afterAll(() => app.close());
  const identify = async (payload: object) =>
    (await app.inject({ method: 'POST', url: '/api/identify', payload: { kind: 'crank', ...payload } })).json<Answer>();

  it('says what to do, and does not ask for what cannot be got at', async () => {
    const { next } = await identify({ entry: 'main 59.67 mm mic' });
    const [first] = next.checks;
    expect(first?.bits).toBeGreaterThan(0);
    expect(next.plan[0]?.key).toBe(first?.key ?? '');
    const without = await identify({ entry: 'main 59.67 mm mic', skipped: [first?.key ?? ''] });
    expect(without.next.checks.map(({ key }) => key)).not.toContain(first?.key ?? '');
  });

  it('counts the minutes of taking an engine apart', async () => {
    const assembled = await identify({ entry: '', state: 'outside' });
    expect(assembled.next.checks.length).toBeGreaterThan(0);
  });

  it('goes by the instruments of the shop, once those are written down', async () => {
    const shop = (await app.inject({ url: '/api/shop' })).json<StoredShop>();
    expect(shop.version).toBe(0);
    expect(shop.instruments.length).toBe(USUAL_SHOP.instruments.length);
    const caliper = shop.instruments.find(({ sort }) => sort === 'caliper');
    const short = { ...caliper, name: 'Short caliper', to: 50 };
    const saved = await app.inject({ method: 'PUT', url: '/api/shop', payload: { ...shop, instruments: [short] } });
    expect(saved.statusCode).toBe(200);
    const { doubts, next } = await identify({ entry: 'stroke 85.7 mm caliper' });
    expect(doubts[0]?.says).toContain('Short caliper measures 0.000 to 50.000 mm');
    expect(next.checks.filter(({ instrument }) => instrument === 'Micrometer')).toEqual([]);
    expect(
      (await app.inject({ method: 'PUT', url: '/api/shop', payload: { ...shop, instruments: [] } })).statusCode,
    ).toBe(409);
  });

  it('refuses a table of instruments that cannot be', async () => {
    const shop = (await app.inject({ url: '/api/shop' })).json<StoredShop>();
    const [first] = shop.instruments;
    const answer = await app.inject({
      method: 'PUT',
      url: '/api/shop',
      payload: { ...shop, instruments: [first, { ...first, from: 90, to: 10 }] },
    });
    expect(answer.statusCode).toBe(400);
    expect(answer.body).toContain('the second must be the larger');
    expect(answer.body).toContain('give each its own');
  });
});

describe('what became of readings, and rounds of practice', () => {
  let app: FastifyInstance;

  beforeAll(async () => {
    app = await appWithDemo();
  });
  afterAll(() => app.close());

  it('is on record: added, changed, removed, and by whom', async () => {
    const id = randomUUID();
    const [a, b] = readings('forged 8 weights', 'crank');
    if (!a || !b) throw new Error('not read');
    const save = (list: unknown[], version: number, who: string) =>
      app.inject({
        method: 'PUT',
        url: `/api/specimens/${id}`,
        payload: { name: 'Crank', kind: 'crank', readings: list, version },
        headers: { 'x-who': who },
      });
    await save([a, b], 0, 'Tilda');
    await save([{ ...a, is: readings('cast', 'crank')[0]?.is }], 1, 'Ansgar');
    const history = (await app.inject({ url: `/api/specimens/${id}/history` })).json<
      { reading: string; who: string; operation: string; before?: { option: string } }[]
    >();
    expect(history.map(({ operation, who }) => `${operation} ${who}`)).toEqual([
      'added Tilda',
      'added Tilda',
      'removed Ansgar',
      'changed Ansgar',
    ]);
    expect(history[3]?.before?.option).toBe('forged');
  });

  it('counts a round of practice once, however often it is sent', async () => {
    const round = {
      id: randomUUID(),
      level: 'used',
      kind: 'crank',
      pattern: 'ambit-crank-3',
      named: 'ambit-crank-3',
      minutes: 5,
      engineMinutes: 4,
      wasted: 1,
      score: 90,
    };
    for (let times = 0; times < 2; times++)
      expect(
        (await app.inject({ method: 'POST', url: '/api/practice', payload: round, headers: { 'x-who': 'Tilda' } }))
          .statusCode,
      ).toBe(201);
    const mine = (await app.inject({ url: '/api/practice?who=Tilda' })).json<{ id: string; right: boolean }[]>();
    expect(mine.map(({ id, right }) => [id, right])).toEqual([[round.id, true]]);
    expect((await app.inject({ url: '/api/practice?who=Nobody' })).json()).toEqual([]);
    expect(
      (await app.inject({ method: 'POST', url: '/api/practice', payload: { ...round, score: 101 } })).statusCode,
    ).toBe(400);
  });
});
