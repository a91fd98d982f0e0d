import { Readable } from 'node:stream';
import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  checkReadings,
  DataError,
  DocumentParamsSchema,
  JobBodySchema,
  LINE_STATES,
  QUESTIONS,
  StoredJobSchema,
  WordingSchema,
  type Requests,
} from '@which-bore/core';
import type { JobStore } from '../documents/jobStore.js';
import type { SpecimenStore } from '../documents/specimenStore.js';
import { csvOf, disarmed } from '../transfer/writeTable.js';
import type { Workshops } from '../workshop/workshops.js';
import { documentRoutes } from './documentRoutes.js';
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
  await app.register(
    documentRoutes({
      path: 'jobs',
      name: 'job',
      plural: 'jobs',
      stays: ', and its parts stay on the shelf',
      tag: 'jobs',
      store,
      stored: StoredJobSchema,
      body: JobBodySchema,
      example: JOB_EXAMPLE,
      check: ({ readings }) => {
        const problems = checkReadings(
          'variant',
          readings.map(({ is }) => is),
          'body.readings',
        );
        if (problems.length > 0) throw new DataError('Some readings cannot be used.', problems);
      },
    }),
  );
  app.get(
    '/jobs/:id/orders.csv',
    {
      schema: {
        summary: 'What was ordered for a job, as a table',
        tags,
        params,
        response: { 200: Type.Unsafe<unknown>({ description: 'CSV', type: 'string', examples: ['a file'] }) },
      },
    },
    async (request, reply) => {
      const { orders = [] } = await store.get(request.params.id);
      const rows = [
        ['what', 'number', 'quantity', 'from', 'price', 'currency', 'includes', 'state', 'expected', 'note'],
        ...orders.map((line) => [
          line.name,
          line.number ?? '',
          String(line.quantity),
          line.supplier ?? '',
          line.price?.toFixed(2) ?? '',
          line.currency ?? '',
          line.includes ?? '',
          LINE_STATES[line.state],
          line.expected ?? '',
          line.note ?? '',
        ]),
      ];
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', 'attachment; filename="orders.csv"')
        .send(csvOf(Readable.from(rows.map((row) => row.map(disarmed)))));
    },
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
