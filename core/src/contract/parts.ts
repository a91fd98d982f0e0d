import { Type, type Static } from '@sinclair/typebox';
import { BuildSchema } from '../build/build.js';
import { MOST_CONFIRMED, MOST_TOGETHER } from './limits.js';
import { SpecimenSchema } from '../readings/reading.js';

/**
 * A part, a set of internals or an engine: exactly one of a pattern, a stored specimen, a specimen sent along, a
 * variant, a stored job with all its parts, and several specimens sent along that belong together;
 * or a build, stored or sent along with the specimens it names. A specimen is taken
 * for what it most likely is, once that is at least probable, and takes from that pattern what was not measured on it;
 * `as` names another pattern, or `nothing`.
 */
export const PartRefSchema = Type.Object(
  {
    pattern: Type.Optional(Type.String({ maxLength: 80, description: 'Pattern id' })),
    specimenId: Type.Optional(Type.String({ format: 'uuid', description: 'Id of a stored specimen' })),
    specimen: Type.Optional(SpecimenSchema),
    jobId: Type.Optional(
      Type.String({ format: 'uuid', description: 'Id of a stored job: all its parts, as measured' }),
    ),
    specimens: Type.Optional(
      Type.Array(SpecimenSchema, {
        minItems: 1,
        maxItems: MOST_TOGETHER,
        description: 'Parts on one bench, that belong together',
      }),
    ),
    buildId: Type.Optional(
      Type.String({ format: 'uuid', description: 'Id of a stored build: its parts, with the work that is planned' }),
    ),
    build: Type.Optional(BuildSchema),
    name: Type.Optional(Type.String({ maxLength: 120, description: 'What those parts are called together' })),
    as: Type.Optional(
      Type.String({
        maxLength: 80,
        description:
          'Pattern the specimen is taken for; “nothing”: only what was measured; by itself the one it most likely is',
      }),
    ),
    variant: Type.Optional(
      Type.String({ maxLength: 80, description: 'Variant id: a whole engine, with the likeliest part in each place' }),
    ),
    at: Type.Optional(
      Type.String({ pattern: '^\\d{4}(-\\d{2})?$', description: 'Year in which the engine was built' }),
    ),
    internals: Type.Optional(
      Type.Boolean({ description: 'Of the engine only what goes round in it, from crank to rings' }),
    ),
  },
  { additionalProperties: false, minProperties: 1, maxProperties: 4 },
);
export type PartRef = Static<typeof PartRefSchema>;

export const AddressSchema = Type.String({
  maxLength: 90,
  description: '`pattern:`, `specimen:`, `variant:`, `job:` or `build:` with its id',
  examples: ['pattern:ambit-crank-3'],
});

/** Confirmed specimens that something is learnt from. */
export const ConfirmedSpecimens = Type.Optional(
  Type.Array(SpecimenSchema, {
    maxItems: MOST_CONFIRMED,
    description: 'Confirmed specimens; all that are stored where nothing is said',
  }),
);
