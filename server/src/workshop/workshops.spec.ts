import { monitorEventLoopDelay } from 'node:perf_hooks';
import { QUESTIONS, refusalOf, Workshop, type Catalogue, type QuestionName } from '@which-bore/core';
import { hundredQuestions } from '@which-bore/core/hundredQuestions';
import type { FastifyInstance } from 'fastify';
import { appWithDemo, demoCatalogue, demoSpecimens } from '../features/testing.js';

describe('the workshops of the server', () => {
  let app: FastifyInstance;
  let catalogue: Catalogue;
  beforeAll(async () => {
    jasmine.DEFAULT_TIMEOUT_INTERVAL = 60_000;
    app = await appWithDemo();
    catalogue = await demoCatalogue();
  });
  afterAll(() => app.close());

  const post = (name: QuestionName, payload: object) => app.inject({ method: 'POST', url: `/api${QUESTIONS[name].path}`, payload });

  it('answer a hundred questions as the core does, and refuse in its words', async () => {
    const workshop = new Workshop(catalogue);
    for (const { name, request } of hundredQuestions(catalogue, (await demoSpecimens()).specimens)) {
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
    const put = await app.inject({ method: 'PUT', url: '/api/records/pattern/just-saved', payload: { record, version: 0 } });
    expect(put.statusCode).withContext(put.body).toBe(200);
    expect(new Set(await found())).toEqual(new Set([true]));
    await app.inject({ method: 'DELETE', url: '/api/records/pattern/just-saved?version=1' });
    expect(new Set(await found())).toEqual(new Set([false]));
  });

  it('answer a short question while a long one is worked out', async () => {
    const order: string[] = [];
    const long = post('grid', { donors: { kind: 'piston' }, recipients: { kind: 'block' } }).then((said) => order.push(`long ${said.statusCode}`));
    await post('read', { kind: 'crank', entry: 'main 2.349in' }).then((said) => order.push(`short ${said.statusCode}`));
    await long;
    expect(order).toEqual(['short 200', 'long 200']);
  });

  it('leave the loop of the server free', async () => {
    await post('audit', {});
    const delay = monitorEventLoopDelay({ resolution: 1 });
    delay.enable();
    await Promise.all([
      post('audit', {}),
      post('grid', { donors: { kind: 'crank' }, recipients: { kind: 'block' } }),
      post('engines', { donors: [{ pattern: 'ambit-crank-3' }] }),
    ]);
    delay.disable();
    // The grid alone takes some hundred ms of a thread; what is left on the loop is its share of the machine.
    expect(delay.percentile(50) / 1e6).toBeLessThan(20);
  });

  it('tell what became of the catalogue since a state of it', async () => {
    const tag = async () => String((await app.inject({ url: '/api/catalogue' })).headers.etag).replaceAll('"', '');
    const since = async (state: string) =>
      (await app.inject({ url: `/api/catalogue/changes?since=${state}` })).json<{ tag: string; whole?: boolean; changed?: object[] }>();
    const before = await tag();
    expect(await since(before)).toEqual({ tag: before, changed: [] });
    const maker = { id: 'told-maker', name: 'Told maker' };
    await app.inject({ method: 'PUT', url: '/api/records/maker/told-maker', payload: { record: maker, version: 0 } });
    expect(await since(before)).toEqual({ tag: await tag(), changed: [{ type: 'maker', id: 'told-maker', record: maker }] });
    await app.inject({ method: 'DELETE', url: '/api/records/maker/told-maker?version=1' });
    expect((await since(before)).changed).toEqual([{ type: 'maker', id: 'told-maker' }]);
    expect((await since('another0-3')).whole).toBeTrue();
  });
});
