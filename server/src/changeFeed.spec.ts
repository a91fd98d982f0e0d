import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import type { ServerEvent } from '@which-bore/core';
import type { FastifyInstance } from 'fastify';
import pg from 'pg';
import { buildApp } from './app.js';
import { appWithDemo, testDatabaseUrl } from './features/testing.js';

/** Follows /api/events until what is looked for has been said. */
async function heard(
  url: string,
  until: (event: ServerEvent | 'again') => boolean,
  then: () => Promise<unknown>,
): Promise<readonly (ServerEvent | 'again')[]> {
  const stop = new AbortController();
  const answer = await fetch(`${url}/api/events`, { signal: stop.signal });
  const all: (ServerEvent | 'again')[] = [];
  let [text, begun] = ['', false];
  for await (const piece of answer.body ?? []) {
    text += new TextDecoder().decode(piece as Uint8Array);
    if (!begun && text.includes('retry:')) {
      begun = true;
      void then();
    }
    const blocks = text.split('\n\n');
    text = blocks.pop() ?? '';
    for (const block of blocks) {
      if (block.startsWith('event: again')) all.push('again');
      else if (block.startsWith('data: ')) all.push(JSON.parse(block.slice(6)) as ServerEvent);
    }
    if (all.some(until)) break;
  }
  stop.abort();
  return all;
}

describe('what the server says as it happens', () => {
  let app: FastifyInstance;
  let other: FastifyInstance;
  let url: string;
  beforeAll(async () => {
    app = await appWithDemo();
    await app.listen({ host: '127.0.0.1', port: 0 });
    url = `http://127.0.0.1:${(app.server.address() as AddressInfo).port}`;
    // A second server over the same database: what is changed through it is told by the first.
    other = await buildApp({ databaseUrl: testDatabaseUrl(), webRoot: undefined, logLevel: 'silent' });
  });
  afterAll(async () => {
    await app.close();
    await other.close();
  });

  it('tells of documents and of the catalogue, whichever server changed them', async () => {
    const id = randomUUID();
    const events = await heard(
      url,
      (event) => event !== 'again' && event.of === 'catalogue',
      async () => {
        await other.inject({
          method: 'PUT',
          url: `/api/specimens/${id}`,
          payload: { name: 'Told of', kind: 'crank', readings: [], version: 0 },
        });
        await other.inject({ method: 'DELETE', url: `/api/specimens/${id}` });
        await other.inject({
          method: 'PUT',
          url: '/api/records/maker/heard-maker',
          payload: { record: { id: 'heard-maker', name: 'Heard' }, version: 0 },
        });
      },
    );
    expect(events.filter((event) => event !== 'again' && event.of === 'specimen')).toEqual([
      { of: 'specimen', id, version: 1 },
      { of: 'specimen', id, version: 2, gone: true },
    ]);
    expect(events.at(-1)).toEqual({ of: 'catalogue', tag: jasmine.stringMatching(/^[0-9a-f]{8}-\d+$/) });
  });

  it('says that something may have been missed once a lost connection to the database is made anew', async () => {
    const events = await heard(
      url,
      (event) => event === 'again',
      async () => {
        const client = new pg.Client({ connectionString: testDatabaseUrl() });
        await client.connect();
        await client.query(
          `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE query LIKE 'LISTEN%' AND datname = current_database()`,
        );
        await client.end();
      },
    );
    expect(events).toContain('again');
  });

  it('tells nothing of a change that fails', async () => {
    const id = randomUUID();
    const events = await heard(
      url,
      (event) => event !== 'again' && event.of === 'job',
      async () => {
        await other.inject({
          method: 'PUT',
          url: `/api/specimens/${id}`,
          payload: { name: 'No such job', kind: 'crank', readings: [], job: randomUUID(), version: 0 },
        });
        await other.inject({
          method: 'PUT',
          url: `/api/jobs/${id}`,
          payload: { name: 'A job', readings: [], version: 0 },
        });
      },
    );
    expect(events.some((event) => event !== 'again' && event.of === 'specimen')).toBeFalse();
  });
});
