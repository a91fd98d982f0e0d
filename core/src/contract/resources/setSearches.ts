import { Type } from '@sinclair/typebox';
import { planSets, SetsAskedSchema } from '../plan.js';
import { MOST_SEARCHES } from '../searchState.js';
import { SetSearchSchema } from '../setSearch.js';
import { route, withExample } from './route.js';

const one = {
  tag: 'builds',
  params: Type.Object({ id: Type.String({ format: 'uuid', examples: ['00000000-0000-4000-8000-000000000000'] }) }),
  answer: SetSearchSchema,
  errors: [404],
} as const;

/** Searches for sets that may take long: begun, looked at, told of as they go, stopped. */
export const setSearches = {
  begin: route({
    method: 'POST',
    path: '/plan/searches',
    summary: `Begin a search for sets; where there is none, it goes on to look why. At most ${MOST_SEARCHES} of one person at a time`,
    tag: 'builds',
    author: true,
    body: withExample(SetsAskedSchema, planSets.example),
    answer: SetSearchSchema,
    status: 202,
    errors: [404, 429],
  }),
  look: route({
    ...one,
    method: 'GET',
    path: '/plan/searches/:id',
    summary: 'How a search for sets stands, and what came of it',
  }),
  stop: route({
    ...one,
    method: 'DELETE',
    path: '/plan/searches/:id',
    summary: 'Stop a search for sets; what it has found so far stays',
    author: true,
  }),
  follow: route({
    ...one,
    method: 'GET',
    path: '/plan/searches/:id/events',
    summary: 'A search for sets as it goes: server-sent events, each the whole of how it stands; ends with it',
    answer: Type.Unsafe<unknown>({ ...SetSearchSchema }),
  }),
};
