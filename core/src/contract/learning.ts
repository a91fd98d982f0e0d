import { Type, type Static } from '@sinclair/typebox';
import { LEARNT_IDS, STATUSES, type LearntId } from '../identify/index.js';
import { oneOf } from '../quantity/oneOf.js';
import { CONFIRMED_BY, type ConfirmedBy } from '../readings/reading.js';
import { ConfirmedSpecimens } from './parts.js';
import { question } from './question.js';
import { BandSchema, KindSchema, list } from './schema.js';

/** A pattern by its id and how it is called; absent where it is in no catalogue. */
const Called = Type.Optional(Type.Object({ id: Type.String(), label: Type.String() }));
const Count = Type.Integer({ minimum: 0 });
const Chance = Type.Number({ minimum: 0, maximum: 1 });

const CaseSchema = Type.Object({
  specimen: Type.String(),
  name: Type.String(),
  kind: KindSchema,
  status: oneOf(STATUSES, 'How sure the answer was'),
  probability: Type.Number({ description: 'How surely it was said' }),
  said: Called,
  asSister: Type.Boolean({ description: 'Said to be like it, with a value of its own' }),
  was: Called,
  by: oneOf<ConfirmedBy>(Object.keys(CONFIRMED_BY) as ConfirmedBy[], 'How it came to be known'),
  right: Type.Boolean(),
});

const ReliabilitySchema = Type.Object({
  from: Chance,
  count: Count,
  right: Count,
  said: Type.Number({ description: 'Mean of what was said' }),
  low: Type.Number({ description: 'The share that is right lies with 95 % from here' }),
  high: Type.Number({ description: 'to here' }),
});

const ReestimatedSchema = Type.Object({
  id: oneOf<LearntId>(LEARNT_IDS, 'Which chance'),
  name: Type.String(),
  usual: Type.Number({ description: 'What is usual' }),
  present: Type.Number({ description: 'What is gone by now, the shop’s own where it has one' }),
  cases: Type.Integer({ description: 'How many times it could have happened' }),
  seen: Type.Number({ description: 'How often it did, as far as can be told' }),
  posterior: Type.Number({ description: 'Mean of what is believed after that' }),
  low: Type.Number({ description: 'Two standard deviations below' }),
  high: Type.Number({ description: 'and above' }),
});

const MeasuredHereSchema = Type.Object({
  pattern: Type.Object({ id: Type.String(), label: Type.String() }),
  parameter: Type.String(),
  name: Type.String(),
  parts: Count,
  measured: BandSchema,
  mean: Type.Number(),
  limits: BandSchema,
  wear: Type.Optional(Type.Number({ description: 'Mean wear, inside unit' })),
  contradicts: Type.Boolean({ description: 'Most lie outside the limits, the way no wear goes' }),
});
export type MeasuredHereTold = Static<typeof MeasuredHereSchema>;

/** How what was said of parts agrees with what they turned out to be, and what can be learnt from that. */
export const calibration = question({
  path: '/calibration',
  needs: ['confirmed'],
  summary:
    'How what was said of confirmed parts agrees with what they turned out to be; chances estimated anew; sizes measured here',
  subject: 'bench',
  long: true,
  request: Type.Object(
    {
      specimens: ConfirmedSpecimens,
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    cases: list(CaseSchema),
    bands: list(ReliabilitySchema, { description: 'By tenths of sureness' }),
    brier: Type.Object({
      score: Type.Number({ description: 'Mean squared distance of what was said from what was so; 0 is perfect' }),
      error: Type.Number({ description: 'Its standard error' }),
    }),
    chances: list(ReestimatedSchema),
    priorCases: Type.Integer({ description: 'How many cases a present value is taken to stand for' }),
    measured: list(MeasuredHereSchema),
  }),
  example: {},
});
