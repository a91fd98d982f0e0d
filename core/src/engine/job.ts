import { Type, type Static } from '@sinclair/typebox';
import { ReadingSchema } from '../readings/reading.js';

/** One engine on order: what it is said to be and what is seen of it whole. Its parts are specimens that name it. */
export const JobSchema = Type.Object(
  {
    id: Type.String({ format: 'uuid' }),
    name: Type.String({ minLength: 1, maxLength: 120 }),
    readings: Type.Array(ReadingSchema, {
      maxItems: 500,
      description: 'Claims, and sizes and looks of the engine as a whole',
    }),
    note: Type.Optional(Type.String({ maxLength: 4000 })),
  },
  { additionalProperties: false },
);
export type Job = Static<typeof JobSchema>;

/**
 * Jobs on file: the open format in which they are kept and passed on, version 1. Their parts are in a file of
 * specimens.
 */
export const JobFileSchema = Type.Object(
  {
    format: Type.Literal('which-bore-jobs'),
    version: Type.Literal(1),
    jobs: Type.Array(JobSchema, { maxItems: 10_000 }),
  },
  { additionalProperties: false, title: 'Which Bore jobs' },
);
export type JobFile = Static<typeof JobFileSchema>;
