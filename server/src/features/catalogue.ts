import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { CatalogueSchema, EMPTY_CATALOGUE, KINDS, PatternSchema } from '@which-bore/core';
import { NotFoundError } from '../errors.js';
import type { CatalogueStore } from './catalogueStore.js';

/** The catalogue as a whole in its open format, one pattern of it, the schema of the format, and the dictionary. */
export const catalogue: FastifyPluginAsyncTypebox<{ catalogue: CatalogueStore }> = async (app, { catalogue: store }) => {
  app.get(
    '/catalogue',
    {
      schema: {
        summary: 'The whole catalogue in the open format',
        tags: ['catalogue'],
        response: {
          304: Type.Unsafe<undefined>({ type: 'null', description: 'Unchanged since the ETag sent' }),
          200: {
            description: 'See /api/catalogue.schema.json',
            type: 'object',
            additionalProperties: true,
            examples: [EMPTY_CATALOGUE],
          },
        },
      },
    },
    async (request, reply) => {
      const snapshot = await store.snapshot();
      const tag = `"catalogue-${snapshot.revision}"`;
      void reply.header('etag', tag).header('cache-control', 'no-cache');
      if (request.headers['if-none-match'] === tag) return reply.code(304).send(undefined);
      return reply.send(snapshot.catalogue);
    },
  );
  app.get(
    '/catalogue.schema.json',
    {
      schema: {
        summary: 'JSON Schema of the catalogue format',
        tags: ['catalogue'],
        response: { 200: { description: 'A JSON Schema', type: 'object', additionalProperties: true, examples: [{ type: 'object' }] } },
      },
    },
    () => ({ $schema: 'http://json-schema.org/draft-07/schema#', ...CatalogueSchema }),
  );
  app.get(
    '/patterns/:id',
    {
      schema: {
        summary: 'One pattern',
        tags: ['catalogue'],
        params: Type.Object({ id: Type.String({ maxLength: 80, examples: ['sluice-crank-3375-forged'] }) }),
        response: { 200: PatternSchema },
      },
    },
    async (request) => {
      const found = (await store.snapshot()).pattern(request.params.id);
      if (!found) throw new NotFoundError(`There is no pattern "${request.params.id}" in the catalogue.`);
      return found;
    },
  );
  app.get(
    '/dictionary',
    {
      schema: {
        summary: 'Every kind of part with its sizes, looks, mark places and faces',
        tags: ['catalogue'],
        response: { 200: { description: 'By kind', type: 'object', additionalProperties: true, examples: [{ crank: { id: 'crank', name: 'Crank' } }] } },
      },
    },
    () => KINDS,
  );
};
