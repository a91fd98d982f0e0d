import { Readable } from 'node:stream';
import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  CatalogueChangesSchema,
  CatalogueSchema,
  EMPTY_CATALOGUE,
  IdSchema,
  KINDS,
  PatternSchema,
  readBearing,
  readVehicleNumber,
} from '@which-bore/core';
import type { CatalogueStore } from './catalogueStore.js';

const Told = Type.Object({ says: Type.Array(Type.Object({ text: Type.String(), says: Type.String() })) });
const tags = ['catalogue'];

/**
 * The catalogue as a whole in its open format and what became of it since, one pattern of it, the schema of the format,
 * the dictionary, and what designations say.
 */
export const catalogue: FastifyPluginAsyncTypebox<{ catalogue: CatalogueStore }> = async (
  app,
  { catalogue: store },
) => {
  app.get(
    '/catalogue',
    {
      schema: {
        summary: 'The whole catalogue in the open format, as it is read',
        tags,
        response: {
          304: Type.Unsafe<undefined>({ type: 'null', description: 'Unchanged since the ETag sent' }),
          200: Type.Unsafe<unknown>({
            description: 'See /api/catalogue.schema.json',
            type: 'object',
            additionalProperties: true,
            examples: [EMPTY_CATALOGUE],
          }),
        },
      },
    },
    async (request, reply) => {
      const tag = `"${await store.tag()}"`;
      void reply.header('etag', tag).header('cache-control', 'no-cache');
      if (request.headers['if-none-match'] === tag) return reply.code(304).send(undefined);
      return reply.type('application/json; charset=utf-8').send(Readable.from(store.text(), { objectMode: false }));
    },
  );
  app.get(
    '/catalogue/changes',
    {
      schema: {
        summary: 'What became of the catalogue since a state of it, record by record',
        tags,
        querystring: Type.Object({ since: Type.String({ maxLength: 60, examples: ['1a2b3c4d-17'] }) }),
        response: { 200: CatalogueChangesSchema },
      },
    },
    (request) => store.changesSince(request.query.since),
  );
  app.get(
    '/catalogue.schema.json',
    {
      schema: {
        summary: 'JSON Schema of the catalogue format',
        tags,
        response: {
          200: Type.Unsafe<unknown>({
            description: 'A JSON Schema',
            type: 'object',
            additionalProperties: true,
            examples: [{ type: 'object' }],
          }),
        },
      },
    },
    () => ({ $schema: 'http://json-schema.org/draft-07/schema#', ...CatalogueSchema }),
  );
  app.get(
    '/patterns/:id',
    {
      schema: {
        summary: 'One pattern',
        tags,
        params: Type.Object({ id: { ...IdSchema, examples: ['sluice-crank-3375-forged'] } }),
        response: { 200: PatternSchema },
      },
    },
    async (request) => (await store.record('pattern', request.params.id)).record,
  );
  app.get(
    '/dictionary',
    {
      schema: {
        summary: 'Every kind of part with its sizes, looks, mark places and faces',
        tags,
        response: {
          200: Type.Unsafe<unknown>({
            description: 'By kind',
            type: 'object',
            additionalProperties: true,
            examples: [{ crank: { id: 'crank', name: 'Crank' } }],
          }),
        },
      },
    },
    () => KINDS,
  );
  app.get(
    '/bearings/:designation',
    {
      schema: {
        summary: 'What the designation of a rolling bearing says',
        tags,
        params: Type.Object({ designation: Type.String({ maxLength: 40, examples: ['6204-2Z'] }) }),
        response: { 200: Told },
      },
    },
    ({ params: { designation } }) => ({ says: readBearing(designation).says.map((each) => ({ ...each })) }),
  );
  app.get(
    '/vehicle-numbers/:number',
    {
      schema: {
        summary: 'Check digit and model year of a vehicle identification number',
        tags,
        params: Type.Object({ number: Type.String({ maxLength: 40, examples: ['11111111111111111'] }) }),
        response: { 200: Told },
      },
    },
    ({ params: { number } }) => {
      const read = readVehicleNumber(number);
      return { says: [{ text: read.number, says: read.says }] };
    },
  );
};
