import { Type, type Static } from '@sinclair/typebox';
import { oneOf } from '../quantity/oneOf.js';

/** Where along a bore or a journal: from the deck down a cylinder, from the front along a journal. */
export const LEVELS = ['top', 'middle', 'bottom'] as const;
export type Level = (typeof LEVELS)[number];

/** Where on one bore or journal each of several values was taken: fields of a size reading. */
export const SPOT_FIELDS = {
  levels: Type.Optional(
    Type.Array(oneOf<Level>(LEVELS, 'Where along its length'), {
      minItems: 1,
      maxItems: 50,
      description:
        'Where along its length each value was taken: top, middle or bottom of a bore; the front of a journal is its top, the rear its bottom. Absent where nobody says.',
    }),
  ),
  axes: Type.Optional(
    Type.Array(Type.Union([Type.Literal(1), Type.Literal(2)]), {
      minItems: 1,
      maxItems: 50,
      description:
        'In which of two directions square to each other each value was taken: 1 along the engine or upright, 2 across. Absent where nobody says.',
    }),
  ),
};
export type Spots = { readonly [K in keyof typeof SPOT_FIELDS]?: Static<(typeof SPOT_FIELDS)[K]> };
