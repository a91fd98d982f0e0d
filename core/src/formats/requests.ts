import { Type, type Static } from '@sinclair/typebox';
import { REACHES, type Reach } from '../dictionary/definition.js';
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
    state: Type.Optional(
      Type.Unsafe<Reach>({ type: 'string', enum: [...REACHES], description: 'How far the engine is apart; on the bench where nothing is said' }),
    ),
    skipped: Type.Optional(Type.Array(Type.String({ maxLength: 100 }), { maxItems: 200, description: 'Keys of checks that cannot be got at' })),
    most: Type.Optional(Type.Integer({ minimum: 1, maximum: 50, description: 'How many candidates to return' })),
    units: Type.Optional(UnitSystemSchema),
  },
  { additionalProperties: false },
);
export type IdentifyRequest = Static<typeof IdentifyRequestSchema>;

/**
 * A part, a set of internals or an engine: exactly one of a pattern, a stored specimen, a specimen sent along, and a
 * variant. `as` names the pattern from which a specimen takes what was not measured on it.
 */
export const PartRefSchema = Type.Object(
  {
    pattern: Type.Optional(Type.String({ maxLength: 80, description: 'Pattern id' })),
    specimenId: Type.Optional(Type.String({ format: 'uuid', description: 'Id of a stored specimen' })),
    specimen: Type.Optional(SpecimenSchema),
    as: Type.Optional(Type.String({ maxLength: 80, description: 'Pattern id the specimen was identified as' })),
    variant: Type.Optional(Type.String({ maxLength: 80, description: 'Variant id: a whole engine, with the likeliest part in each place' })),
    at: Type.Optional(Type.String({ pattern: '^\\d{4}(-\\d{2})?$', description: 'Year in which the engine was built' })),
    internals: Type.Optional(Type.Boolean({ description: 'Of the engine only what goes round in it, from crank to rings' })),
  },
  { additionalProperties: false, minProperties: 1, maxProperties: 3 },
);
export type PartRef = Static<typeof PartRefSchema>;

/** What `POST /api/interchange` takes: what comes, and where it might go, each by itself. */
export const InterchangeRequestSchema = Type.Object(
  {
    donors: Type.Array(PartRefSchema, { minItems: 1, maxItems: 20, description: 'Parts that come together' }),
    recipients: Type.Array(PartRefSchema, { minItems: 1, maxItems: 500, description: 'Each is judged by itself' }),
    units: Type.Optional(UnitSystemSchema),
  },
  { additionalProperties: false },
);
export type InterchangeRequest = Static<typeof InterchangeRequestSchema>;

/** What `POST /api/interchange/what-else` takes. */
export const WhatElseRequestSchema = Type.Object(
  {
    part: PartRefSchema,
    kind: KindIdSchema,
    side: Type.Union([Type.Literal('recipient'), Type.Literal('donor')], {
      description: 'recipient: what of that kind takes the part; donor: what of that kind goes where it is',
    }),
    most: Type.Optional(Type.Integer({ minimum: 1, maximum: 200, description: 'How many to return' })),
    shelf: Type.Optional(Type.Boolean({ description: 'Whether specimens of the shelf stand among the many; they do where nothing is said' })),
    units: Type.Optional(UnitSystemSchema),
  },
  { additionalProperties: false },
);
export type WhatElseRequest = Static<typeof WhatElseRequestSchema>;

const Chosen = Type.Object(
  {
    kind: KindIdSchema,
    patterns: Type.Optional(Type.Array(Type.String({ maxLength: 80 }), { minItems: 1, maxItems: 1000, description: 'All of the kind where absent' })),
  },
  { additionalProperties: false },
);

/** What the routes of the grid take: two kinds, and which of them. At most a thousand by a thousand. */
export const GridRequestSchema = Type.Object({ donors: Chosen, recipients: Chosen }, { additionalProperties: false });
export type GridRequest = Static<typeof GridRequestSchema>;
