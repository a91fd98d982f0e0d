import { Type } from '@sinclair/typebox';
import { MOST_IN_POOL, SHEETS, STRIPS, type StripId } from '../fit/index.js';
import { oneOf } from '../quantity/oneOf.js';
import { SpecimenSchema } from '../readings/reading.js';
import { MOST_OF_SHELF, MOST_TOGETHER } from './limits.js';
import { question } from './question.js';
import { BandSchema, IdSchema, KindSchema, list, SentenceSchema, VerdictSchema, WordingSchema } from './schema.js';

const EXAMPLE = {
  id: '00000000-0000-4000-8000-000000000000',
  name: 'Crank',
  kind: 'crank' as const,
  readings: [],
};

const PositionSchema = Type.Integer({ minimum: 1, description: 'Counted from the front' });
const SheetOfSchema = oneOf<string>(
  SHEETS.map(({ parameter }) => parameter.id),
  'Size that the sheet is of',
);

/** A measuring sheet, judged. */
export const fitSheet = question({
  path: '/fit/sheet',
  says: true,
  needs: ['specimen'],
  summary: 'A measuring sheet of one part: each place against what it was made to, round and parallel',
  subject: 'fit',
  request: Type.Object(
    {
      specimenId: Type.Optional(Type.String({ format: 'uuid', description: 'Stored specimen' })),
      specimen: Type.Optional(SpecimenSchema),
      sheet: SheetOfSchema,
      units: Type.Optional(WordingSchema),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    taken: Type.Optional(Type.String({ description: 'What it is taken to be' })),
    places: Type.Integer({ description: 'How many there are' }),
    banks: list(list(PositionSchema), {
      description: 'Cylinders of a block as they lie, bank by bank from the front; empty where places lie in one row',
    }),
    judged: list(
      Type.Object({
        position: Type.Optional(PositionSchema),
        size: BandSchema,
        outOfRound: Type.Optional(Type.Number({ description: 'As measured' })),
        taper: Type.Optional(Type.Number()),
        verdict: VerdictSchema,
        says: list(SentenceSchema),
        step: Type.Optional(Type.Integer({ description: 'Service size it stands at; 0 as made' })),
      }),
    ),
    specified: Type.Optional(BandSchema),
    wearLimit: Type.Optional(Type.Number()),
    cleansUp: Type.Optional(
      Type.Object(
        { step: Type.Integer(), size: BandSchema },
        { description: 'First service size at which every place cleans up' },
      ),
    ),
    tool: Type.Optional(Type.Object({ says: SentenceSchema }, { description: 'What the instrument does not tell' })),
  }),
  example: { sheet: 'crank.mainJournal.diameter', specimen: EXAMPLE },
});

const ShellSchema = Type.Object({
  says: Type.String({ description: 'Which; two where halves of two are mixed' }),
  patterns: list(IdSchema),
  table: Type.Optional(Type.String({ description: 'The maker’s table that gives it' })),
  wall: BandSchema,
  clearance: BandSchema,
  verdict: VerdictSchema,
  orElse: list(Type.String(), { description: 'Others that it may be as well' }),
});

/** Shells place by place. */
export const fitShells = question({
  path: '/fit/shells',
  says: true,
  needs: ['partsOfJob', 'shelfOfShells'],
  summary: 'Shells place by place, by class marks and by measure, side by side',
  subject: 'fit',
  request: Type.Object(
    {
      bearing: oneOf(['mains', 'bigEnds'] as const, 'Which row of bearings'),
      jobId: Type.Optional(Type.String({ format: 'uuid', description: 'Stored job whose parts are meant' })),
      specimens: Type.Optional(
        Type.Array(SpecimenSchema, {
          maxItems: MOST_TOGETHER,
          description: 'Crank, and block or rods; rods in the order of their cylinders',
        }),
      ),
      variant: Type.Optional(IdSchema),
      mixed: Type.Optional(Type.Boolean({ description: 'Whether the maker allows halves of two shells in one place' })),
      strip: Type.Optional(
        oneOf<StripId>(
          STRIPS.map(({ id }) => id),
          'Sort of crush strip whose widths were measured on the journals; nothing to leave them out',
        ),
      ),
      shelf: Type.Optional(
        Type.Array(SpecimenSchema, {
          maxItems: MOST_OF_SHELF,
          description: 'Shells that may be taken; by themselves those on the shelf that are put aside for no other job',
        }),
      ),
      units: Type.Optional(WordingSchema),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    missing: list(KindSchema, { description: 'Kinds of part without which nothing can be told' }),
    places: list(
      Type.Object({
        position: PositionSchema,
        required: BandSchema,
        byMark: Type.Optional(ShellSchema),
        byMeasure: Type.Optional(ShellSchema),
        disagree: Type.Optional(Type.Boolean()),
        byStrip: Type.Optional(
          Type.Object({
            clearance: Type.Optional(BandSchema),
            verdict: VerdictSchema,
            says: Type.Optional(SentenceSchema),
          }),
        ),
        onShelf: Type.Optional(
          Type.Object(
            {
              specimen: Type.String({ format: 'uuid' }),
              name: Type.String(),
              wall: BandSchema,
              clearance: BandSchema,
              verdict: VerdictSchema,
            },
            { description: 'A pair from the shelf that does there; each pair stands in one place' },
          ),
        ),
        says: list(SentenceSchema),
        regrind: Type.Optional(Type.Object({ step: Type.Integer(), journal: BandSchema, shell: Type.String() })),
      }),
    ),
  }),
  example: { bearing: 'mains', specimens: [] },
});

/** Worn cylinders: what is done, and what it costs whole. */
export const fitBores = question({
  path: '/fit/bores',
  says: true,
  needs: ['specimen'],
  summary: 'Worn cylinders: bored, sleeved or with new liners, each with its whole bill',
  subject: 'fit',
  request: Type.Object(
    {
      specimenId: Type.Optional(Type.String({ format: 'uuid', description: 'Stored block or liner' })),
      specimen: Type.Optional(SpecimenSchema),
      variant: Type.Optional(
        Type.String({ maxLength: 80, description: 'Engine it goes into; by itself one it is on record in' }),
      ),
      pistons: Type.Optional(
        Type.Array(SpecimenSchema, {
          maxItems: MOST_IN_POOL,
          description: 'Measured pistons to be seated in the bores of a block',
        }),
      ),
      eachItsOwn: Type.Optional(
        Type.Boolean({ description: 'Whether the maker allows cylinders of different sizes in one engine' }),
      ),
      units: Type.Optional(WordingSchema),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    engine: Type.Optional(Type.String({ description: 'Whose pistons, rings and liners are reckoned with' })),
    measured: Type.Boolean({ description: 'Whether any of its bores was; where none was every size stands there' }),
    cleansUpAt: Type.Optional(
      Type.Integer({ description: 'First service size at which every cylinder cleans up; 0 where none needs it' }),
    ),
    seating: Type.Optional(
      Type.Object(
        {
          wanted: BandSchema,
          spread: Type.Number({ description: 'Largest clearance less smallest' }),
          seated: list(
            Type.Object({
              cylinder: PositionSchema,
              bore: BandSchema,
              piston: Type.String({ description: 'Specimen id' }),
              name: Type.String(),
              clearance: BandSchema,
              verdict: VerdictSchema,
              honeTo: Type.Optional(BandSchema),
              says: Type.Optional(SentenceSchema),
            }),
          ),
        },
        {
          description:
            'Which piston goes where, and what the cylinder is honed to; absent where bores or skirts are not measured',
        },
      ),
    ),
    ways: list(
      Type.Object({
        id: oneOf(['asItIs', 'bore', 'boreEach', 'sleeveSome', 'sleeve', 'liners'] as const),
        name: Type.String(),
        step: Type.Optional(Type.Number({ description: 'Over standard, millimetres' })),
        size: Type.Optional(BandSchema),
        wallLeft: Type.Optional(BandSchema),
        steps: list(Type.String({ description: 'Operations, in order' })),
        hours: Type.Number(),
        labour: Type.Number({ description: 'In the shop’s money' }),
        bought: list(
          Type.Object({
            what: Type.String(),
            pattern: Type.Optional(IdSchema),
            step: Type.Optional(Type.Number()),
            price: Type.Optional(Type.Number({ description: 'Of enough for one engine' })),
          }),
        ),
        total: Type.Number(),
        priced: Type.Boolean({ description: 'Whether all that is bought has a price' }),
        canUndo: Type.Boolean(),
        caution: Type.Optional(Type.String()),
        says: list(SentenceSchema),
        refused: Type.Optional(Type.String()),
      }),
    ),
    rule: Type.String({ description: 'What the shop does first, by its house rule' }),
  }),
  example: { specimen: { ...EXAMPLE, name: 'Block', kind: 'block' as const } },
});

const PieceSchema = Type.Object({
  id: Type.String({ format: 'uuid' }),
  name: Type.String(),
  figures: list(Type.Union([Type.Number(), Type.Null()])),
  comesOff: list(
    Type.Object({
      of: Type.String({ description: 'Id of the weight that is too much' }),
      grams: Type.Number(),
      from: Type.Optional(
        Type.String({ description: 'Pad, boss or cap; absent where such a part is not lightened: choose another' }),
      ),
    }),
    { description: 'What has to come off before the set is within what is allowed' },
  ),
});

/** Sets from a pool. */
export const fitSets = question({
  path: '/fit/sets',
  says: true,
  summary: 'The best set of so many from a pool, proved, and who goes with whom so that all throws weigh alike',
  subject: 'fit',
  request: Type.Object(
    {
      pool: Type.Array(SpecimenSchema, { minItems: 1, maxItems: MOST_IN_POOL }),
      count: Type.Integer({ minimum: 1, maximum: 16 }),
      engines: Type.Optional(
        Type.Integer({
          minimum: 1,
          maximum: 8,
          description: 'Engines that each get a set, no piece twice; one where absent',
        }),
      ),
      by: Type.Array(
        Type.Object(
          {
            of: Type.String({ maxLength: 80, description: 'Id of a parameter' }),
            allowed: Type.Number({ exclusiveMinimum: 0, description: 'How far it may spread, inside unit' }),
          },
          { additionalProperties: false },
        ),
        { minItems: 1, maxItems: 2, description: 'What is to agree, what matters most first' },
      ),
      partners: Type.Optional(
        Type.Array(
          Type.Object(
            {
              specimens: Type.Array(SpecimenSchema, { maxItems: 16, description: 'As many as the set has' }),
              by: Type.String({ maxLength: 80, description: 'Id of their weight' }),
            },
            { additionalProperties: false },
          ),
          {
            maxItems: 2,
            description:
              'What goes with each of a set and is added to its first figure: weights of rods and pins, or lengths of rods to heights of pistons',
          },
        ),
      ),
      balance: Type.Optional(
        Type.Object(
          {
            factor: Type.Number({ minimum: 0, maximum: 1, description: 'Share of what goes up and down' }),
            rods: Type.Integer({ minimum: 1, maximum: 4, description: 'Rods on a crankpin' }),
          },
          { additionalProperties: false, description: 'What a bobweight is reckoned with' },
        ),
      ),
      units: Type.Optional(WordingSchema),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    types: list(
      Type.Object({
        name: Type.String({ description: 'What they are taken to be' }),
        count: Type.Integer({ description: 'How many of the pool' }),
      }),
    ),
    sets: list(
      Type.Object({
        of: Type.String({ description: 'What its pieces are taken to be' }),
        chosen: list(PieceSchema),
        spreads: list(Type.Number()),
        within: Type.Boolean({ description: 'Whether all spreads are allowed' }),
      }),
      { description: 'A set for each engine, the closest first; none where there are not enough' },
    ),
    next: Type.Optional(
      Type.Object(
        { without: list(Type.String()), spreads: list(Type.Number()) },
        { description: 'Of one engine, the best set but one: what it does without, and how far it spreads' },
      ),
    ),
    left: list(Type.Object({ id: Type.String(), name: Type.String(), why: Type.String() })),
    throws: list(
      Type.Object({
        cylinder: PositionSchema,
        pieces: list(Type.String(), { description: 'Partners in their order, then the piece of the set' }),
        sum: Type.Number(),
      }),
      { description: 'Of one engine, who goes with whom, so that all throws weigh alike' },
    ),
    throwsSpread: Type.Optional(Type.Number()),
    throwsProved: Type.Optional(Type.Boolean({ description: 'Whether nothing closer exists' })),
    bobweight: Type.Optional(
      Type.Object(
        { reciprocating: Type.Number(), rotating: Type.Number(), weight: Type.Number() },
        { description: 'Grams, means of the set and its partners; rings and shells are not weighed here' },
      ),
    ),
    says: SentenceSchema,
  }),
  example: {
    pool: [{ ...EXAMPLE, name: 'Piston', kind: 'piston' }],
    count: 1,
    by: [{ of: 'piston.mass', allowed: 2 }],
  },
});
