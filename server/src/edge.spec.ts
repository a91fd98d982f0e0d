import type { FastifyInstance, InjectOptions } from 'fastify';
import { buildApp } from './app.js';
import { appWithDemo, testDatabaseUrl } from './features/testing.js';

const ID = '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11';

describe('the edge of the server', () => {
  let app: FastifyInstance;
  beforeAll(async () => (app = await appWithDemo()));
  afterAll(() => app.close());

  const sent = async (options: InjectOptions) => {
    const { statusCode, body } = await app.inject(options);
    return { statusCode, body };
  };

  it('refuses text that cannot be kept, by its place, and answers no 500', async () => {
    const cases: [InjectOptions, string][] = [
      [
        {
          method: 'PUT',
          url: `/api/specimens/${ID}`,
          payload: { name: 'A\0', kind: 'crank', readings: [], version: 0 },
        },
        'body.name',
      ],
      [{ method: 'PUT', url: `/api/jobs/${ID}`, payload: { name: 'A\uD83D', readings: [], version: 0 } }, 'body.name'],
      [{ method: 'POST', url: '/api/read', payload: { kind: 'crank', entry: 'main \0 2.349' } }, 'body.entry'],
      [
        { method: 'PUT', url: '/api/shop', payload: { instruments: [], rules: { 'a\0': 1 }, version: 0 } },
        'body.rules',
      ],
      [{ url: '/api/search?q=a%00b' }, 'query.q'],
      [{ url: '/api/records/pattern/a%00b' }, 'params.id'],
      [{ method: 'POST', url: '/api/changes/1/undo', headers: { 'x-who': 'A%00' } }, 'headers.x-who'],
    ];
    for (const [options, where] of cases) {
      const { statusCode, body } = await sent(options);
      expect([statusCode, (JSON.parse(body) as { problems?: { where: string }[] }).problems?.[0]?.where])
        .withContext(body)
        .toEqual([400, where]);
    }
  });

  it('keeps whole characters of a long name', async () => {
    const put = await sent({
      method: 'PUT',
      url: '/api/records/maker/emoji-works',
      payload: { record: { id: 'emoji-works', name: 'Emoji works' }, version: 0 },
      headers: { 'x-who': encodeURIComponent('🔩'.repeat(100)) },
    });
    expect(put.statusCode).withContext(put.body).toBe(200);
    const { body } = await sent({ url: '/api/changes?type=maker&id=emoji-works' });
    expect((JSON.parse(body) as { who: string }[])[0]?.who).toBe('🔩'.repeat(80));
  });

  it('lets no page of another origin change anything, and lets it look no further than the browser does', async () => {
    const undo = (headers: Record<string, string>) =>
      sent({ method: 'POST', url: '/api/changes/999999/undo', headers: { host: 'localhost:4460', ...headers } });
    for (const headers of [
      { origin: 'https://elsewhere.example' },
      { origin: 'http://localhost:9999' },
      { origin: 'null' },
      { 'sec-fetch-site': 'cross-site' },
      { 'sec-fetch-site': 'same-site' },
    ] as Record<string, string>[]) {
      const { statusCode, body } = await undo(headers);
      expect(statusCode).withContext(JSON.stringify(headers)).toBe(403);
      expect(body).toContain('another origin');
    }
    // Not there: it has come through.
    for (const headers of [
      {},
      { origin: 'http://localhost:4460' },
      { origin: 'https://localhost:4460' },
      { 'sec-fetch-site': 'same-origin' },
      { 'sec-fetch-site': 'none' },
    ] as Record<string, string>[])
      expect((await undo(headers)).statusCode)
        .withContext(JSON.stringify(headers))
        .toBe(404);
    expect((await sent({ url: '/api/health', headers: { origin: 'https://elsewhere.example' } })).statusCode).toBe(200);
  });

  it('answers only to names of its own', async () => {
    const called = async (host: string) => (await sent({ url: '/api/health', headers: { host } })).statusCode;
    for (const host of ['localhost', 'localhost:4460', '127.0.0.1:4460', '[::1]:4460', 'LOCALHOST'])
      expect(await called(host))
        .withContext(host)
        .toBe(200);
    for (const host of ['elsewhere.example', 'localhost.elsewhere.example', '127.0.0.1.elsewhere.example:4460'])
      expect(await called(host))
        .withContext(host)
        .toBe(421);
    const named = await buildApp({
      databaseUrl: testDatabaseUrl(),
      webRoot: undefined,
      logLevel: 'silent',
      hosts: ['bore.workshop.example'],
    });
    expect((await named.inject({ url: '/api/health', headers: { host: 'bore.workshop.example' } })).statusCode).toBe(
      200,
    );
    await named.close();
  });
});
