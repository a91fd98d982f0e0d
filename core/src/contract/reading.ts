import { Type, type Static } from '@sinclair/typebox';
import {
  ClaimReadingSchema,
  FaceReadingSchema,
  LookReadingSchema,
  MarkReadingSchema,
  SizeReadingSchema,
  StepReadingSchema,
  UnreadReadingSchema,
  type Understood,
  type UnreadReading,
} from '../readings/reading.js';
import { SentenceSchema } from './schema.js';

const UnreadToldSchema = Type.Object({
  ...Type.Pick(UnreadReadingSchema, ['sort', 'text']).properties,
  reason: SentenceSchema,
  suggestion: Type.Optional(Type.String({ description: 'What was probably meant' })),
});

/** A reading as it is told: with words that were not understood goes why, and what to write instead. */
export const ReadingToldSchema = Type.Unsafe<Exclude<Understood, UnreadReading> | Static<typeof UnreadToldSchema>>({
  type: 'object',
  required: ['sort'],
  discriminator: { propertyName: 'sort' },
  oneOf: [
    MarkReadingSchema,
    SizeReadingSchema,
    LookReadingSchema,
    FaceReadingSchema,
    StepReadingSchema,
    ClaimReadingSchema,
    UnreadToldSchema,
  ],
});
