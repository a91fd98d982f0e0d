import { Type } from '@sinclair/typebox';
import { ServerEventSchema } from '../documents.js';
import { route } from './route.js';

const Health = Type.Object(
  { status: Type.Union([Type.Literal('well'), Type.Literal('database away')]), database: Type.Boolean() },
  { examples: [{ status: 'well', database: true }] },
);

/** How the server is, and what has another state. */
export const server = {
  health: route({
    method: 'GET',
    path: '/health',
    summary: 'Whether server and database are well; 503 where the database is away',
    tag: 'server',
    answer: Health,
    also: { 503: Health },
  }),
  events: route({
    method: 'GET',
    path: '/events',
    summary:
      'What has another state, as it happens: server-sent events, each a small JSON; “again” where something may have been missed',
    tag: 'server',
    answer: Type.Unsafe<unknown>({ ...ServerEventSchema, examples: [{ of: 'catalogue', tag: '1a2b3c4d-17' }] }),
  }),
};
