import { Type, type Static } from '@sinclair/typebox';
import { oneOf } from '../quantity/oneOf.js';
import { LEVELS, type Level } from './level.js';

/** Where along a bore or journal each of several values was taken. */
export const LevelsSchema = Type.Optional(
  Type.Array(oneOf<Level>(LEVELS, 'Where along its length'), {
    minItems: 1,
    maxItems: 50,
    description:
      'Where along its length each value was taken: top, middle or bottom of a bore; the front of a journal is its top, the rear its bottom. Absent where nobody says.',
  }),
);

/** In which direction across a bore or journal each of several values was taken. */
export const AxesSchema = Type.Optional(
  Type.Array(Type.Union([Type.Literal(1), Type.Literal(2)]), {
    minItems: 1,
    maxItems: 50,
    description:
      'In which of two directions square to each other each value was taken: 1 along the engine or upright, 2 across. Absent where nobody says.',
  }),
);

/** Where on one bore or journal each of several values was taken: fields of a size reading. */
export interface Spots {
  readonly levels?: Static<typeof LevelsSchema>;
  readonly axes?: Static<typeof AxesSchema>;
}
