import { createServer, connect, type Server, type Socket } from 'node:net';
import { buildApp } from '../app.js';
import { readConfig } from '../config.js';
import { testDatabaseUrl } from '../features/testing.js';
import { Database } from './database.js';

/** A door before the database that can be shut, so that it is away without stopping it for the other tests. */
class Door {
  private readonly sockets = new Set<Socket>();
  private server: Server | undefined;
  port = 0;

  async open(): Promise<void> {
    const target = new URL(testDatabaseUrl());
    const server = createServer((client) => {
      const inner = connect(Number(target.port), target.hostname);
      for (const socket of [client, inner]) {
        this.sockets.add(socket);
        socket.on('error', () => undefined).on('close', () => this.sockets.delete(socket));
      }
      client.pipe(inner).pipe(client);
    });
    this.server = server;
    await new Promise<void>((resolve) => server.listen(this.port, '127.0.0.1', resolve));
    const address = server.address();
    if (typeof address === 'object' && address) this.port = address.port;
  }

  async shut(): Promise<void> {
    for (const socket of this.sockets) socket.destroy();
    const { server } = this;
    if (server) await new Promise<void>((resolve) => server.close(() => resolve()));
  }

  get url(): string {
    const url = new URL(testDatabaseUrl());
    url.port = String(this.port);
    return url.href;
  }
}

const until = async (what: () => Promise<boolean>, within = 10_000): Promise<void> => {
  const end = Date.now() + within;
  while (!(await what())) {
    if (Date.now() > end) throw new Error('It did not come about in time.');
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
};

describe('a database that is away', () => {
  it('is said to be so, and is taken up again when it returns', async () => {
    const door = new Door();
    await door.open();
    const app = await buildApp({ databaseUrl: door.url, webRoot: undefined, logLevel: 'silent' });
    const health = async () => (await app.inject({ url: '/api/health' })).statusCode;
    expect(await health()).toBe(200);
    await door.shut();
    expect(await health()).toBe(503);
    const away = await app.inject({ url: '/api/specimens' });
    expect([away.statusCode, away.json<{ error: string }>().error]).toEqual([
      503,
      'The database is away. What you typed is kept; it will be saved when the database is back.',
    ]);
    await door.open();
    await until(async () => (await health()) === 200);
    expect((await app.inject({ url: '/api/specimens' })).statusCode).toBe(200);
    await app.close();
    await door.shut();
  }, 30_000);

  it('does not keep the server from starting', async () => {
    const door = new Door();
    await door.open();
    await door.shut();
    const app = await buildApp({ databaseUrl: door.url, webRoot: undefined, logLevel: 'silent' });
    expect((await app.inject({ url: '/api/health' })).statusCode).toBe(503);
    await door.open();
    await until(async () => (await app.inject({ url: '/api/health' })).statusCode === 200);
    await app.close();
    await door.shut();
  }, 30_000);
});

describe('the tables', () => {
  it('hold their own against what no code should write', async () => {
    const database = new Database(testDatabaseUrl(), () => undefined);
    await database.open();
    const refuses = (sql: string) => expectAsync(database.connection.query(sql)).toBeRejected();
    await refuses(
      `INSERT INTO pattern (id, document) VALUES ('x-y', '{"id":"x-y","kind":"crank","name":"x","family":"nobody"}')`,
    );
    await refuses(`INSERT INTO pattern (id, document) VALUES ('x-y', '{"id":"x-z","kind":"crank","name":"x"}')`);
    await refuses(`INSERT INTO variant (id, document) VALUES ('x-y', '{"id":"x-y","code":"x"}')`);
    await refuses(`INSERT INTO swap (id, document) VALUES ('x-y', '{"id":"x-y","donor":"a","recipient":"a"}')`);
    await refuses(
      `INSERT INTO specimen VALUES ('7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11', 'crank', '', 1, now(), now(), NULL)`,
    );
    await refuses(
      `INSERT INTO reading VALUES ('7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11', '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a12', 0, now(), '{"sort":"mark"}')`,
    );
    await refuses(`INSERT INTO catalogue_state VALUES (2, 0)`);
    await database.close();
  });
});

describe('the configuration', () => {
  it('names what is missing or wrong', () => {
    expect(() => readConfig({})).toThrowError(/DATABASE_URL is not set/);
    expect(() => readConfig({ DATABASE_URL: 'postgres://x', PORT: 'many' })).toThrowError(/PORT is "many"/);
    expect(readConfig({ DATABASE_URL: 'postgres://x' }).host).toBe('127.0.0.1');
  });
});
