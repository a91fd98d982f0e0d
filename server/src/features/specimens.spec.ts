import { randomUUID } from 'node:crypto';
import type { FastifyInstance } from 'fastify';
import { asKept, readEntry, SpecimenSchema, type StoredShop, type StoredSpecimen } from '@which-bore/core';
import pg from 'pg';
import type { QueryRunner } from 'typeorm';
import { Unread1700000000006 } from '../database/migrations/1700000000006-unread.js';
import { appWithDemo, demoSpecimens, testDatabaseUrl } from './testing.js';

describe('specimens', () => {
  let app: FastifyInstance;
  let body: { name: string; kind: string; readings: unknown[]; version: number };
  let id: string;

  beforeEach(async () => {
    app = await appWithDemo();
    const [first] = (await demoSpecimens()).specimens;
    if (!first) throw new Error('The demo has no specimen.');
    id = randomUUID();
    body = { name: first.name, kind: first.kind, readings: first.readings, version: 0 };
  });
  afterEach(() => app.close());

  const put = (payload: object, to = id) => app.inject({ method: 'PUT', url: `/api/specimens/${to}`, payload });
  const get = (of = id) => app.inject({ url: `/api/specimens/${of}` });

  it('are kept whole, in the order of their readings', async () => {
    expect((await put(body)).statusCode).toBe(200);
    const kept = (await get()).json<StoredSpecimen>();
    expect(kept.readings).toEqual(body.readings as StoredSpecimen['readings']);
    expect(kept.version).toBe(1);
    const reversed = [...body.readings].reverse();
    await put({ ...body, readings: reversed, version: 1 });
    expect((await get()).json<StoredSpecimen>().readings).toEqual(reversed as StoredSpecimen['readings']);
  });

  it('keep every sort of reading there is', async () => {
    const line =
      'cast 41?7, cyl 2 top 78.022x78.018 bottom 78.01x78.00 bore gauge, bore 10 over, iron bores, bellhousing Lumen short, year 1962, wobble';
    const { words } = readEntry(line, 'block');
    const { oneOf } = SpecimenSchema.properties.readings.items.properties.is as unknown as {
      oneOf: readonly { properties: { sort: { const: string } } }[];
    };
    const sorts = oneOf.map(({ properties }) => properties.sort.const);
    expect(new Set(words.map(({ sort }) => sort))).toEqual(new Set(sorts));
    const readings = words.map((is) => ({ id: randomUUID(), at: '2026-01-01T00:00:00.000Z', is }));
    expect((await put({ ...body, kind: 'block', readings })).statusCode).toBe(200);
    expect((await get()).json<StoredSpecimen>().readings.map(({ is }) => is)).toEqual(words.map(asKept));
  });

  it('keep what lies with them, and tell nothing from what nobody has said', async () => {
    await put(body);
    expect((await get()).json<StoredSpecimen>().completeWith).toBeUndefined();
    for (const completeWith of [['pin', 'rings'], []]) {
      const { version } = (await get()).json<StoredSpecimen>();
      expect((await put({ ...body, completeWith, version })).statusCode).toBe(200);
      expect((await get()).json<StoredSpecimen>().completeWith).toEqual(completeWith as StoredSpecimen['completeWith']);
    }
    const refused = await put({ ...body, completeWith: ['sprocket'], version: 3 });
    expect(refused.statusCode).toBe(400);
    expect(refused.body).toContain('completeWith[0]');
  });

  it('keep what a part turned out to be, which is learnt from', async () => {
    const readings = readEntry('cast 4187, main 2.3495in mic', 'crank').words.map((is) => ({
      id: randomUUID(),
      at: '2026-01-01T00:00:00.000Z',
      is,
    }));
    const confirmed = { pattern: 'sluice-crank-3375-forged', by: 'fitted', at: '2026-02-01T00:00:00.000Z' };
    expect((await put({ ...body, kind: 'crank', readings, confirmed })).statusCode).toBe(200);
    const { confirmed: kept, id } = (await get()).json<StoredSpecimen>();
    expect(kept).toEqual(confirmed as StoredSpecimen['confirmed']);
    const list = (await app.inject('/api/specimens')).json<{ id: string; confirmed?: true }[]>();
    expect(list.find((each) => each.id === id)?.confirmed).toBeTrue();
    const ask = (payload: object) => app.inject({ method: 'POST', url: '/api/calibration', payload });
    // Where nothing is given it is asked of what is stored.
    const { cases } = (await ask({})).json<{ cases: { specimen: string; right: boolean }[] }>();
    expect(cases.map(({ specimen, right }) => [specimen, right])).toContain([id, true]);
    expect((await ask({ specimens: [] })).json<{ cases: unknown[] }>().cases).toEqual([]);
    const refused = await put({ ...body, confirmed: { by: 'guessed', at: confirmed.at }, version: 1 });
    expect(refused.statusCode).toBe(400);
    expect(refused.body).toContain('confirmed');
  });

  it('are named by the shop’s own chances, and by none that is unknown', async () => {
    const shop = (await app.inject({ url: '/api/shop' })).json<StoredShop>();
    const putRules = (assumptions: object) =>
      app.inject({ method: 'PUT', url: '/api/shop', payload: { ...shop, rules: { ...shop.rules, assumptions } } });
    const none = async () =>
      (
        await app.inject({
          method: 'POST',
          url: '/api/identify',
          payload: { kind: 'crank', entry: 'main 2.3495in mic' },
        })
      ).json<{ none: number }>().none;
    const refused = await putRules({ luck: 0.5 });
    expect([refused.statusCode, refused.json<{ problems: { where: string }[] }>().problems[0]?.where]).toEqual([
      400,
      'body.rules.assumptions.luck',
    ]);
    expect((await putRules({ notInCatalogue: 1 })).statusCode).toBe(400);
    const before = await none();
    expect((await putRules({ notInCatalogue: 0.3 })).statusCode).toBe(200);
    expect(await none()).toBeGreaterThan(2 * before);
  });

  it('keep of words that were not understood the words alone, those of an earlier version as well', async () => {
    const is = { sort: 'unread', text: 'main 2.349 mm' };
    const old = { ...is, reason: '2.349 mm cannot be a main journal diameter.', suggestion: 'main 2.349 in' };
    const at = '2026-01-01T00:00:00.000Z';
    const reading = randomUUID();
    expect((await put({ ...body, readings: [{ id: reading, at, is: old }] })).statusCode).toBe(200);
    const job = randomUUID();
    const [, kept] = [
      await app.inject({
        method: 'PUT',
        url: `/api/jobs/${job}`,
        payload: { name: 'Old', readings: [{ id: randomUUID(), at, is: old }], version: 0 },
      }),
      (await get()).json<StoredSpecimen>(),
    ];
    expect(kept.readings.map((each) => each.is)).toEqual([is] as never);
    // As they were written before, and then brought up to date.
    const client = new pg.Client({ connectionString: testDatabaseUrl() });
    await client.connect();
    const text = JSON.stringify(old);
    await client.query('UPDATE reading SET content = $1 WHERE id = $2', [text, reading]);
    await client.query('UPDATE reading_change SET after = $1 WHERE reading_id = $2', [text, reading]);
    await client.query(`UPDATE job SET readings = jsonb_set(readings, '{0,is}', $1) WHERE id = $2`, [text, job]);
    await new Unread1700000000006().up({ query: (sql: string) => client.query(sql) } as unknown as QueryRunner);
    await client.end();
    expect((await get()).json<StoredSpecimen>().readings.map((each) => each.is)).toEqual([is] as never);
    const history = await app.inject({ url: `/api/specimens/${id}/history` });
    expect(history.body).not.toContain('cannot be');
    const engine = (await app.inject({ url: `/api/jobs/${job}` })).json<{ readings: { is: object }[] }>();
    expect(engine.readings.map((each) => each.is)).toEqual([is]);
  });

  it('are listed last changed first, with how many readings', async () => {
    await put(body);
    const other = randomUUID();
    await put({ ...body, name: 'Another', readings: [] }, other);
    const list = (await app.inject({ url: '/api/specimens' })).json<{ name: string; readings: number }[]>();
    expect(list.map((each) => [each.name, each.readings])).toEqual([
      ['Another', 0],
      [body.name, body.readings.length],
    ]);
  });

  it('are not overwritten by one who has not seen the last change', async () => {
    await put(body);
    await put({ ...body, name: 'Mine', version: 1 });
    const late = await put({ ...body, name: 'Late', version: 1 });
    expect(late.statusCode).toBe(409);
    expect(late.json<{ current: StoredSpecimen }>().current.name).toBe('Mine');
  });

  it('let only one of two changes at the same moment through', async () => {
    await put(body);
    const answers = await Promise.all(['A', 'B', 'C'].map((name) => put({ ...body, name, version: 1 })));
    expect(answers.map((each) => each.statusCode).sort()).toEqual([200, 409, 409]);
  });

  it('can be deleted and brought back', async () => {
    await put(body);
    expect((await app.inject({ method: 'DELETE', url: `/api/specimens/${id}` })).statusCode).toBe(204);
    expect((await get()).statusCode).toBe(404);
    expect((await put({ ...body, version: 1 })).statusCode).toBe(404);
    const back = await app.inject({ method: 'POST', url: `/api/specimens/${id}/restore` });
    expect(back.json<StoredSpecimen>().readings.length).toBe(body.readings.length);
  });

  it('are refused with place and reason when something is wrong with them', async () => {
    const size = { sort: 'size', text: 'x', parameter: 'crank.stroke', values: [104], unit: 'mm', instrument: 'rule' };
    const reading = (is: object) => ({ id: randomUUID(), at: '2026-03-02T08:10:00.000Z', is });
    const cases: [object, RegExp][] = [
      [{ ...body, name: '' }, /body\.name/],
      [{ ...body, readings: [reading({ ...size, values: ['104'] })] }, /body\.readings\[0\]\.is\.values\[0\].*number/],
      [{ ...body, readings: [reading({ ...size, parameter: 'crank.colour' })] }, /body\.readings\[0\].*crank\.colour/],
      [{ ...body, readings: [reading({ ...size, values: [1e300] })] }, /values\[0\]/],
      [{ ...body, readings: [reading({ ...size, values: [2] })] }, /cannot be a stroke/],
      [{ ...body, readings: [reading({ ...size, sort: 'guess' })] }, /readings\[0\]\.is/],
      [{ ...body, colour: 'red' }, /colour/],
      [{ ...body, readings: [body.readings[0], body.readings[0]] }, /same id/],
    ];
    for (const [payload, said] of cases) {
      const answer = await put(payload);
      expect(answer.statusCode).withContext(answer.body).toBe(400);
      expect(answer.body).toMatch(said);
    }
    expect((await get()).statusCode).toBe(404);
  });
});
