import { Client } from 'pg';
import { DatabaseAwayError, isAway } from './away.js';

const named = (name: string): Error => Object.assign(new Error('released'), { name });
const coded = (code: string): Error => Object.assign(new Error('driver'), { code });

describe('isAway', () => {
  it('knows what the driver says when there is nothing at the address', async () => {
    // Port 1 of loopback (tcpmux, RFC 1078) is not served by any machine that would run this.
    const client = new Client({ host: '127.0.0.1', port: 1 });
    const error: unknown = await client.connect().then(
      () => undefined,
      (each: unknown) => each,
    );
    expect(isAway(error)).toBeTrue();
  });

  it('knows the states in which PostgreSQL takes its leave', () => {
    // PostgreSQL documentation, appendix A: admin_shutdown, crash_shutdown, cannot_connect_now, connection_failure,
    // too_many_connections.
    for (const code of ['57P01', '57P02', '57P03', '08006', '53300'])
      expect(isAway(coded(code)))
        .withContext(code)
        .toBeTrue();
  });

  it('knows a connection that is lost within a transaction', () => {
    for (const name of [
      'QueryRunnerAlreadyReleasedError',
      'QueryRunnerProviderAlreadyReleasedError',
      'TransactionNotStartedError',
    ])
      expect(isAway(named(name)))
        .withContext(name)
        .toBeTrue();
  });

  it('looks into several errors that came at once, as of a name with two addresses', () => {
    expect(isAway(new AggregateError([coded('ECONNREFUSED'), coded('ECONNREFUSED')]))).toBeTrue();
  });

  it('takes a request that is wrong for what it is', () => {
    // unique_violation, foreign_key_violation, invalid_text_representation
    for (const code of ['23505', '23503', '22P02'])
      expect(isAway(coded(code)))
        .withContext(code)
        .toBeFalse();
    expect(isAway('away')).toBeFalse();
    expect(isAway(new DatabaseAwayError())).toBeTrue();
  });
});
