import swagger from '@fastify/swagger';
import swaggerUi from '@fastify/swagger-ui';
import type { FastifyInstance } from 'fastify';

/** Gathers the contract of every route registered after it into an OpenAPI document, and shows it at `/api/docs`. */
export async function installDocumentation(app: FastifyInstance): Promise<void> {
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
}
