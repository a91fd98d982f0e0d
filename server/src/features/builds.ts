import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { BuildBodySchema, BuildFileSchema, BUILDS_FORMAT, StoredBuildSchema } from '@which-bore/core';
import type { BuildStore } from '../documents/buildStore.js';
import { documentRoutes } from './documentRoutes.js';
import { BUILD_EXAMPLE } from './examples.js';

/** Builds: list, read, write, delete, bring back; and all of them as a file of the open format. */
export const builds: FastifyPluginAsyncTypebox<{ builds: BuildStore }> = async (app, { builds: store }) => {
  await app.register(
    documentRoutes({
      path: 'builds',
      name: 'build',
      plural: 'builds',
      tag: 'builds',
      store,
      stored: StoredBuildSchema,
      body: BuildBodySchema,
      example: BUILD_EXAMPLE,
    }),
  );
  app.get(
    '/exports/builds.json',
    {
      schema: {
        summary: 'All builds as a file of the open format',
        tags: ['builds'],
        response: {
          200: { ...BuildFileSchema, examples: [{ format: BUILDS_FORMAT, version: 1, builds: [] }] },
        },
      },
    },
    async (_request, reply) => {
      const all = await store.list();
      return reply.header('content-disposition', 'attachment; filename="builds.json"').send({
        format: BUILDS_FORMAT,
        version: 1,
        builds: all.map(({ version: _version, updatedAt: _at, ...build }) => build),
      });
    },
  );
};
