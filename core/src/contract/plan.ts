import { Type, type Static } from '@sinclair/typebox';
import { BuildSchema } from '../build/index.js';
import { DemandsSchema } from '../planner/index.js';
import type { QuantityKind } from '../quantity/unit.js';
import { SpecimenSchema } from '../readings/reading.js';
import { CURRENCY } from '../job/job.js';
import { OPERATION_IDS, type OperationId } from '../joints/operations/operations.js';
import { oneOf } from '../quantity/oneOf.js';
import { OfferSchema } from './documents.js';
import { MOST_OF_SHELF, MOST_OFFERS, MOST_TOGETHER } from './limits.js';
import { question } from './question.js';
import { BandSchema, IdSchema, KindSchema, list, SentenceSchema, VerdictSchema, WordingSchema } from './schema.js';

const Quantity = Type.Unsafe<QuantityKind>({ type: 'string', description: 'Lengths are millimetres' });

/** What sets are looked for by. */
export const SetsAskedSchema = Type.Object(
  {
    build: BuildSchema,
    demands: DemandsSchema,
    specimens: Type.Optional(
      Type.Array(SpecimenSchema, { maxItems: MOST_TOGETHER, description: 'Those that the build names' }),
    ),
    shelf: Type.Optional(
      Type.Array(SpecimenSchema, {
        maxItems: MOST_OF_SHELF,
        description: 'Parts that may be taken; those of the shelf and of the build’s job where nothing is said',
      }),
    ),
    sellers: Type.Optional(
      Type.Array(
        Type.Object(
          { id: Type.String({ maxLength: 80 }), name: Type.String({ maxLength: 120 }), currency: CURRENCY },
          { additionalProperties: false },
        ),
        {
          maxItems: 1000,
          description:
            'Those it may be bought from; all suppliers where nothing is said. The shop’s money is that of most of them',
        },
      ),
    ),
    offers: Type.Optional(
      Type.Array(OfferSchema, {
        maxItems: MOST_OFFERS,
        description: 'What they sell; by itself what their lists have',
      }),
    ),
    units: Type.Optional(WordingSchema),
  },
  { additionalProperties: false },
);

const PartSchema = Type.Object({
  slot: Type.String(),
  name: Type.String({ description: 'What the place is called' }),
  kind: KindSchema,
  label: Type.String(),
  pattern: Type.Optional(IdSchema),
  size: Type.Optional(Type.Number({ description: 'Service size it is bought in, from standard, millimetres' })),
  from: Type.Union([Type.Literal('there'), Type.Literal('shelf'), Type.Literal('bought')]),
  asked: Type.Boolean({ description: 'Whether it was looked for; else it was given' }),
  price: Type.Number({ description: 'With the work that is planned on it' }),
  unpriced: Type.Optional(
    Type.Boolean({ description: 'Nobody put its price down: it is reckoned as the dearest of its kind' }),
  ),
  supplier: Type.Optional(Type.String({ description: 'Who sells it, where a list has it' })),
  days: Type.Optional(Type.Integer({ description: 'Until it can be had; absent where nobody says' })),
  work: list(Type.String(), { description: 'What is done to it to bring figures where they are wanted' }),
});

const WorkSchema = Type.Object({
  name: Type.String(),
  says: SentenceSchema,
  hours: Type.Number(),
  price: Type.Number(),
  canUndo: Type.Boolean(),
  buys: list(Type.String({ description: 'What is got for it' })),
  caution: Type.Optional(Type.String()),
});

const FigureSchema = Type.Object({
  figure: Type.String(),
  name: Type.String(),
  quantity: Quantity,
  reaches: Type.Optional(BandSchema),
  low: Type.Optional(Type.Number()),
  high: Type.Optional(Type.Number()),
  wished: Type.Boolean(),
  outside: Type.Number({ description: 'How many widths of its band it lies outside' }),
  needs: list(Type.Object({ id: Type.String(), name: Type.String() })),
});

const SetSchema = Type.Object({
  score: Type.Number({ description: 'What sets are ranked by, the less the better' }),
  verdict: VerdictSchema,
  price: Type.Number({ description: 'Parts and work together, in the shop’s money' }),
  hours: Type.Number(),
  buys: Type.Integer(),
  days: Type.Integer({ description: 'Until all that is bought can be had, as far as anybody says' }),
  unpromised: Type.Boolean({ description: 'Of some of what is bought nobody says when it can be had' }),
  irreversible: Type.Integer({ description: 'Pieces of work that cannot be taken back' }),
  checks: Type.Integer(),
  parts: list(PartSchema),
  work: list(WorkSchema, { description: 'What the joints want besides, in order' }),
  figures: list(FigureSchema),
  open: list(
    Type.Object({
      joint: Type.String(),
      check: Type.String(),
      says: SentenceSchema,
      needs: list(Type.Object({ id: Type.String(), name: Type.String() })),
    }),
    { description: 'Checks that cannot be told yet, and nothing is against' },
  ),
  closest: list(
    Type.Object({
      joint: Type.String(),
      check: Type.String(),
      quantity: Quantity,
      found: BandSchema,
      required: BandSchema,
      atLeast: Type.Optional(Type.Boolean({ description: 'Only the low end of what is required counts' })),
    }),
    { description: 'Checks that agree by the least, with the work done; of sets so far none' },
  ),
  differs: list(Type.String(), { description: 'Places in which it differs from the first' }),
  cautions: list(Type.String()),
  places: list(BuildSchema.properties.places.items, {
    description: 'The same as the places of a build, with the work that can be planned there by an amount',
  }),
  besides: list(Type.Object({ on: Type.String(), operation: oneOf<OperationId>(OPERATION_IDS, 'What is done') }), {
    description: 'What the machine shop does besides; `on` is a place of the engine',
  }),
});
export type SetTold = Static<typeof SetSchema>;

/** How far a search for sets has come. */
export const PlanProgressSchema = Type.Object({
  combinations: Type.Number({ description: 'Choices there are, all told' }),
  nodes: Type.Integer(),
  looked: Type.Integer({ description: 'Whole sets that were looked at' }),
  bound: Type.Optional(Type.Number({ description: 'No set that was not looked at yet scores less' })),
  sets: list(SetSchema, { description: 'The best so far' }),
});
export type PlanProgress = Static<typeof PlanProgressSchema>;

const DemandSchema = Type.Object({ id: Type.String(), says: SentenceSchema });

const EXAMPLE = {
  build: {
    id: '00000000-0000-4000-8000-000000000000',
    name: '336 with another crank',
    variant: 'sluice-336',
    places: [],
    sizes: [],
  },
  demands: {
    places: [
      { slot: 'crank', from: 'any' },
      { slot: 'piston', from: 'any' },
    ],
    targets: [{ figure: 'displacement', low: 5750, high: 5950 }],
    answers: 2,
  },
  units: 'metric',
};

/** How much there is to look through, before it is begun. */
export const planChoices = question({
  path: '/plan/choices',
  says: true,
  needs: ['partsOfBuild', 'sellers', 'shelfForBuild'],
  summary: 'How many choices demands leave, place by place; refuses demands that make no sense',
  subject: 'builds',
  request: SetsAskedSchema,
  answer: Type.Object({
    combinations: Type.Number({ description: 'Choices there are, all told' }),
    options: list(Type.Object({ slot: Type.String(), name: Type.String(), count: Type.Integer() })),
    numbers: list(Type.String(), {
      description: 'Numbers by which price lists may have what could be bought; the first 2,001 of them',
    }),
  }),
  example: EXAMPLE,
});

/** Which sets work. */
export const planSets = question({
  path: '/plan/sets',
  says: true,
  needs: ['partsOfBuild', 'sellers', 'offers', 'shelfForBuild'],
  summary: 'The best sets of parts that meet demands, proved to be the best, or with how far it came',
  subject: 'builds',
  long: true,
  request: SetsAskedSchema,
  answer: Type.Object({
    sets: list(SetSchema, {
      description:
        'The best first; each differs from the others in a part or its size. For several engines a set for each, as many as there is enough for',
    }),
    engines: Type.Optional(Type.Integer({ description: 'Engines that were asked for, where that are several' })),
    proved: Type.Boolean({ description: 'No better set exists' }),
    bound: Type.Optional(Type.Number({ description: 'No set that was not looked at scores less' })),
    combinations: Type.Number({ description: 'Choices there were, all told' }),
    nodes: Type.Integer(),
    looked: Type.Integer({ description: 'Whole sets that were looked at' }),
    options: list(Type.Object({ slot: Type.String(), name: Type.String(), count: Type.Integer() })),
    refused: list(Type.Object({ by: Type.String(), times: Type.Integer() }), {
      description: 'What ruled most out, the most often first',
    }),
    worth: list(Type.Object({ id: Type.String(), name: Type.String(), sets: Type.Integer() }), {
      description: 'What to measure: how many of these sets are open for want of it',
    }),
  }),
  example: EXAMPLE,
});

/** What each demand costs. */
export const planWorth = question({
  path: '/plan/worth',
  says: true,
  needs: ['partsOfBuild', 'sellers', 'offers', 'shelfForBuild'],
  summary: 'What each demand costs by itself: the best set there would be without it',
  subject: 'builds',
  long: true,
  request: Type.Object(
    {
      ...SetsAskedSchema.properties,
      best: Type.Optional(
        Type.Number({ description: 'Score of the best set, where that is known; else it is looked for first' }),
      ),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    worth: list(
      Type.Object({
        demand: DemandSchema,
        saves: Type.Number({ description: 'How much less the best set counts without it' }),
        set: SetSchema,
        proved: Type.Boolean({ description: 'Nothing better exists without it' }),
      }),
      { description: 'The dearest first' },
    ),
    atHand: list(
      Type.Object({
        slot: Type.String(),
        name: Type.String({ description: 'What the place is called' }),
        label: Type.String({ description: 'The part that would be worth it' }),
        saves: Type.Number({ description: 'How much less the best set would count with it there already' }),
        proved: Type.Boolean(),
      }),
      { description: 'What parts would be worth that have to be bought, the dearest first' },
    ),
    proved: Type.Boolean({ description: 'All were looked at: demands that are not named cost nothing' }),
  }),
  example: EXAMPLE,
});

/** Why none does. */
export const planConflicts = question({
  path: '/plan/conflicts',
  says: true,
  needs: ['partsOfBuild', 'sellers', 'offers', 'shelfForBuild'],
  summary: 'The smallest sets of demands that cannot hold together, and what the best set is when some are let go',
  subject: 'builds',
  long: true,
  request: SetsAskedSchema,
  answer: Type.Object({
    conflicts: list(
      Type.Object({
        demands: list(DemandSchema),
        says: SentenceSchema,
        because: list(Type.String(), { description: 'What refuses most while these are held' }),
      }),
      { description: 'Each minimal: without any one of its demands the others can be met' },
    ),
    relaxations: list(
      Type.Object({
        demands: list(DemandSchema, { description: 'What is let go' }),
        set: SetSchema,
        proved: Type.Boolean(),
      }),
      { description: 'The cheapest first' },
    ),
    proved: Type.Boolean({ description: 'Everything was looked at to its end' }),
  }),
  example: {
    ...EXAMPLE,
    demands: { places: [{ slot: 'piston', from: 'any' }], targets: [{ figure: 'displacement', low: 6500 }] },
  },
});
