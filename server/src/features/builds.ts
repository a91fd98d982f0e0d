import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { BUILDS_FORMAT, RESOURCES } from '@which-bore/core';
import type { BuildStore } from '../documents/buildStore.js';
import { declared } from './declared.js';
import { documentRoutes } from './documentRoutes.js';

/** Builds: list, read, write, delete, bring back; and all of them as a file of the open format. */
export const builds: FastifyPluginAsyncTypebox<{ builds: BuildStore }> = async (app, { builds: store }) => {
  await app.register(documentRoutes({ routes: RESOURCES.builds, store }));
  app.route({
    ...declared(RESOURCES.builds.exported),
    handler: async (_request, reply) => {
      const all = await store.list();
      return reply.header('content-disposition', 'attachment; filename="builds.json"').send({
        format: BUILDS_FORMAT,
        version: 1,
        builds: all.map(({ version: _version, updatedAt: _at, ...build }) => build),
      });
    },
  });
};
