import { Type, type Static } from '@sinclair/typebox';
import { KindIdSchema, SpecimenSchema, UnderstoodSchema } from '../readings/reading.js';

/** The units in which an answer's sentences are written. */
export const UnitSystemSchema = Type.Union([Type.Literal('metric'), Type.Literal('inch')], {
  description: 'Units of the sentences in the answer',
  default: 'metric',
});

/** What `POST /api/identify` takes: readings already understood, or words as typed, or both. */
export const IdentifyRequestSchema = Type.Object(
  {
    kind: KindIdSchema,
    entry: Type.Optional(Type.String({ maxLength: 20_000, description: 'Words as for the entry line' })),
    readings: Type.Optional(Type.Array(UnderstoodSchema, { maxItems: 500 })),
    most: Type.Optional(Type.Integer({ minimum: 1, maximum: 50, description: 'How many candidates to return' })),
    units: Type.Optional(UnitSystemSchema),
  },
  { additionalProperties: false },
);
export type IdentifyRequest = Static<typeof IdentifyRequestSchema>;

/**
 * A part: exactly one of a pattern, a stored specimen, or a specimen sent along. `as` names the pattern from which a
 * specimen takes what was not measured on it.
 */
export const PartRefSchema = Type.Object(
  {
    pattern: Type.Optional(Type.String({ maxLength: 80, description: 'Pattern id' })),
    specimenId: Type.Optional(Type.String({ format: 'uuid', description: 'Id of a stored specimen' })),
    specimen: Type.Optional(SpecimenSchema),
    as: Type.Optional(Type.String({ maxLength: 80, description: 'Pattern id the specimen was identified as' })),
  },
  { additionalProperties: false, minProperties: 1, maxProperties: 2 },
);
export type PartRef = Static<typeof PartRefSchema>;

/** What `POST /api/interchange` takes: one donor and the patterns it might go into. */
export const InterchangeRequestSchema = Type.Object(
  {
    donor: PartRefSchema,
    recipients: Type.Array(Type.String({ maxLength: 80, description: 'Pattern id' }), { minItems: 1, maxItems: 500 }),
    units: Type.Optional(UnitSystemSchema),
  },
  { additionalProperties: false },
);
export type InterchangeRequest = Static<typeof InterchangeRequestSchema>;
