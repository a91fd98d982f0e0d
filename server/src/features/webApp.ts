import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fastifyStatic from '@fastify/static';
import type { FastifyPluginAsync } from 'fastify';

/** What the built page carries where each answer puts its own nonce. */
const NONCE_PLACE = /CSP_NONCE/g;

/** A file with the hash of its content in its name never changes, so browsers may keep it for good; packed or not. */
const HASHED = /-[A-Z0-9]{8}\.\w+(\.br)?$/;

/** Serves the built web application; any address that is not a file or the API opens it, so that links can be sent. */
export const webApp: FastifyPluginAsync<{ root: string }> = async (app, { root }) => {
  const page = join(root, 'index.html');
  if (!existsSync(page)) {
    app.log.warn(`No web application at ${root}: only the API is served. Build it with npm run build.`);
    return;
  }
  const html = readFileSync(page, 'utf8');
  await app.register(fastifyStatic, {
    root,
    index: false,
    wildcard: false,
    cacheControl: false,
    preCompressed: true,
    setHeaders: (reply, path) => {
      void reply.setHeader('cache-control', HASHED.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache');
    },
  });
  app.get('/', { schema: { hide: true } }, (_request, reply) => reply.redirect('/bench'));
  app.setNotFoundHandler((request, reply) => {
    if (request.method !== 'GET' || request.url.startsWith('/api/') || /\.\w+$/.test(request.url.split('?')[0] ?? '')) {
      return reply.status(404).send({ error: `There is nothing at ${request.method} ${request.url}.` });
    }
    return reply
      .header('cache-control', 'no-store')
      .type('text/html; charset=utf-8')
      .send(html.replace(NONCE_PLACE, reply.cspNonce.style));
  });
};
