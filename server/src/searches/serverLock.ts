import pg from 'pg';
import { CONNECT_WITHIN_MS } from '../database/client.js';

const LOCK = 1602;
const TRY_AGAIN_MS = 1000;

/**
 * What tells the other servers that this one is there: a lock that the database lets go of at the moment the process is
 * gone, however it went. A connection that is lost is made anew; until then it counts as gone.
 */
export class ServerLock {
  private client: pg.Client | undefined;
  private retry: NodeJS.Timeout | undefined;
  private closed = false;
  private held = false;

  /** @param server a name of this process that no other has */
  constructor(
    private readonly databaseUrl: string,
    readonly server: string,
    private readonly report: (message: string, error: unknown) => void,
  ) {}

  get isHeld(): boolean {
    return this.held;
  }

  async open(): Promise<void> {
    const client = new pg.Client({
      connectionString: this.databaseUrl,
      connectionTimeoutMillis: CONNECT_WITHIN_MS,
      keepAlive: true,
    });
    client.on('error', (error) => this.lost(client, error));
    client.on('end', () => this.lost(client, undefined));
    this.client = client;
    try {
      await client.connect();
      await client.query('SELECT pg_advisory_lock($1, hashtext($2))', [LOCK, this.server]);
      this.held = true;
    } catch (error) {
      this.lost(client, error);
    }
  }

  /** Whether another server is gone. */
  async isGone(server: string): Promise<boolean> {
    if (server === this.server || !this.client || !this.held) return false;
    const { rows } = await this.client.query<{ free: boolean }>(
      'SELECT pg_try_advisory_lock($1, hashtext($2)) AS free',
      [LOCK, server],
    );
    if (rows[0]?.free !== true) return false;
    await this.client.query('SELECT pg_advisory_unlock($1, hashtext($2))', [LOCK, server]);
    return true;
  }

  async close(): Promise<void> {
    this.closed = true;
    this.held = false;
    clearTimeout(this.retry);
    await this.client?.end().catch(() => undefined);
  }

  private lost(client: pg.Client, error: unknown): void {
    if (this.closed || this.client !== client) return;
    this.client = undefined;
    this.held = false;
    if (error !== undefined) this.report('The connection that says this server is there was lost.', error);
    void client.end().catch(() => undefined);
    this.retry = setTimeout(() => void this.open(), TRY_AGAIN_MS);
  }
}
