import compress from '@fastify/compress';
import type { TypeBoxTypeProvider } from '@fastify/type-provider-typebox';
import fastify, { type FastifyInstance } from 'fastify';
import type { LoggerOptions } from 'pino';
import { api } from './api.js';
import { installDocumentation } from './documentation.js';
import { guardEdge } from './edge.js';
import { installErrors } from './errors.js';
import { simulatedGauge } from './features/simulatedGauge.js';
import { simulatedSuppliers } from './features/simulatedSuppliers.js';
import { webApp } from './features/webApp.js';
import { installProtection } from './protection.js';
import { Services, type AppConfig } from './services.js';
import { buildValidator } from './validators.js';
import type { Workshops } from './workshop/workshops.js';

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

/** An application with its log, its validator and its limits, and nothing in it. */
function bareApp(logLevel: AppConfig['logLevel']) {
  const app = fastify({
    bodyLimit: BODY_LIMIT,
    logger: { level: logLevel, hooks: { logMethod: leftOnPurpose } },
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
  return app;
}

/** Puts the server together. It listens nowhere yet, and its database opens by itself. */
export async function buildApp(config: AppConfig): Promise<FastifyInstance> {
  const app = bareApp(config.logLevel);
  const services = new Services(config, app.log);
  // Browsers open connections that they never use; what is under way gets a moment to be finished, and is sent again
  // after that.
  app.addHook('preClose', async () => void setTimeout(() => app.server.closeAllConnections(), CLOSES_AFTER_MS).unref());
  app.addHook('onClose', () => services.close());
  installErrors(app, BODY_LIMIT);
  guardEdge(app, config.host ?? 'localhost', config.hosts ?? []);
  await installProtection(app);
  await app.register(compress, { threshold: 1024 });
  await installDocumentation(app);
  await app.register(api, { prefix: '/api', services, config });
  if (config.simulated) {
    await app.register(simulatedSuppliers, { prefix: '/simulated/suppliers', catalogue: services.catalogue });
    await app.register(simulatedGauge, { prefix: '/simulated' });
  }
  if (config.webRoot !== undefined) await app.register(webApp, { root: config.webRoot });
  await services.open();
  app.decorate('workshops', services.workshops);
  return app;
}
