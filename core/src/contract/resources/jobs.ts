import { Type } from '@sinclair/typebox';
import { DocumentParamsSchema, JobBodySchema, StoredJobSchema } from '../documents.js';
import { engine } from '../identify.js';
import { WordingSchema } from '../schema.js';
import { documentRoutes } from './documentRoutes.js';
import { JOB_EXAMPLE } from './examples.js';
import { fileOf, route, withExample } from './route.js';

const one = { method: 'GET', tag: 'jobs', params: DocumentParamsSchema, errors: [404] } as const;

/** Engines on order, what was ordered for one, and what engine it is. */
export const jobs = {
  ...documentRoutes({
    path: 'jobs',
    name: 'job',
    plural: 'jobs',
    stays: ', and its parts stay on the shelf',
    tag: 'jobs',
    listed: StoredJobSchema,
    stored: StoredJobSchema,
    body: withExample(JobBodySchema, JOB_EXAMPLE),
    listedExample: JOB_EXAMPLE,
  }),
  orders: route({
    ...one,
    path: '/jobs/:id/orders.csv',
    summary: 'What was ordered for a job, as a table',
    answer: fileOf('CSV'),
  }),
  engine: route({
    ...one,
    path: '/jobs/:id/engine',
    summary: 'What engine a job is, from its claims and parts together; which part does not belong, and what is mixed',
    query: Type.Object({ units: Type.Optional(WordingSchema) }),
    answer: engine.answer,
  }),
};
