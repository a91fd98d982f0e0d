import { Type, type Static } from '@sinclair/typebox';
import { oneOf } from '../quantity/oneOf.js';
import type { QuantityKind } from '../quantity/unit.js';
import { REACHES, type Reach } from '../dictionary/definition.js';
import { KnownSwapSchema } from '../catalogue/pattern.js';
import { INSTRUMENT_IDS, type InstrumentId } from '../quantity/instrument.js';
import { SpecimenSchema } from '../readings/reading.js';
import { MOST_A_SIDE, MOST_LISTED, MOST_OF_SHELF } from './limits.js';
import { AddressSchema, PartRefSchema } from './parts.js';
import { question } from './question.js';
import { BandSchema, KindSchema, list, SentenceSchema, VerdictSchema, WordingSchema } from './schema.js';

const OptionSchema = Type.Object({
  name: Type.String(),
  says: SentenceSchema,
  found: Type.Optional(BandSchema),
  required: Type.Optional(BandSchema),
  steps: list(Type.String({ description: 'Operations, in order' })),
  buy: list(Type.String({ description: 'Pattern ids to be got for it' })),
  hours: Type.Number(),
  price: Type.Number({ description: 'In the shop’s money' }),
  comesAlong: Type.Optional(
    Type.Literal(true, { description: 'What it takes comes with what is put in, and has not to be bought' }),
  ),
  canUndo: Type.Boolean(),
  caution: Type.Optional(Type.String()),
  elsewhere: list(
    Type.Object({ check: Type.String(), before: VerdictSchema, after: VerdictSchema, says: SentenceSchema }),
    {
      description: 'What it does to other checks',
    },
  ),
});
export type OptionTold = Static<typeof OptionSchema>;

const JudgedCheckSchema = Type.Object({
  id: Type.String(),
  name: Type.String(),
  confirming: Type.Optional(
    Type.Boolean({ description: 'Looked at in assembly anyway: nobody refuses to build before it is known' }),
  ),
  likely: Type.Optional(
    oneOf(
      ['fits', 'fitsWithWork'] as const,
      'Of an open check: what it comes to by what the parts are on record with, or by what their families make likely',
    ),
  ),
  likelyIf: Type.Optional(
    list(
      Type.Object({
        id: Type.String({ description: 'Of a size, look or face that nobody put down' }),
        is: Type.Union([BandSchema, Type.String()], { description: 'Limits of a size, an option, or a pattern' }),
        probability: Type.Number({ minimum: 0, maximum: 1 }),
        says: SentenceSchema,
      }),
      { description: 'What it rests on where the family of a part makes it likely' },
    ),
  ),
  verdict: VerdictSchema,
  quantity: Type.Unsafe<QuantityKind>({ type: 'string', description: 'Lengths are millimetres' }),
  found: Type.Optional(BandSchema),
  required: Type.Optional(BandSchema),
  atLeast: Type.Optional(Type.Boolean({ description: 'Only the low end of required counts' })),
  margin: Type.Optional(Type.Number()),
  ruleOfThumb: Type.Optional(SentenceSchema),
  because: SentenceSchema,
  work: list(OptionSchema),
  needs: list(Type.String()),
  caution: Type.Optional(Type.String()),
});
export type JudgedCheckTold = Static<typeof JudgedCheckSchema>;

const JudgedJointSchema = Type.Object({
  id: Type.String(),
  name: Type.String(),
  about: Type.Optional(Type.String()),
  verdict: VerdictSchema,
  checks: list(JudgedCheckSchema),
});
export type JudgedJointTold = Static<typeof JudgedJointSchema>;

const NeedSchema = Type.Object({
  id: Type.String(),
  name: Type.String(),
  minutes: Type.Number(),
  reach: Type.Optional(oneOf<Reach>(REACHES)),
  instrument: Type.Optional(oneOf<InstrumentId>(INSTRUMENT_IDS)),
});
export type NeedTold = Static<typeof NeedSchema>;

export const SwapFields = {
  donor: Type.String(),
  recipient: Type.String(),
  verdict: VerdictSchema,
  says: SentenceSchema,
  agree: Type.Integer({ description: 'Checks that agree as it is' }),
  byWork: Type.Integer({ description: 'Checks that agree by work' }),
  likely: Type.Integer({
    description: 'Open checks that are right, if the parts are as is likely by what is on record',
  }),
  recordedIn: list(Type.String(), { description: 'Engines in which both are on record together' }),
  standing: Type.Number({
    description: 'How an open answer stands among others: the larger, the likelier to prove right',
  }),
  nothingAgainst: Type.Boolean({
    description: 'The answer is open, nothing refuses it, and at least half of what decides agrees',
  }),
  judged: Type.Integer({ description: 'Checks that had the data to be judged' }),
  checks: Type.Integer(),
  needs: list(NeedSchema, { description: 'What to find out, the quickest first' }),
  companions: list(Type.String({ description: 'Pattern ids that must come along' })),
  hours: Type.Number(),
  price: Type.Number({ description: 'Of the work, with what is bought for it' }),
  buys: list(Type.String(), { description: 'Pattern ids to be bought for it' }),
  cautions: list(Type.String()),
  leftOut: list(Type.Object({ joint: Type.String(), lacking: list(KindSchema) }), {
    description: 'Joints not looked at, and the kinds that are wanting',
  }),
  joints: list(JudgedJointSchema),
};

const JudgementSchema = Type.Object({
  ...SwapFields,
  instead: list(
    Type.Object({
      old: Type.String({ description: 'What would have to be machined' }),
      pattern: Type.String({ description: 'Pattern id of what would drop in' }),
      label: Type.String(),
      price: Type.Optional(Type.Number({ description: 'For as many as the engine takes' })),
    }),
    { description: 'What may be bought instead of machining' },
  ),
  known: list(KnownSwapSchema, { description: 'What is on record about it; it outranks what is worked out' }),
  superseded: list(
    Type.Object({
      pattern: Type.String(),
      number: Type.String(),
      by: Type.String({ description: 'The number that lives today' }),
      through: list(Type.String(), { description: 'Numbers in between, which were replaced as well' }),
      circle: Type.Boolean({ description: 'The records replace these in a circle: none can be ordered' }),
      patterns: list(Type.String(), { description: 'Patterns that carry the living number' }),
    }),
  ),
  reverse: Type.Optional(
    Type.Object({
      donor: Type.String(),
      recipient: Type.String(),
      verdict: VerdictSchema,
      says: SentenceSchema,
      donors: list(AddressSchema, { description: 'What would come the other way' }),
      into: AddressSchema,
    }),
  ),
});
export type JudgementTold = Static<typeof JudgementSchema>;

/** Donors into recipients, joint by joint, and the other way round. */
export const interchange = question({
  path: '/interchange',
  says: true,
  needs: ['donors', 'recipients'],
  summary: 'Judge whether donors go into each recipient, joint by joint, and the other way round',
  subject: 'swap',
  request: Type.Object(
    {
      donors: Type.Array(PartRefSchema, { minItems: 1, maxItems: 20, description: 'Parts that come together' }),
      recipients: Type.Array(PartRefSchema, { minItems: 1, maxItems: 500, description: 'Each is judged by itself' }),
      units: Type.Optional(WordingSchema),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({ donor: Type.String(), swaps: list(JudgementSchema) }),
  example: {
    donors: [{ pattern: 'sluice-crank-3375-forged' }],
    recipients: [{ pattern: 'sluice-block-low-large' }, { variant: 'sluice-357' }],
    units: 'inch',
  },
});

const CountsSchema = Type.Object({
  fits: Type.Integer(),
  fitsWithWork: Type.Integer(),
  cannotTell: Type.Integer(),
  doesNotFit: Type.Integer(),
});

const TakingSchema = Type.Object({
  ref: AddressSchema,
  pattern: Type.Optional(
    Type.String({
      description: 'The pattern; of a specimen, the one it is taken for, where that is at least probable',
    }),
  ),
  specimenId: Type.Optional(Type.String({ description: 'Where it lies on the shelf' })),
  name: Type.String({ description: 'What it is called in full' }),
  short: Type.String({ description: 'The name without maker and family' }),
  family: Type.String(),
  verdict: VerdictSchema,
  says: SentenceSchema,
  agree: Type.Integer({ description: 'Checks that agree as it is' }),
  byWork: Type.Integer({ description: 'Checks that agree by work' }),
  standing: Type.Number({
    description: 'How an open answer stands among others: the larger, the likelier to prove right',
  }),
  checks: Type.Integer(),
  nothingAgainst: Type.Boolean({ description: 'Open, with nothing against it and half of what decides agreeing' }),
  hours: Type.Number(),
  price: Type.Number({ description: 'Of the work' }),
  partPrice: Type.Optional(Type.Number({ description: 'Of the part itself' })),
});
export type TakingTold = Static<typeof TakingSchema>;

/** What else takes a part, or goes where it is. */
export const whatElse = question({
  path: '/interchange/what-else',
  says: true,
  needs: ['part', 'shelfOfKind'],
  summary: 'What else of a kind takes a part, or goes where it is; out of the whole catalogue and the shelf',
  subject: 'swap',
  request: Type.Object(
    {
      part: PartRefSchema,
      kind: KindSchema,
      side: oneOf(
        ['recipient', 'donor'] as const,
        'recipient: what of that kind takes the part; donor: what of that kind goes where it is',
      ),
      most: Type.Optional(Type.Integer({ minimum: 1, maximum: MOST_LISTED, description: 'How many to return' })),
      shelf: Type.Optional(
        Type.Union(
          [
            Type.Boolean({
              description: 'Whether the specimens of the shelf stand among the many; they do where nothing is said',
            }),
            Type.Array(SpecimenSchema, { maxItems: MOST_OF_SHELF, description: 'The specimens that do' }),
          ],
          { description: 'Which specimens stand among the many' },
        ),
      ),
      refused: Type.Optional(
        Type.Boolean({
          description: 'Whether some that do not fit are listed after the best, as far as there is room',
        }),
      ),
      units: Type.Optional(WordingSchema),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    counts: CountsSchema,
    best: list(TakingSchema, {
      description:
        'By verdict, then by what the work costs, then by what the part is sold for; what does not fit is counted only, unless asked for',
    }),
  }),
  example: { part: { pattern: 'skerry-crank-6-112' }, kind: 'block', side: 'recipient', most: 10 },
});

/** Every engine, with the verdict on some donors in it. */
export const engines = question({
  path: '/interchange/engines',
  says: true,
  needs: ['donors'],
  summary: 'What engines of the catalogue take some parts together',
  subject: 'swap',
  long: true,
  request: Type.Object(
    {
      donors: Type.Array(PartRefSchema, { minItems: 1, maxItems: 20 }),
      most: Type.Optional(Type.Integer({ minimum: 1, maximum: MOST_LISTED })),
      units: Type.Optional(WordingSchema),
    },
    { additionalProperties: false },
  ),
  answer: whatElse.answer,
  example: { donors: [{ pattern: 'skerry-piston-112-160-super' }], most: 10 },
});

const ChosenSchema = Type.Object(
  {
    kind: KindSchema,
    patterns: Type.Optional(
      Type.Array(Type.String({ maxLength: 80 }), {
        minItems: 1,
        maxItems: MOST_A_SIDE,
        description: 'All of the kind where absent',
      }),
    ),
  },
  { additionalProperties: false },
);

const SIDES = {
  donors: ChosenSchema,
  recipients: ChosenSchema,
  first: Type.Optional(
    Type.Boolean({ description: `Of more than ${MOST_A_SIDE} a side take the first; otherwise that is refused` }),
  ),
};
/** Two kinds, and which of them. At most a thousand by a thousand. */
export const GridRequestSchema = Type.Object(SIDES, { additionalProperties: false });
export type GridRequest = Static<typeof GridRequestSchema>;

const GRID_EXAMPLE = {
  donors: { kind: 'crank' },
  recipients: { kind: 'block', patterns: ['sluice-block-low-small', 'sluice-block-low-large'] },
};
const JointNames = list(Type.Object({ id: Type.String(), name: Type.String() }));
const OnSideSchema = Type.Object({
  id: Type.String(),
  name: Type.String(),
  short: Type.String({ description: 'The name without the maker, for where there is little room' }),
});
export type OnSide = Static<typeof OnSideSchema>;

/** Many against many: a verdict for every pair. */
export const grid = question({
  path: '/interchange/grid',
  summary: 'Many against many: a verdict for every pair, and for every joint of it',
  subject: 'swap',
  long: true,
  request: GridRequestSchema,
  answer: Type.Object({
    donors: list(Type.String()),
    recipients: list(Type.String()),
    joints: JointNames,
    verdicts: list(Type.String(), {
      description:
        'A donor a line, a recipient a character: f fits, w with work, ? cannot tell, o cannot tell and nothing against it, x does not',
    }),
    refusedBy: list(list(list(Type.Integer())), {
      description: 'For every pair, the places in joints of those that refuse',
    }),
  }),
  example: GRID_EXAMPLE,
});

/** What a grid is about, before any of it is worked out. */
export const gridSides = question({
  path: '/interchange/grid/sides',
  summary: 'What stands on the sides of a grid, and the joints in which they meet',
  subject: 'swap',
  request: GridRequestSchema,
  answer: Type.Object({
    donors: list(OnSideSchema),
    recipients: list(OnSideSchema),
    joints: JointNames,
    all: Type.Object(
      { donors: Type.Integer(), recipients: Type.Integer() },
      { description: 'How many there are of the kinds in all' },
    ),
  }),
  example: GRID_EXAMPLE,
});
export type GridSides = Static<typeof gridSides.answer>;

/** Lines of a grid, as many as are worked out in one turn. */
export const gridRows = question({
  path: '/interchange/grid/rows',
  summary:
    'Lines of a grid from one on, as many as are worked out in one turn; a cell holds the verdicts of the whole and of each joint',
  subject: 'swap',
  long: true,
  request: Type.Object(
    { ...SIDES, from: Type.Integer({ minimum: 0, maximum: MOST_A_SIDE }) },
    { additionalProperties: false },
  ),
  answer: Type.Object({ rows: list(list(Type.Integer())) }),
  example: { ...GRID_EXAMPLE, from: 0 },
});

/** The order of a grid in which what interchanges freely stands together. */
export const gridOrder = question({
  path: '/interchange/grid/order',
  summary: 'An order of a grid in which what interchanges freely stands together',
  subject: 'swap',
  long: true,
  request: GridRequestSchema,
  answer: Type.Object({ donors: list(Type.Integer()), recipients: list(Type.Integer()) }),
  example: GRID_EXAMPLE,
});

/** Donors of a grid that are drop-in for one another. */
export const gridGroups = question({
  path: '/interchange/grid/groups',
  summary: 'Donors of a grid that are drop-in for one another, of all or of those that drop into one recipient',
  subject: 'swap',
  long: true,
  request: Type.Object(
    {
      ...SIDES,
      into: Type.Optional(Type.Integer({ minimum: 0, maximum: MOST_A_SIDE, description: 'Place of the recipient' })),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    groups: list(Type.Object({ donors: list(Type.Integer()), dropInto: list(Type.Integer()) })),
    open: list(
      Type.Object({
        donors: list(Type.Integer()),
        dropInto: list(Type.Integer()),
        mayDropInto: list(Type.Integer()),
      }),
      {
        description: 'Donors that may be drop-in for one another: nothing is against it, but not all of them is known',
      },
    ),
  }),
  example: GRID_EXAMPLE,
});
