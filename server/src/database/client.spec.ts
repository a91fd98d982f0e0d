import { testDatabaseUrl } from '../features/testing.js';
import { Client } from './client.js';

describe('a connection', () => {
  it('that is cut off while nobody listens ends nothing, and says so when it is used next', async () => {
    const [one, other] = [new Client(testDatabaseUrl()), new Client(testDatabaseUrl())];
    await Promise.all([one.connect(), other.connect()]);
    const { rows } = await one.query<{ pid: number }>('SELECT pg_backend_pid() AS pid');
    const ended = new Promise((resolve) => one.once('end', resolve));
    await other.query('SELECT pg_terminate_backend($1)', [rows[0]?.pid]);
    await ended;
    await expectAsync(one.query('SELECT 1')).toBeRejectedWithError(/not queryable|terminated|closed/i);
    await other.end();
  });
});
