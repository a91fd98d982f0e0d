import { Type, type Static } from '@sinclair/typebox';
import { PRACTICE_LEVELS, type PracticeLevel } from '../practice/index.js';
import { INSTRUMENT_IDS, type InstrumentId } from '../quantity/instrument.js';
import { oneOf } from '../quantity/oneOf.js';
import { UnderstoodSchema } from '../readings/reading.js';
import { question } from './question.js';
import { KindSchema, list } from './schema.js';

/** A round of practice is all in these three: who asks again with the same gets the same part and the same answers. */
const ROUND = {
  kind: KindSchema,
  level: oneOf<PracticeLevel['id']>(
    PRACTICE_LEVELS.map(({ id }) => id),
    'How hard it is',
  ),
  seed: Type.Integer({ minimum: 0, maximum: 4_294_967_295, description: 'Decides which part is hidden' }),
};
const Asked = Type.Array(Type.String({ maxLength: 100 }), {
  maxItems: 500,
  description: 'Keys of the lines asked so far, in order',
});
const EXAMPLE = { kind: 'crank', level: 'used', seed: 4711 };

const SheetLineSchema = Type.Object({
  sort: oneOf(['size', 'look', 'mark'] as const),
  id: Type.String(),
  name: Type.String(),
  minutes: Type.Number(),
  tool: Type.Optional(Type.Object({ sort: oneOf<InstrumentId>(INSTRUMENT_IDS), name: Type.String() })),
});
export type SheetLineTold = Static<typeof SheetLineSchema>;

/** What can be asked of a hidden part. */
export const practiceSheet = question({
  path: '/practice/sheet',
  summary: 'Hide a part; what can be asked of it, and how long each takes',
  subject: 'practice',
  request: Type.Object(ROUND, { additionalProperties: false }),
  answer: Type.Object({ lines: list(SheetLineSchema) }),
  example: EXAMPLE,
});

/** What is found when the last of these lines is done. */
export const practiceAsk = question({
  path: '/practice/ask',
  summary: 'What is found when the last of these lines is done, after the others',
  subject: 'practice',
  request: Type.Object({ ...ROUND, asked: Asked }, { additionalProperties: false }),
  answer: Type.Object({ reading: Type.Optional(UnderstoodSchema) }),
  example: { ...EXAMPLE, asked: ['look crank.counterweights'] },
});

const StepSchema = Type.Object({ name: Type.String(), minutes: Type.Number(), reading: UnderstoodSchema });

/** What the part was, and what is to be said of the way there. */
export const practiceEnd = question({
  path: '/practice/end',
  summary:
    'End a round of practice: what the part was, which questions told something, and how the engine would have gone about it',
  subject: 'practice',
  long: true,
  request: Type.Object(
    {
      ...ROUND,
      asked: Asked,
      named: Type.Optional(Type.String({ maxLength: 80, description: 'Pattern named; absent for “in no catalogue”' })),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    pattern: Type.Optional(Type.String()),
    label: Type.Optional(Type.String()),
    right: Type.Boolean(),
    minutes: Type.Number(),
    score: Type.Number(),
    steps: list(
      Type.Object({
        step: StepSchema,
        bits: Type.Number(),
        wasted: Type.Boolean(),
        better: Type.Optional(Type.Object({ name: Type.String(), bits: Type.Number(), minutes: Type.Number() })),
      }),
    ),
    engine: Type.Object({
      minutes: Type.Number(),
      steps: list(
        Type.Object({
          ...StepSchema.properties,
          first: Type.Optional(Type.String({ description: 'What the likeliest pattern then is called' })),
          probability: Type.Number(),
        }),
      ),
    }),
  }),
  example: { ...EXAMPLE, asked: [], named: 'ambit-crank-3' },
});
export type RoundEndAnswer = Static<typeof practiceEnd.answer>;
