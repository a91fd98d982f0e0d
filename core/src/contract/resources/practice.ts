import { Type } from '@sinclair/typebox';
import { RecordedRoundSchema, RoundRecordSchema } from '../documents.js';
import { ROUND_EXAMPLE } from './examples.js';
import { route, withExample } from './route.js';

/** The record of rounds of practice. */
export const practice = {
  list: route({
    method: 'GET',
    path: '/practice',
    summary: 'Rounds gone through, last first',
    tag: 'practice',
    query: Type.Object({
      who: Type.Optional(Type.String({ maxLength: 200, description: 'Only those of one person' })),
    }),
    answer: withExample(Type.Array(RecordedRoundSchema), [
      { ...ROUND_EXAMPLE, at: '2026-03-02T08:10:04.000Z', who: 'Ansgar', right: true },
    ]),
  }),
  record: route({
    method: 'POST',
    path: '/practice',
    summary: 'Put a round of practice on record',
    tag: 'practice',
    author: true,
    body: withExample(RoundRecordSchema, ROUND_EXAMPLE),
    answer: Type.Null(),
    status: 201,
  }),
};
