import { randomUUID } from 'node:crypto';
import type { DocumentChange, StoredJob } from '@which-bore/core';
import type { FastifyInstance, InjectOptions } from 'fastify';
import { appWithDemo } from '../features/testing.js';

describe('documents with versions', () => {
  let app: FastifyInstance;
  beforeAll(async () => (app = await appWithDemo()));
  afterAll(() => app.close());

  const as = (who: string, options: InjectOptions) =>
    app.inject({ ...options, headers: { 'x-who': encodeURIComponent(who) } });
  const BODY = { job: { name: 'A job', readings: [] }, specimen: { name: 'A part', kind: 'crank', readings: [] } };

  for (const sort of ['job', 'specimen'] as const) {
    const body = BODY[sort];
    const at = (id: string, more = '') => `/api/${sort}s/${id}${more}`;

    it(`a ${sort}: who did what is on record, deletions and what was brought back as well`, async () => {
      const id = randomUUID();
      await as('Ada', { method: 'PUT', url: at(id), payload: { ...body, version: 0 } });
      await as('Bo', { method: 'PUT', url: at(id), payload: { ...body, name: 'Another name', version: 1 } });
      await as('Cy', { method: 'DELETE', url: at(id) });
      await as('Ada', { method: 'POST', url: at(id, '/restore') });
      const history = (await app.inject({ url: at(id, '/versions') })).json<DocumentChange[]>();
      expect(history.map(({ version, who, operation }) => `${version} ${who} ${operation}`)).toEqual([
        '1 Ada added',
        '2 Bo changed',
        '3 Cy removed',
        '4 Ada restored',
      ]);
    });

    it(`a ${sort}: what is deleted lies in the bin, cannot be written over, and comes back as it was`, async () => {
      const id = randomUUID();
      await as('Ada', { method: 'PUT', url: at(id), payload: { ...body, version: 0 } });
      await as('Ada', { method: 'DELETE', url: at(id) });
      expect((await app.inject({ url: at(id) })).statusCode).toBe(404);
      expect((await app.inject({ url: `/api/${sort}s/bin` })).json<StoredJob[]>().map((each) => each.id)).toContain(id);
      expect((await as('Ada', { method: 'PUT', url: at(id), payload: { ...body, version: 2 } })).statusCode).toBe(404);
      const back = (await as('Ada', { method: 'POST', url: at(id, '/restore') })).json<StoredJob>();
      expect([back.name, back.version]).toEqual([body.name, 3]);
      expect((await as('Ada', { method: 'POST', url: at(id, '/restore') })).json<StoredJob>().version)
        .withContext('twice is once')
        .toBe(3);
    });

    it(`a ${sort}: of many who write at once one comes through each time, and the others are told what stands`, async () => {
      const id = randomUUID();
      const write = (name: string, version: number) =>
        as(name, { method: 'PUT', url: at(id), payload: { ...body, name, version } });
      for (let version = 0; version < 3; version++) {
        const answers = await Promise.all(['A', 'B', 'C', 'D'].map((name) => write(name, version)));
        expect(answers.map(({ statusCode }) => statusCode).sort()).toEqual([200, 409, 409, 409]);
        const won = answers.find(({ statusCode }) => statusCode === 200)?.json<StoredJob>();
        for (const lost of answers.filter(({ statusCode }) => statusCode === 409))
          expect(lost.json<{ current: StoredJob }>().current).toEqual(won as StoredJob);
      }
      expect((await app.inject({ url: at(id, '/versions') })).json<DocumentChange[]>().length).toBe(3);
    });
  }

  it('the shop is one as well', async () => {
    const shop = (await app.inject({ url: '/api/shop' })).json<{ version: number }>();
    expect((await as('Dee', { method: 'PUT', url: '/api/shop', payload: { ...shop } })).statusCode).toBe(200);
    expect((await as('Eve', { method: 'PUT', url: '/api/shop', payload: { ...shop } })).statusCode).toBe(409);
    expect((await app.inject({ url: '/api/shop/versions' })).json<DocumentChange[]>().map(({ who }) => who)).toEqual([
      'Dee',
    ]);
  });
});
