import helmet from '@fastify/helmet';
import type { FastifyInstance } from 'fastify';

/** What browsers are told to allow a page of ours, which is what it needs and nothing else. */
export async function installProtection(app: FastifyInstance): Promise<void> {
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
}
