import pg from 'pg';

/**
 * A connection to PostgreSQL that may be cut off at any moment. Who uses it is told by the query that fails, or by the
 * next one. Between the moment a pool hands it out and the moment somebody listens to it nobody does, and an error that
 * nobody listens to ends the process or the thread.
 */
export class Client extends pg.Client {
  constructor(config?: string | pg.ClientConfig) {
    super(config);
    this.on('error', () => undefined);
  }
}

/**
 * How long a connection may take to come about before the database counts as away. One that is down refuses at once; on
 * a machine that is busy with other work a handshake has taken several seconds.
 */
export const CONNECT_WITHIN_MS = 15_000;
