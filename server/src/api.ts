import type { FastifyInstance } from 'fastify';
import { LARGEST_UPLOAD } from './config.js';
import { builds } from './features/builds.js';
import { catalogue } from './features/catalogue.js';
import { events } from './features/events.js';
import { exports } from './features/exports.js';
import { health } from './features/health.js';
import { imports } from './features/imports.js';
import { jobs } from './features/jobs.js';
import { photographs } from './features/photographs.js';
import { practice } from './features/practice.js';
import { questions } from './features/questions.js';
import { records } from './features/records.js';
import { reservations } from './features/reservations.js';
import { setSearches } from './features/setSearches.js';
import { shop } from './features/shop.js';
import { specimens } from './features/specimens.js';
import { suppliers } from './features/suppliers.js';
import type { AppConfig, Services } from './services.js';

/** Where a server can be reached from itself. */
function ownOrigin(app: FastifyInstance): URL {
  const address = app.server.address();
  if (address === null || typeof address === 'string') throw new Error('The server does not listen yet.');
  const host = ['0.0.0.0', '::'].includes(address.address) ? '127.0.0.1' : address.address;
  return new URL(`http://${host.includes(':') ? `[${host}]` : host}:${address.port}`);
}

/** Every resource of the API, a plugin each. */
export async function api(app: FastifyInstance, { services, config }: ApiOptions): Promise<void> {
  const { database, workshops, changeFeed } = services;
  await app.register(health, { database });
  await app.register(catalogue, { catalogue: services.catalogue });
  await app.register(records, { catalogue: services.catalogue });
  await app.register(questions, { workshops });
  await app.register(exports, { catalogue: services.catalogue });
  await app.register(imports, { imports: services.imports, largestUpload: config.largestUpload ?? LARGEST_UPLOAD });
  await app.register(jobs, { jobs: services.jobs, specimens: services.specimens, workshops });
  await app.register(reservations, { reservations: services.reservations });
  await app.register(suppliers, {
    suppliers: services.suppliers,
    origin: () => ownOrigin(app),
    supplierHosts: config.supplierHosts ?? [],
  });
  await app.register(builds, { builds: services.builds });
  await app.register(shop, { shop: services.shop });
  await app.register(photographs, { photographs: services.photographs });
  await app.register(practice, { database });
  await app.register(setSearches, { searches: services.searchers.store, workshops, changeFeed });
  await app.register(events, { changeFeed });
  await app.register(specimens, { specimens: services.specimens });
}

interface ApiOptions {
  readonly services: Services;
  readonly config: AppConfig;
}
