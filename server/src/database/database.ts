import pRetry from 'p-retry';
import { DataSource } from 'typeorm';
import { DatabaseAwayError, isAway } from './away.js';
import { Client, CONNECT_WITHIN_MS } from './client.js';
import { ENTITIES } from './entities.js';
import { Ground1700000000001 } from './migrations/1700000000001-ground.js';
import { Catalogue1700000000002 } from './migrations/1700000000002-catalogue.js';
import { Imports1700000000003 } from './migrations/1700000000003-imports.js';
import { Identification1700000000004 } from './migrations/1700000000004-identification.js';
import { Together1700000000005 } from './migrations/1700000000005-together.js';
import { Unread1700000000006 } from './migrations/1700000000006-unread.js';
import { Practice1700000000007 } from './migrations/1700000000007-practice.js';
import { CompleteWith1700000000008 } from './migrations/1700000000008-complete-with.js';
import { Faces1700000000009 } from './migrations/1700000000009-faces.js';
import { Builds1700000000011 } from './migrations/1700000000011-builds.js';
import { Orders1700000000012 } from './migrations/1700000000012-orders.js';
import { SetSearches1700000000013 } from './migrations/1700000000013-set-searches.js';
import { Confirmed1700000000010 } from './migrations/1700000000010-confirmed.js';

const RETRY_AFTER_MS = 1000;

/**
 * The connection to PostgreSQL. It opens by itself, migrates, and keeps trying while the database is away; the pool
 * underneath reconnects after a later loss.
 */
export class Database {
  private readonly source: DataSource;
  private readonly closing = new AbortController();
  /** Done each time the database has come up. */
  private readonly whenUp: (() => Promise<void>)[] = [];

  constructor(
    url: string,
    private readonly report: (message: string, error?: unknown) => void,
  ) {
    this.source = new DataSource({
      type: 'postgres',
      url,
      entities: ENTITIES,
      migrations: [
        Ground1700000000001,
        Catalogue1700000000002,
        Imports1700000000003,
        Identification1700000000004,
        Together1700000000005,
        Unread1700000000006,
        Practice1700000000007,
        CompleteWith1700000000008,
        Faces1700000000009,
        Confirmed1700000000010,
        Builds1700000000011,
        Orders1700000000012,
        SetSearches1700000000013,
      ],
      migrationsTransactionMode: 'each',
      synchronize: false,
      logging: false,
      connectTimeoutMS: CONNECT_WITHIN_MS,
      extra: { Client },
      poolErrorHandler: (error: unknown) => this.report('The database dropped a connection.', error),
    });
  }

  /** Has something done each time the database has come up. */
  onOpen(work: () => Promise<void>): void {
    this.whenUp.push(work);
  }

  /** Connects and migrates. Throws when that fails, but for a database that is away: then it goes on trying. */
  async open(): Promise<void> {
    try {
      await this.comeUp();
    } catch (error) {
      if (!this.isWorthAnotherTry(error)) throw error;
      void this.keepTrying();
    }
  }

  private async comeUp(): Promise<void> {
    try {
      await this.source.initialize();
      await this.source.runMigrations();
      this.report('The database is there and up to date.');
      for (const each of this.whenUp) await each();
    } catch (error) {
      if (this.source.isInitialized) await this.source.destroy();
      throw error;
    }
  }

  private async keepTrying(): Promise<void> {
    const { signal } = this.closing;
    const shouldRetry = ({ error }: { readonly error: unknown }): boolean => this.isWorthAnotherTry(error);
    try {
      await pRetry(() => this.comeUp(), {
        retries: Infinity,
        minTimeout: RETRY_AFTER_MS,
        factor: 1,
        shouldRetry,
        signal,
      });
    } catch (error) {
      if (!signal.aborted) this.report('Migrating failed.', error);
    }
  }

  private isWorthAnotherTry(error: unknown): boolean {
    const away = isAway(error);
    if (away) this.report('The database is away; trying again.', error);
    return away;
  }

  /** The open connection. Throws a DatabaseAwayError while there is none. */
  get connection(): DataSource {
    if (!this.source.isInitialized) throw new DatabaseAwayError();
    return this.source;
  }

  async close(): Promise<void> {
    this.closing.abort();
    if (this.source.isInitialized) await this.source.destroy();
  }
}
