import { Type, type Static } from '@sinclair/typebox';
import { oneOf } from '../quantity/oneOf.js';
import { UNIT_IDS, type UnitId } from '../quantity/unit.js';
import { PLANNED_IDS, type PlannedId } from './work.js';

/** A figure with the unit in which it was typed. */
const TypedFigure = {
  value: Type.Number({ minimum: -1e6, maximum: 1e6, description: 'In the unit given' }),
  unit: oneOf<UnitId>(UNIT_IDS, 'Unit in which it was typed'),
};

/** Counted from the front; absent where it goes for all. */
const AtSchema = Type.Optional(
  Type.Integer({
    minimum: 1,
    maximum: 16,
    description: 'Which cylinder, main or crankpin, from the front; absent for all',
  }),
);

const PlannedWorkSchema = Type.Object(
  {
    operation: oneOf<PlannedId>(PLANNED_IDS, 'What is done'),
    by: Type.Object(TypedFigure, { additionalProperties: false, description: 'How much' }),
  },
  { additionalProperties: false },
);
export type PlannedWork = Static<typeof PlannedWorkSchema>;

/** What goes into one place of the engine, and what is done to it. Without a part it is what the variant has there. */
const PlaceSchema = Type.Object(
  {
    slot: Type.String({ maxLength: 40, description: 'Place of an engine, as in fitments' }),
    at: AtSchema,
    pattern: Type.Optional(Type.String({ maxLength: 80, description: 'Pattern id' })),
    specimen: Type.Optional(Type.String({ format: 'uuid', description: 'A stored specimen, as measured' })),
    size: Type.Optional(
      Type.Object(TypedFigure, {
        additionalProperties: false,
        description: 'Service size it is bought in, from standard: over it, or of shells under it with a minus',
      }),
    ),
    work: Type.Optional(Type.Array(PlannedWorkSchema, { maxItems: 20, description: 'What is done to it, in order' })),
  },
  { additionalProperties: false },
);
export type Place = Static<typeof PlaceSchema>;

/** A figure that somebody puts in the place of what a part has. */
const TypedSizeSchema = Type.Object(
  {
    of: Type.String({ maxLength: 80, description: 'Id of a parameter of the dictionary' }),
    at: AtSchema,
    ...TypedFigure,
    within: Type.Optional(
      Type.Number({ minimum: 0, maximum: 1e6, description: 'How far either way it may be, in the same unit' }),
    ),
  },
  { additionalProperties: false },
);
export type TypedSize = Static<typeof TypedSizeSchema>;

const LiftTable = Type.Optional(
  Type.Array(Type.Tuple([Type.Number({ minimum: -360, maximum: 360 }), Type.Number({ minimum: 0, maximum: 60 })]), {
    minItems: 3,
    maxItems: 400,
    description: 'Crank degrees from the centre and lift of the valve in millimetres, in order',
  }),
);

/** Parts put together into one engine, on paper. What is not said is as in the variant it starts from. */
export const BuildSchema = Type.Object(
  {
    id: Type.String({ format: 'uuid' }),
    name: Type.String({ minLength: 1, maxLength: 120 }),
    job: Type.Optional(Type.String({ format: 'uuid', description: 'The job it is for' })),
    variant: Type.Optional(Type.String({ maxLength: 80, description: 'Variant it starts from' })),
    places: Type.Array(PlaceSchema, { maxItems: 300 }),
    sizes: Type.Array(TypedSizeSchema, { maxItems: 300, description: 'Figures in the place of what parts have' }),
    looks: Type.Optional(
      Type.Array(
        Type.Object(
          { of: Type.String({ maxLength: 80 }), option: Type.String({ maxLength: 40 }) },
          { additionalProperties: false },
        ),
        { maxItems: 60, description: 'What was seen, or is decided: fuel, duty' },
      ),
    ),
    lifts: Type.Optional(
      Type.Object(
        { intake: LiftTable, exhaust: LiftTable },
        { additionalProperties: false, description: 'As measured' },
      ),
    ),
    note: Type.Optional(Type.String({ maxLength: 4000 })),
  },
  { additionalProperties: false },
);
export type Build = Static<typeof BuildSchema>;

export const BUILDS_FORMAT = 'which-bore-builds';

/** Builds on file: the open format in which they are kept and passed on, version 1. */
export const BuildFileSchema = Type.Object(
  {
    format: Type.Literal(BUILDS_FORMAT),
    version: Type.Literal(1),
    builds: Type.Array(BuildSchema, { maxItems: 10_000 }),
  },
  { additionalProperties: false, title: 'Which Bore builds' },
);
export type BuildFile = Static<typeof BuildFileSchema>;
