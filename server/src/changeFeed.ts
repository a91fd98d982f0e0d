import { EventEmitter } from 'node:events';
import pg from 'pg';
import { CONNECT_WITHIN_MS } from './database/client.js';

/** The channels on which the database says what has another state: what everybody follows, and searches for sets. */
const CHANNEL = 'which_bore';
const SEARCHES = 'which_bore_set_search';
const TRY_AGAIN_MS = 1000;

/**
 * Listens to the database for what is changed in it, by this server process or another, and passes it on. A connection
 * that is lost is made anew; what was said meanwhile is lost, and those who listen are told to look for themselves.
 */
export class ChangeFeed {
  private readonly emitter = new EventEmitter().setMaxListeners(0);
  private client: pg.Client | undefined;
  private retry: NodeJS.Timeout | undefined;
  private closed = false;

  constructor(
    private readonly databaseUrl: string,
    private readonly report: (message: string, error: unknown) => void,
  ) {}

  async open(): Promise<void> {
    const client = new pg.Client({
      connectionString: this.databaseUrl,
      connectionTimeoutMillis: CONNECT_WITHIN_MS,
      keepAlive: true,
    });
    client.on('notification', ({ channel, payload = '' }) =>
      this.emitter.emit(channel === SEARCHES ? 'search' : 'event', payload),
    );
    client.on('error', (error) => this.lost(client, error));
    client.on('end', () => this.lost(client, undefined));
    this.client = client;
    try {
      await client.connect();
      await client.query(`LISTEN ${CHANNEL}; LISTEN ${SEARCHES}`);
      this.emitter.emit('again');
    } catch (error) {
      this.lost(client, error);
    }
  }

  /**
   * Follows what is said.
   * @param event takes a ServerEvent as JSON
   * @param again is called where something may have been missed
   * @returns a way to stop
   */
  follow(event: (json: string) => void, again: () => void): () => void {
    this.emitter.on('event', event).on('again', again);
    return () => this.emitter.off('event', event).off('again', again);
  }

  /**
   * Follows the searches for sets.
   * @param search takes the id of one that has another state
   * @param again is called where something may have been missed
   * @returns a way to stop
   */
  followSearches(search: (id: string) => void, again: () => void): () => void {
    this.emitter.on('search', search).on('again', again);
    return () => this.emitter.off('search', search).off('again', again);
  }

  async close(): Promise<void> {
    this.closed = true;
    clearTimeout(this.retry);
    await this.client?.end().catch(() => undefined);
  }

  private lost(client: pg.Client, error: unknown): void {
    if (this.closed || this.client !== client) return;
    this.client = undefined;
    if (error !== undefined) this.report('The connection that listens for changes was lost.', error);
    void client.end().catch(() => undefined);
    this.retry = setTimeout(() => void this.open(), TRY_AGAIN_MS);
  }
}
