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
