import compress from '@fastify/compress';
import helmet from '@fastify/helmet';
import swagger from '@fastify/swagger';
import swaggerUi from '@fastify/swagger-ui';
import type { TypeBoxTypeProvider } from '@fastify/type-provider-typebox';
import fastify, { type FastifyInstance } from 'fastify';
import type { LoggerOptions } from 'pino';
import { LARGEST_UPLOAD, SUPPLIER_WITHIN, USUAL_UPLOADS, type Config } from './config.js';
import { Database } from './database/database.js';
import { BuildStore } from './documents/buildStore.js';
import { JobStore } from './documents/jobStore.js';
import { PhotographStore } from './documents/photographStore.js';
import { ShopStore } from './documents/shopStore.js';
import { SpecimenStore } from './documents/specimenStore.js';
import { guardEdge } from './edge.js';
import { installErrors } from './errors.js';
import { catalogue } from './features/catalogue.js';
import { CatalogueStore } from './features/catalogueStore.js';
import { events } from './features/events.js';
import { exports } from './features/exports.js';
import { practice } from './features/practice.js';
import { health } from './features/health.js';
import { imports } from './features/imports.js';
import { ImportStore } from './features/importStore.js';
import { builds } from './features/builds.js';
import { jobs } from './features/jobs.js';
import { photographs } from './features/photographs.js';
import { questions } from './features/questions.js';
import { records } from './features/records.js';
import { reservations } from './features/reservations.js';
import { simulatedGauge } from './features/simulatedGauge.js';
import { simulatedSuppliers } from './features/simulatedSuppliers.js';
import { setSearches } from './features/setSearches.js';
import { shop } from './features/shop.js';
import { specimens } from './features/specimens.js';
import { suppliers } from './features/suppliers.js';
import { webApp } from './features/webApp.js';
import { ChangeFeed } from './changeFeed.js';
import { Searchers } from './searches/searchers.js';
import { ReservationStore } from './order/reservationStore.js';
import { SupplierStore } from './order/supplierStore.js';
import { buildValidator } from './validators.js';
import { Workshops } from './workshop/workshops.js';

/** How long answers under way have when the server is stopped, ms. */
const CLOSES_AFTER_MS = 1000;

/** Largest request body, in bytes: some thousands of readings. */
export const BODY_LIMIT = 1024 * 1024;

/**
 * A browser that went on to another page before a file had come is no failure of the server: said to those who look for
 * it only.
 */
const leftOnPurpose: NonNullable<NonNullable<LoggerOptions['hooks']>['logMethod']> = function (given, method, level) {
  const [first] = given as readonly unknown[];
  const left = first instanceof Error && first.message === 'premature close';
  if (!left) method.apply(this, given);
  else if (level > 20) this.debug(first);
};

declare module 'fastify' {
  interface FastifyInstance {
    /** What answers questions over the catalogue. */
    readonly workshops: Workshops;
  }
}

/** Where this server can be reached from itself. */
function ownOrigin(app: FastifyInstance): URL {
  const address = app.server.address();
  if (address === null || typeof address === 'string') throw new Error('The server does not listen yet.');
  const host = ['0.0.0.0', '::'].includes(address.address) ? '127.0.0.1' : address.address;
  return new URL(`http://${host.includes(':') ? `[${host}]` : host}:${address.port}`);
}

/** Puts the server together. It listens nowhere yet, and its database opens by itself. */
export async function buildApp(
  config: Pick<Config, 'databaseUrl' | 'webRoot' | 'logLevel'> &
    Partial<
      Pick<
        Config,
        | 'host'
        | 'hosts'
        | 'workshops'
        | 'searchers'
        | 'uploads'
        | 'largestUpload'
        | 'supplierHosts'
        | 'supplierWithin'
        | 'simulated'
      >
    >,
): Promise<FastifyInstance> {
  const app = fastify({
    bodyLimit: BODY_LIMIT,
    logger: { level: config.logLevel, hooks: { logMethod: leftOnPurpose } },
    schemaController: { compilersFactory: { buildValidator } },
    ajv: {
      customOptions: {
        coerceTypes: false,
        removeAdditional: false,
        allErrors: true,
        discriminator: true,
        keywords: ['example'],
      },
    },
  }).withTypeProvider<TypeBoxTypeProvider>();
  // Answers are of the type that their contract says; the schema tells others of it, and a test holds both together.
  app.setSerializerCompiler(() => (answer) => JSON.stringify(answer));
  const database = new Database(config.databaseUrl, (message, error) =>
    error ? app.log.warn({ err: error }, message) : app.log.info(message),
  );
  const catalogueStore = new CatalogueStore(database);
  const specimenStore = new SpecimenStore(database);
  const workshops = new Workshops(config.databaseUrl, config.workshops, (error) =>
    app.log.error({ err: error }, 'A thread of the workshop has ended.'),
  );
  const changeFeed = new ChangeFeed(config.databaseUrl, (message, error) => app.log.warn({ err: error }, message));
  const importStore = new ImportStore(database, config.databaseUrl, config.uploads ?? USUAL_UPLOADS, (message, error) =>
    app.log.error({ err: error }, message),
  );
  database.onOpen(() => importStore.pickUp());
  const searchers = new Searchers(database, config.databaseUrl, changeFeed, config.searchers ?? 1, (message, error) =>
    app.log.error({ err: error }, message),
  );
  database.onOpen(async () => void searchers.open());
  // Browsers open connections that they never use; what is under way gets a moment to be finished, and is sent again
  // after that.
  app.addHook('preClose', async () => void setTimeout(() => app.server.closeAllConnections(), CLOSES_AFTER_MS).unref());
  app.addHook('onClose', async () => {
    await searchers.close();
    await changeFeed.close();
    await workshops.close();
    await importStore.close();
    await database.close();
  });
  installErrors(app, BODY_LIMIT);
  guardEdge(app, config.host ?? 'localhost', config.hosts ?? []);

  await app.register(helmet, {
    enableCSPNonces: true,
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'self'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // Loopback is served without TLS; a proxy in front of a whole shop sets this header itself.
    strictTransportSecurity: false,
  });
  await app.register(compress, { threshold: 1024 });
  await app.register(swagger, {
    openapi: {
      openapi: '3.1.0',
      info: {
        title: 'Which Bore',
        description: 'Names an engine part from what is read on it, and says what it goes into.',
        version: '0.1.0',
      },
      tags: [
        { name: 'bench', description: 'Specimens, their readings, and what they are' },
        { name: 'jobs', description: 'Engines on order, identified from their parts together' },
        { name: 'builds', description: 'Parts put together into one engine, and what follows from it' },
        { name: 'fit', description: 'Measuring sheets, shells place by place, and sets from a pool' },
        { name: 'order', description: 'What to buy, what to have machined, how to put it together, and suppliers' },
        { name: 'swap', description: 'What goes into what' },
        { name: 'practice', description: 'The record of rounds' },
        { name: 'catalogue', description: 'Patterns, and the words for them' },
        { name: 'server', description: 'How the server is' },
      ],
    },
  });
  await app.register(swaggerUi, {
    routePrefix: '/api/docs',
    staticCSP: true,
    // The documentation page, and only that, styles itself in place.
    transformStaticCSP: (policy) => policy.replace(/style-src [^;]*/, "style-src 'self' 'unsafe-inline'"),
  });
  await app.register(
    async (api) => {
      await api.register(health, { database });
      await api.register(catalogue, { catalogue: catalogueStore });
      await api.register(records, { catalogue: catalogueStore });
      await api.register(questions, { workshops });
      await api.register(exports, { catalogue: catalogueStore });
      await api.register(imports, { imports: importStore, largestUpload: config.largestUpload ?? LARGEST_UPLOAD });
      await api.register(jobs, { jobs: new JobStore(database), specimens: specimenStore, workshops });
      await api.register(reservations, { reservations: new ReservationStore(database) });
      await api.register(suppliers, {
        suppliers: new SupplierStore(database, config.supplierWithin ?? SUPPLIER_WITHIN),
        origin: () => ownOrigin(app),
        supplierHosts: config.supplierHosts ?? [],
      });
      await api.register(builds, { builds: new BuildStore(database) });
      await api.register(shop, { shop: new ShopStore(database) });
      await api.register(photographs, { photographs: new PhotographStore(database) });
      await api.register(practice, { database });
      await api.register(setSearches, { searches: searchers.store, workshops, changeFeed });
      await api.register(events, { changeFeed });
      await api.register(specimens, { specimens: specimenStore });
    },
    { prefix: '/api' },
  );
  if (config.simulated) {
    await app.register(simulatedSuppliers, { prefix: '/simulated/suppliers', catalogue: catalogueStore });
    await app.register(simulatedGauge, { prefix: '/simulated' });
  }
  if (config.webRoot !== undefined) await app.register(webApp, { root: config.webRoot });
  await database.open();
  await changeFeed.open();
  app.decorate('workshops', workshops);
  return app;
}
