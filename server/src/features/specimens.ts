import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { checkReadings, DataError, KindIdSchema, SpecimenSchema } from '@which-bore/core';
import { SPECIMEN_EXAMPLE, SUMMARY_EXAMPLE } from './examples.js';
import type { SpecimenStore } from './specimenStore.js';

const Version = Type.Integer({ minimum: 0, maximum: 2_147_483_646, description: 'The version last seen; 0 for a new specimen' });
const Params = Type.Object({ id: Type.String({ format: 'uuid', examples: ['7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11'] }) });
const Body = Type.Object({ ...Type.Omit(SpecimenSchema, ['id']).properties, version: Version }, { additionalProperties: false, examples: [SPECIMEN_EXAMPLE] });
const Stored = Type.Object({ ...SpecimenSchema.properties, readings: Type.Array(Type.Any()), version: Version, updatedAt: Type.String() });
const Summary = Type.Object({
  id: Type.String(),
  name: Type.String(),
  kind: KindIdSchema,
  readings: Type.Integer(),
  version: Version,
  updatedAt: Type.String(),
  job: Type.Optional(Type.String({ description: 'The job whose engine it belongs to' })),
});
const Change = Type.Object({
  reading: Type.String({ format: 'uuid', examples: ['0b3c0a52-5a9c-4b51-9d0e-0f6b1c2d3e4f'] }),
  at: Type.String(),
  who: Type.String(),
  operation: Type.Union([Type.Literal('added'), Type.Literal('changed'), Type.Literal('removed')]),
  before: Type.Optional(Type.Any()),
  after: Type.Optional(Type.Any()),
});

/** Specimens: list, read, write, delete, bring back. */
export const specimens: FastifyPluginAsyncTypebox<{ specimens: SpecimenStore }> = async (app, { specimens: store }) => {
  app.get(
    '/specimens',
    { schema: { summary: 'All specimens, last changed first', tags: ['bench'], response: { 200: Type.Array(Summary, { examples: [[SUMMARY_EXAMPLE]] }) } } },
    () => store.list(),
  );
  app.get('/specimens/:id', { schema: { summary: 'One specimen with its readings', tags: ['bench'], params: Params, response: { 200: Stored } } }, (request) =>
    store.get(request.params.id),
  );
  app.put(
    '/specimens/:id',
    {
      schema: { summary: 'Write a specimen whole; 409 when it was changed meanwhile', tags: ['bench'], params: Params, body: Body, response: { 200: Stored } },
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
      if (ids.size < specimen.readings.length) problems.push({ where: 'body.readings', what: 'two readings have the same id; give each its own.' });
      if (problems.length > 0) throw new DataError('Some readings cannot be kept.', problems);
      return store.save(specimen, version, request.who);
    },
  );
  app.get(
    '/specimens/:id/history',
    { schema: { summary: 'What became of the readings of a specimen', tags: ['bench'], params: Params, response: { 200: Type.Array(Change) } } },
    (request) => store.history(request.params.id),
  );
  app.delete(
    '/specimens/:id',
    { schema: { summary: 'Delete a specimen; it can be brought back', tags: ['bench'], params: Params, response: { 204: Type.Null() } } },
    async (request, reply) => {
      await store.remove(request.params.id);
      return reply.status(204).send(null);
    },
  );
  app.post(
    '/specimens/:id/restore',
    { schema: { summary: 'Bring a deleted specimen back', tags: ['bench'], params: Params, response: { 200: Stored } } },
    (request) => store.restore(request.params.id),
  );
};
