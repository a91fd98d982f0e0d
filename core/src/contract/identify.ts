import { Type, type Static } from '@sinclair/typebox';
import { REACHES, type Reach } from '../dictionary/definition.js';
import type { DescribedId } from '../dictionary/dictionary.js';
import { STATUSES, type HeldBy, type Status } from '../identify/index.js';
import { oneOf } from '../quantity/oneOf.js';
import { SpecimenSchema, UnderstoodSchema } from '../readings/reading.js';
import { question } from './question.js';
import { ReadingToldSchema } from './reading.js';
import { findingSchema, KindSchema, list, SentenceSchema, WordingSchema } from './schema.js';

const Entry = Type.Optional(Type.String({ maxLength: 20_000, description: 'Words as for the entry line' }));
const Usual = Type.Optional(
  oneOf(['metric', 'inch'] as const, 'Units of figures without one, where both are possible; metric where absent'),
);
const Readings = Type.Array(UnderstoodSchema, { maxItems: 500 });
const DescribedSchema = Type.Unsafe<DescribedId>({ type: 'string', description: 'Kind of part, or variant' });

/** A reading of the examples. */
const MAIN_READ = {
  sort: 'size',
  text: 'main 2.3482in mic',
  parameter: 'crank.mainJournal.diameter',
  values: [2.3482],
  unit: 'in',
  instrument: 'micrometer',
};

/** How the words of a line are understood. */
export const read = question({
  path: '/read',
  says: true,
  summary: 'How the entry line understands some words',
  subject: 'bench',
  request: Type.Object(
    {
      kind: KindSchema,
      entry: Type.String({ maxLength: 20_000 }),
      usual: Usual,
      keepsKind: Type.Optional(Type.Boolean({ description: 'The part has readings: no word names another kind' })),
      units: Type.Optional(WordingSchema),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    kind: KindSchema,
    words: list(ReadingToldSchema, { description: 'As the readings of a specimen' }),
  }),
  example: { kind: 'crank', entry: 'cast 41?7 main 2.349 mm' },
});

/** On which kinds of part some words may have been read. */
export const kindsMeant = question({
  path: '/kinds',
  summary: 'On which kinds of part some words may have been read, where nobody said',
  subject: 'bench',
  request: Type.Object({ entry: Type.String({ maxLength: 2000 }), usual: Usual }, { additionalProperties: false }),
  answer: Type.Object({
    kinds: list(Type.Object({ kind: KindSchema, name: Type.String(), probability: Type.Number() }), {
      description: 'Likeliest first; none where nothing is understood on any',
    }),
  }),
  example: { entry: 'HV-8421' },
});

const PullSchema = Type.Object({
  text: Type.String({ description: 'The words of the reading' }),
  sort: oneOf(['size', 'look', 'face', 'mark', 'claim', 'part', 'step'] as const),
  decibans: Type.Number({ description: 'Weight against a part in no catalogue; the weights of a candidate add up' }),
  why: SentenceSchema,
  meant: Type.Optional(
    Type.Object(
      {
        figures: Type.String({ description: 'In the unit in which it was written' }),
        kind: oneOf(['digit', 'swapped', 'radius', 'diameter', 'inches', 'millimetres'] as const),
      },
      { description: 'What a size that speaks strongly against it was probably meant to be: with it all agrees' },
    ),
  ),
  recordDoubtful: Type.Optional(
    Type.Literal(true, {
      description:
        'It stands alone in its family in this size, and what was measured is what the others have: the record may be wrong',
    }),
  ),
});

const CandidateSchema = Type.Object({
  pattern: Type.String({ description: 'Id of the pattern, or of the variant' }),
  label: Type.String({ description: 'What it is called in full' }),
  name: Type.String(),
  under: Type.String({ description: 'Family, years, rating' }),
  probability: Type.Number(),
  pulls: list(PullSchema),
  own: Type.Optional(
    list(
      Type.Object({
        text: Type.String({ description: 'The words of the reading' }),
        id: Type.Optional(Type.String({ description: 'Id of the size, look or face; absent for a mark' })),
        confirmed: Type.Boolean({ description: 'A repeat or a second instrument bears it out' }),
        asOn: Type.Optional(Type.String({ description: 'Id of another pattern that has it so' })),
        againstWear: Type.Boolean({ description: 'Work, but no wear, makes it so' }),
      }),
      { description: 'Of a part like this pattern, but none of it: what it has otherwise' },
    ),
  ),
});
export type CandidateTold = Static<typeof CandidateSchema>;

/** A line-up as it is told. */
export const LineUpSchema = Type.Object({
  kind: DescribedSchema,
  status: oneOf<Status>(STATUSES),
  heldBy: Type.Optional(oneOf<HeldBy>(['contradiction', 'houseRule', 'looksOnly'])),
  says: Type.String({ description: 'The status in a sentence' }),
  none: Type.Number({ description: 'Probability that the part is in no catalogue, and none of the sisters here' }),
  weighed: Type.Integer({ description: 'How many patterns were weighed' }),
  candidates: list(CandidateSchema),
  readings: list(ReadingToldSchema, { description: 'The readings as understood' }),
  unmeasured: list(Type.String(), {
    description: 'Ids of key sizes of the kind that nobody has measured, of those the first candidate states',
  }),
  unused: list(Type.String(), { description: 'Readings the catalogue has nothing to hold against' }),
  doubts: list(Type.Object({ text: Type.String(), says: SentenceSchema }), {
    description: 'What is doubtful about how something was measured',
  }),
});
export type LineUpTold = Static<typeof LineUpSchema>;

const CheckSchema = Type.Object({
  key: Type.String({ description: 'Sort and id; what `skipped` takes' }),
  sort: oneOf(['size', 'look', 'mark'] as const),
  id: Type.String(),
  name: Type.String(),
  how: Type.String(),
  instrument: Type.Optional(Type.String()),
  minutes: Type.Number(),
  reach: oneOf<Reach>(REACHES, 'How far the engine must be apart'),
  dismantling: Type.Number({ description: 'Minutes of taking apart before it' }),
  onceMore: Type.Optional(
    Type.Literal(true, { description: 'It was read before, and is to be read again: it speaks against all else' }),
  ),
  bits: Type.Number({ description: 'Expected drop in uncertainty' }),
  settles: Type.Number({ description: 'Chance that the part is named beyond reasonable doubt afterwards' }),
  answers: Type.Optional(list(Type.String(), { description: 'What a look can come to' })),
  drawing: Type.Optional(Type.String({ description: 'Where it sits on the drawing' })),
});
export type CheckTold = Static<typeof CheckSchema>;

const AdviceSchema = Type.Object({
  uncertainty: Type.Number({ description: 'Bits; 1 is two candidates alike' }),
  checks: list(CheckSchema, { description: 'What gains the most a minute first' }),
  plan: list(CheckSchema),
  separation: Type.Optional(
    Type.Object({
      between: list(Type.String()),
      names: list(Type.String(), { description: 'What the two are called' }),
      state: oneOf(['open', 'blocked', 'alike'] as const),
      blockedBy: list(Type.String()),
      tooClose: list(SentenceSchema),
    }),
  ),
});
export type AdviceTold = Static<typeof AdviceSchema>;

/** What a part is, and what to check next. */
export const identify = question({
  path: '/identify',
  says: true,
  summary: 'Rank the patterns of the catalogue by what was read, and say what to check next',
  subject: 'bench',
  request: Type.Object(
    {
      kind: KindSchema,
      entry: Entry,
      usual: Usual,
      readings: Type.Optional(Readings),
      state: Type.Optional(oneOf<Reach>(REACHES, 'How far the engine is apart; on the bench where nothing is said')),
      skipped: Type.Optional(
        Type.Array(Type.String({ maxLength: 100 }), {
          maxItems: 200,
          description: 'Keys of checks that cannot be got at',
        }),
      ),
      most: Type.Optional(Type.Integer({ minimum: 1, maximum: 50, description: 'How many candidates to return' })),
      units: Type.Optional(WordingSchema),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({ ...LineUpSchema.properties, next: AdviceSchema }),
  example: {
    kind: 'crank',
    entry: 'cast 41?7 main 2.349in mic pin 52.05 stroke 3.375" forged 8 weights',
    most: 3,
    units: 'metric',
  },
});

/** How the weight of one reading for one pattern was worked out, a line a step. */
export const calculation = question({
  path: '/identify/calculation',
  says: true,
  summary: 'How the weight of one reading for one pattern was worked out',
  subject: 'bench',
  request: Type.Object(
    {
      kind: KindSchema,
      readings: Readings,
      pattern: Type.String({ maxLength: 80 }),
      text: Type.String({ maxLength: 20_000, description: 'The words of the reading' }),
      units: Type.Optional(WordingSchema),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({ steps: list(SentenceSchema) }),
  example: {
    kind: 'crank',
    readings: [MAIN_READ],
    pattern: 'sluice-crank-3375-forged',
    text: 'main 2.3482in mic',
  },
});

const PartInEngineSchema = Type.Object({
  specimen: Type.String(),
  name: Type.String(),
  kind: KindSchema,
  status: LineUpSchema.properties.status,
  says: Type.String(),
  first: Type.Optional(Type.String({ description: 'The likeliest pattern' })),
  belongs: Type.Optional(Type.Number({ description: 'Probability that it came with the likeliest engine' })),
  expected: list(Type.String(), { description: 'Patterns that the likeliest engine carries there' }),
  because: SentenceSchema,
});
export type PartInEngineTold = Static<typeof PartInEngineSchema>;

/** What engine it is, from what is claimed of it and from its parts together. */
export const engine = question({
  path: '/engine',
  says: true,
  summary: 'What engine it is, from its claims and parts together; which part does not belong, and what is mixed',
  subject: 'jobs',
  request: Type.Object(
    {
      entry: Type.Optional(
        Type.String({
          maxLength: 20_000,
          description: 'What is claimed and seen of the engine as a whole, as for the entry line',
        }),
      ),
      readings: Type.Optional(Readings),
      specimens: Type.Array(SpecimenSchema, { maxItems: 200 }),
      units: Type.Optional(WordingSchema),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    engine: LineUpSchema,
    parts: list(PartInEngineSchema),
    alike: list(
      Type.Object({
        variant: Type.String({ description: 'An engine that what was read does not tell from the likeliest' }),
        tellBy: list(KindSchema, { description: 'Kinds in which they differ; none where no part tells' }),
        says: SentenceSchema,
      }),
    ),
    mixed: list(findingSchema(Type.String({ description: 'Id of a specimen' }))),
  }),
  example: {
    entry: 'year 1962, machine frost fan',
    specimens: [
      {
        id: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11',
        name: 'Frost fan crank, bin 4',
        kind: 'crank',
        readings: [
          {
            id: '0b3c0a52-5a9c-4b51-9d0e-0f6b1c2d3e4f',
            at: '2026-03-02T08:10:00.000Z',
            is: MAIN_READ,
          },
        ],
      },
    ],
    units: 'inch',
  },
});
