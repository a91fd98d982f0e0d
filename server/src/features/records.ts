import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  ChangeSchema,
  checkRecord,
  DataError,
  IdSchema,
  RECORD_TYPES,
  RecordTypeSchema,
  storedRecordSchema,
} from '@which-bore/core';
import type { CatalogueStore } from './catalogueStore.js';

const Id = { ...IdSchema, examples: ['sluice-crank-3375-forged'] };
const MOST_CHANGES = 200;

/** Single records of the catalogue: read, changed, removed, and what was ever done to them. */
export const records: FastifyPluginAsyncTypebox<{ catalogue: CatalogueStore }> = async (app, { catalogue: store }) => {
  for (const type of RECORD_TYPES) {
    const Stored = storedRecordSchema(type);
    const Params = Type.Object({ id: Id });
    app.get(
      `/records/${type}/:id`,
      {
        schema: {
          summary: `One ${type}, with its version`,
          tags: ['catalogue'],
          params: Params,
          response: { 200: Stored },
        },
      },
      (request) => store.record(type, request.params.id),
    );
    app.put(
      `/records/${type}/:id`,
      {
        schema: {
          summary: `Add a ${type} (version 0) or change it`,
          tags: ['catalogue'],
          params: Params,
          body: { ...Stored, additionalProperties: false },
          response: { 200: Stored },
        },
      },
      async (request) => {
        const { record, version } = request.body;
        if (record.id !== request.params.id)
          throw new DataError('The record cannot be saved.', [
            {
              where: 'body.record.id',
              what: `it is “${record.id}” and the address says “${request.params.id}”; make them the same.`,
            },
          ]);
        const problems = checkRecord(type, record, 'record');
        if (problems.length > 0) throw new DataError('The record cannot be saved.', problems);
        return store.put(type, record, version, request.who);
      },
    );
    app.delete(
      `/records/${type}/:id`,
      {
        schema: {
          summary: `Remove a ${type}`,
          tags: ['catalogue'],
          params: Params,
          querystring: Type.Object({ version: Type.String({ pattern: '^\\d+$' }) }),
          response: { 204: Type.Null() },
        },
      },
      async (request, reply) => {
        await store.remove(type, request.params.id, Number(request.query.version), request.who);
        return reply.code(204).send(null);
      },
    );
  }

  app.get(
    '/changes',
    {
      schema: {
        summary: 'What was changed in the catalogue, newest first',
        tags: ['catalogue'],
        querystring: Type.Object({
          type: Type.Optional(RecordTypeSchema),
          id: Type.Optional(Id),
          batch: Type.Optional(Type.String({ format: 'uuid' })),
          before: Type.Optional(Type.String({ pattern: '^\\d+$', description: 'Only changes before this one' })),
        }),
        response: { 200: Type.Array(ChangeSchema) },
      },
    },
    async (request) => {
      const found = await store.changes(request.query, MOST_CHANGES);
      return found.map(({ recordType, recordId, at, ...change }) => ({
        ...change,
        at: at.toISOString(),
        type: recordType,
        record: recordId,
      }));
    },
  );

  app.post(
    '/changes/:id/undo',
    {
      schema: {
        summary: 'Bring a record back to what it was before a change',
        tags: ['catalogue'],
        params: Type.Object({ id: Type.String({ pattern: '^\\d+$', examples: ['1'] }) }),
        response: { 204: Type.Null() },
      },
    },
    async (request, reply) => {
      await store.undo(request.params.id, request.who);
      return reply.code(204).send(null);
    },
  );

  app.post(
    '/batches/:batch/undo',
    {
      schema: {
        summary: 'Bring every record back to what it was before changes made together, an import for one',
        tags: ['catalogue'],
        params: Type.Object({
          batch: Type.String({ format: 'uuid', examples: ['0b3c0a52-5a9c-4b51-9d0e-0f6b1c2d3e4f'] }),
        }),
        response: { 200: Type.Object({ records: Type.Integer({ description: 'How many were brought back' }) }) },
      },
    },
    async (request) => ({ records: await store.undoBatch(request.params.batch, request.who) }),
  );
};
