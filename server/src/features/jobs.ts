import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  checkReadings,
  DataError,
  DocumentChangeSchema,
  DocumentParamsSchema,
  JobBodySchema,
  QUESTIONS,
  StoredJobSchema,
  WordingSchema,
  type Requests,
} from '@which-bore/core';
import type { JobStore } from '../documents/jobStore.js';
import type { SpecimenStore } from '../documents/specimenStore.js';
import type { Workshops } from '../workshop/workshops.js';
import { JOB_EXAMPLE } from './examples.js';
import { answer } from './questions.js';

const params = DocumentParamsSchema;
const tags = ['jobs'];

/** Jobs: list, read, write, delete, bring back; and what engine a job is, from its parts. */
export const jobs: FastifyPluginAsyncTypebox<{
  jobs: JobStore;
  specimens: SpecimenStore;
  workshops: Workshops;
}> = async (app, { jobs: store, specimens, workshops }) => {
  app.get(
    '/jobs',
    {
      schema: {
        summary: 'All jobs, last changed first',
        tags,
        response: {
          200: Type.Array(StoredJobSchema, {
            examples: [
              [
                {
                  ...JOB_EXAMPLE,
                  id: '5d2f9f52-6c1e-4d0e-8f0b-2a7c3b1d9e10',
                  version: 1,
                  updatedAt: '2026-03-02T08:10:04.000Z',
                },
              ],
            ],
          }),
        },
      },
    },
    () => store.list(),
  );
  app.get(
    '/jobs/bin',
    {
      schema: {
        summary: 'Jobs that are deleted and can be brought back',
        tags,
        response: { 200: Type.Array(StoredJobSchema, { examples: [[]] }) },
      },
    },
    () => store.bin(),
  );
  app.get(
    '/jobs/:id',
    { schema: { summary: 'One job', tags, params, response: { 200: StoredJobSchema } } },
    (request) => store.get(request.params.id),
  );
  app.put(
    '/jobs/:id',
    {
      schema: {
        summary: 'Write a job whole; 409 when it was changed meanwhile',
        tags,
        params,
        body: { ...JobBodySchema, examples: [JOB_EXAMPLE] },
        response: { 200: StoredJobSchema },
      },
    },
    (request) => {
      const { version, ...rest } = request.body;
      const job = { ...rest, id: request.params.id };
      const problems = checkReadings(
        'variant',
        job.readings.map(({ is }) => is),
        'body.readings',
      );
      if (problems.length > 0) throw new DataError('Some readings cannot be used.', problems);
      return store.save(job, version, request.who);
    },
  );
  app.get(
    '/jobs/:id/versions',
    { schema: { summary: 'Who did what to a job', tags, params, response: { 200: Type.Array(DocumentChangeSchema) } } },
    (request) => store.history(request.params.id),
  );
  app.delete(
    '/jobs/:id',
    {
      schema: {
        summary: 'Delete a job; it can be brought back, and its parts stay on the shelf',
        tags,
        params,
        response: { 204: Type.Null() },
      },
    },
    async (request, reply) => {
      await store.remove(request.params.id, request.who);
      return reply.status(204).send(null);
    },
  );
  app.post(
    '/jobs/:id/restore',
    { schema: { summary: 'Bring a deleted job back', tags, params, response: { 200: StoredJobSchema } } },
    (request) => store.restore(request.params.id, request.who),
  );
  app.get(
    '/jobs/:id/engine',
    {
      schema: {
        summary:
          'What engine a job is, from its claims and parts together; which part does not belong, and what is mixed',
        tags,
        params,
        querystring: Type.Object({ units: Type.Optional(WordingSchema) }),
        response: { 200: QUESTIONS.engine.answer },
      },
    },
    async (request, reply) => {
      const job = await store.get(request.params.id);
      const parts = await specimens.ofJob(job.id);
      const asked: Requests['engine'] = {
        readings: job.readings.map(({ is }) => is),
        specimens: parts.map(({ version: _version, updatedAt: _at, ...specimen }) => specimen),
        units: request.query.units ?? 'metric',
      };
      return answer(workshops, request, reply, 'engine', asked);
    },
  );
};
