import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  checkReadings,
  DataError,
  DocumentChangeSchema,
  DocumentParamsSchema,
  ReadingChangeSchema,
  SpecimenBodySchema,
  SpecimenSummarySchema,
  StoredSpecimenSchema,
} from '@which-bore/core';
import type { SpecimenStore } from '../documents/specimenStore.js';
import { SPECIMEN_EXAMPLE, SUMMARY_EXAMPLE } from './examples.js';

const params = DocumentParamsSchema;
const tags = ['bench'];

/** Specimens: list, read, write, delete, bring back. */
export const specimens: FastifyPluginAsyncTypebox<{ specimens: SpecimenStore }> = async (app, { specimens: store }) => {
  app.get(
    '/specimens',
    {
      schema: {
        summary: 'All specimens, last changed first',
        tags,
        response: { 200: Type.Array(SpecimenSummarySchema, { examples: [[SUMMARY_EXAMPLE]] }) },
      },
    },
    () => store.summaries(),
  );
  app.get(
    '/specimens/bin',
    {
      schema: {
        summary: 'Specimens that are deleted and can be brought back',
        tags,
        response: { 200: Type.Array(StoredSpecimenSchema, { examples: [[]] }) },
      },
    },
    () => store.bin(),
  );
  app.get(
    '/specimens/:id',
    { schema: { summary: 'One specimen with its readings', tags, params, response: { 200: StoredSpecimenSchema } } },
    (request) => store.get(request.params.id),
  );
  app.put(
    '/specimens/:id',
    {
      schema: {
        summary: 'Write a specimen whole; 409 when it was changed meanwhile',
        tags,
        params,
        body: { ...SpecimenBodySchema, examples: [SPECIMEN_EXAMPLE] },
        response: { 200: StoredSpecimenSchema },
      },
    },
    (request) => {
      const { version, ...rest } = request.body;
      const specimen = { ...rest, id: request.params.id };
      const problems = checkReadings(
        specimen.kind,
        specimen.readings.map((reading) => reading.is),
        'body.readings',
      );
      const ids = new Set(specimen.readings.map((reading) => reading.id));
      if (ids.size < specimen.readings.length)
        problems.push({ where: 'body.readings', what: 'two readings have the same id; give each its own.' });
      if (problems.length > 0) throw new DataError('Some readings cannot be kept.', problems);
      return store.save(specimen, version, request.who);
    },
  );
  app.get(
    '/specimens/:id/history',
    {
      schema: {
        summary: 'What became of the readings of a specimen',
        tags,
        params,
        response: { 200: Type.Array(ReadingChangeSchema) },
      },
    },
    (request) => store.readingHistory(request.params.id),
  );
  app.get(
    '/specimens/:id/versions',
    {
      schema: {
        summary: 'Who did what to a specimen',
        tags,
        params,
        response: { 200: Type.Array(DocumentChangeSchema) },
      },
    },
    (request) => store.history(request.params.id),
  );
  app.delete(
    '/specimens/:id',
    { schema: { summary: 'Delete a specimen; it can be brought back', tags, params, response: { 204: Type.Null() } } },
    async (request, reply) => {
      await store.remove(request.params.id, request.who);
      return reply.status(204).send(null);
    },
  );
  app.post(
    '/specimens/:id/restore',
    { schema: { summary: 'Bring a deleted specimen back', tags, params, response: { 200: StoredSpecimenSchema } } },
    (request) => store.restore(request.params.id, request.who),
  );
};
