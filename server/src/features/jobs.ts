import { Readable } from 'node:stream';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { checkReadings, DataError, LINE_STATES, RESOURCES, type Job, type Requests } from '@which-bore/core';
import type { JobStore } from '../documents/jobStore.js';
import type { SpecimenStore } from '../documents/specimenStore.js';
import { csvOf, disarmed } from '../transfer/writeTable.js';
import type { Workshops } from '../workshop/workshops.js';
import { declared } from './declared.js';
import { documentRoutes } from './documentRoutes.js';
import { answer } from './questions.js';

/** Throws a DataError where a job cannot be kept. */
function check({ readings }: Job): void {
  const problems = checkReadings(
    'variant',
    readings.map(({ is }) => is),
    'body.readings',
  );
  if (problems.length > 0) throw new DataError('Some readings cannot be used.', problems);
}

const ORDER_HEADINGS = [
  'what',
  'number',
  'quantity',
  'from',
  'price',
  'currency',
  'includes',
  'state',
  'expected',
  'note',
];

/** What was ordered, a line a row. */
const orderRows = (orders: NonNullable<Job['orders']>): string[][] => [
  ORDER_HEADINGS,
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

/** Jobs: list, read, write, delete, bring back; and what engine a job is, from its parts. */
export const jobs: FastifyPluginAsyncTypebox<{
  jobs: JobStore;
  specimens: SpecimenStore;
  workshops: Workshops;
}> = async (app, { jobs: store, specimens, workshops }) => {
  await app.register(documentRoutes({ routes: RESOURCES.jobs, store, check }));
  app.route({
    ...declared(RESOURCES.jobs.orders),
    handler: async (request, reply) => {
      const { orders = [] } = await store.get(request.params.id);
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', 'attachment; filename="orders.csv"')
        .send(csvOf(Readable.from(orderRows(orders).map((row) => row.map(disarmed)))));
    },
  });
  app.route({
    ...declared(RESOURCES.jobs.engine),
    handler: async (request, reply) => {
      const job = await store.get(request.params.id);
      const parts = await specimens.ofJob(job.id);
      const asked: Requests['engine'] = {
        readings: job.readings.map(({ is }) => is),
        specimens: parts.map(({ version: _version, updatedAt: _at, ...specimen }) => specimen),
        units: request.query.units ?? 'metric',
      };
      return answer(workshops, request, reply, 'engine', asked);
    },
  });
};
