import type { FastifyBaseLogger } from 'fastify';
import { ChangeFeed } from './changeFeed.js';
import { SUPPLIER_WITHIN, USUAL_UPLOADS, type Config } from './config.js';
import { Database } from './database/database.js';
import { BuildStore } from './documents/buildStore.js';
import { JobStore } from './documents/jobStore.js';
import { PhotographStore } from './documents/photographStore.js';
import { ShopStore } from './documents/shopStore.js';
import { SpecimenStore } from './documents/specimenStore.js';
import { CatalogueStore } from './features/catalogueStore.js';
import { ImportStore } from './features/importStore.js';
import { ReservationStore } from './order/reservationStore.js';
import { SupplierStore } from './order/supplierStore.js';
import { Searchers } from './searches/searchers.js';
import { Workshops } from './workshop/workshops.js';

/** Settings of a server; all but these have a usual value. */
export type AppConfig = Pick<Config, 'databaseUrl' | 'webRoot' | 'logLevel'> & Partial<Omit<Config, 'port'>>;

/** What a server works with: its database, what is kept in it, and the threads that answer and search. */
export class Services {
  readonly database: Database;
  readonly catalogue: CatalogueStore;
  readonly specimens: SpecimenStore;
  readonly jobs: JobStore;
  readonly builds: BuildStore;
  readonly shop: ShopStore;
  readonly photographs: PhotographStore;
  readonly reservations: ReservationStore;
  readonly suppliers: SupplierStore;
  readonly imports: ImportStore;
  readonly workshops: Workshops;
  readonly changeFeed: ChangeFeed;
  readonly searchers: Searchers;

  constructor(
    { databaseUrl, workshops, searchers = 1, uploads = USUAL_UPLOADS, ...config }: AppConfig,
    log: FastifyBaseLogger,
  ) {
    const warn = (message: string, error?: unknown) => log.warn({ err: error }, message);
    const fail = (message: string, error?: unknown) => log.error({ err: error }, message);
    this.database = new Database(databaseUrl, (message, error) => (error ? warn(message, error) : log.info(message)));
    this.catalogue = new CatalogueStore(this.database);
    this.specimens = new SpecimenStore(this.database);
    this.jobs = new JobStore(this.database);
    this.builds = new BuildStore(this.database);
    this.shop = new ShopStore(this.database);
    this.photographs = new PhotographStore(this.database);
    this.reservations = new ReservationStore(this.database);
    this.suppliers = new SupplierStore(this.database, config.supplierWithin ?? SUPPLIER_WITHIN);
    this.imports = new ImportStore(this.database, databaseUrl, uploads, fail);
    this.workshops = new Workshops(databaseUrl, workshops, (error) =>
      fail('A thread of the workshop has ended.', error),
    );
    this.changeFeed = new ChangeFeed(databaseUrl, warn);
    this.searchers = new Searchers(this.database, databaseUrl, this.changeFeed, searchers, fail);
    this.database.onOpen(() => this.imports.pickUp());
    this.database.onOpen(async () => void this.searchers.open());
  }

  /** Connects to the database, or goes on trying in the background while it is away. */
  async open(): Promise<void> {
    await this.database.open();
    await this.changeFeed.open();
  }

  /** Ends what is under way, and what it stands on after that. */
  async close(): Promise<void> {
    await this.searchers.close();
    await this.changeFeed.close();
    await this.workshops.close();
    await this.imports.close();
    await this.database.close();
  }
}
