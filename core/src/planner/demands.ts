import { Type, type Static } from '@sinclair/typebox';
import { PLANNED_IDS, type PlannedId } from '../build/index.js';
import { OPERATION_IDS, type OperationId } from '../joints/index.js';
import { oneOf } from '../quantity/oneOf.js';
import { MOST_ANSWERS, MOST_ENGINES, TAKEN_FROM, type TakenFrom } from './usual.js';

/** Places and targets more than this are no plan. */
const MOST_PLACES = 28;
const MOST_TARGETS = 12;
/** Nodes of a search after which it is stopped whatever it has. */
const MOST_EFFORT = 2_000_000;

const Money = Type.Number({ minimum: 0, maximum: 1e7 });
const IdList = Type.Array(Type.String({ maxLength: 80 }), { maxItems: 400 });

const PlaceDemandSchema = Type.Object(
  {
    slot: Type.String({ maxLength: 40, description: 'Place of an engine, as in fitments' }),
    from: oneOf<TakenFrom>(Object.keys(TAKEN_FROM) as TakenFrom[], 'Where its part may be taken from'),
    patterns: Type.Optional(IdList),
    specimens: Type.Optional(Type.Array(Type.String({ format: 'uuid' }), { maxItems: 400 })),
    mayStay: Type.Optional(
      Type.Boolean({ description: 'What the build or its engine has there may stay: it costs nothing' }),
    ),
  },
  { additionalProperties: false },
);
export type PlaceDemand = Static<typeof PlaceDemandSchema>;

const TargetSchema = Type.Object(
  {
    figure: Type.String({ maxLength: 40, description: 'Id of a figure of the build sheet' }),
    low: Type.Optional(Type.Number({ minimum: -1e6, maximum: 1e6, description: 'Inside unit of the figure' })),
    high: Type.Optional(Type.Number({ minimum: -1e6, maximum: 1e6 })),
    weight: Type.Optional(
      Type.Number({
        exclusiveMinimum: 0,
        maximum: 1e6,
        description:
          'Only wished: what one width of the band outside it counts, in money; absent where it must be reached',
      }),
    ),
  },
  { additionalProperties: false },
);
export type Target = Static<typeof TargetSchema>;

const WeightsSchema = Type.Partial(
  Type.Object({
    price: Type.Number({ minimum: 0, maximum: 1000, description: 'What a unit of money counts' }),
    hours: Type.Number({ minimum: 0, maximum: 1e5, description: 'What an hour of work counts besides its price' }),
    buys: Type.Number({ minimum: 0, maximum: 1e5, description: 'What each part counts that is not at hand' }),
    irreversible: Type.Number({ minimum: 0, maximum: 1e5, description: 'What work counts that cannot be undone' }),
    open: Type.Number({ minimum: 0, maximum: 1e5, description: 'What each check counts that cannot be told yet' }),
    days: Type.Number({ minimum: 0, maximum: 1e5, description: 'What each day counts until all of it can be had' }),
  }),
  { additionalProperties: false },
);

/** What a set of parts must be, and what makes one better than another. */
export const DemandsSchema = Type.Object(
  {
    places: Type.Array(PlaceDemandSchema, {
      minItems: 1,
      maxItems: MOST_PLACES,
      description: 'Places whose part is looked for; all others are as the build and its engine have them',
    }),
    targets: Type.Optional(Type.Array(TargetSchema, { maxItems: MOST_TARGETS })),
    limits: Type.Optional(
      Type.Partial(
        Type.Object({
          price: Type.Number({ ...Money, description: 'Parts and work together, in the shop’s money' }),
          hours: Type.Number({ minimum: 0, maximum: 1e5 }),
          days: Type.Integer({
            minimum: 0,
            maximum: 1000,
            description: 'Until all that is bought can be had; what nobody promises does not meet it',
          }),
          buys: Type.Integer({ minimum: 0, maximum: 100, description: 'Parts that are not at hand' }),
          open: Type.Integer({
            minimum: 0,
            maximum: 100,
            description: 'Checks that cannot be told yet and nothing is against',
          }),
        }),
        { additionalProperties: false },
      ),
    ),
    suppliers: Type.Optional(
      Type.Array(Type.String({ maxLength: 80 }), {
        maxItems: 100,
        description:
          'What is bought comes from these; where absent from anybody, at the price of the record where no list has it',
      }),
    ),
    forbid: Type.Optional(
      Type.Array(oneOf<OperationId>(OPERATION_IDS), { maxItems: 100, description: 'Work that is not done' }),
    ),
    reversible: Type.Optional(Type.Boolean({ description: 'No work that cannot be taken back' })),
    shape: Type.Optional(
      Type.Array(
        Type.Object(
          {
            operation: oneOf<PlannedId>(PLANNED_IDS, 'What may be done to bring figures where they are wanted'),
            most: Type.Number({ exclusiveMinimum: 0, maximum: 50, description: 'At most so much, millimetres' }),
            step: Type.Number({ minimum: 0.01, maximum: 50, description: 'In steps of so much, millimetres' }),
          },
          { additionalProperties: false },
        ),
        { maxItems: 6 },
      ),
    ),
    weights: Type.Optional(WeightsSchema),
    engines: Type.Optional(
      Type.Integer({
        minimum: 1,
        maximum: MOST_ENGINES,
        description:
          'Engines that each get a set of their own, no part of the shelf in two of them; limits are those of one engine',
      }),
    ),
    answers: Type.Optional(Type.Integer({ minimum: 1, maximum: MOST_ANSWERS })),
    effort: Type.Optional(
      Type.Integer({ minimum: 1, maximum: MOST_EFFORT, description: 'It stops after so many nodes of its search' }),
    ),
  },
  { additionalProperties: false },
);
export type Demands = Static<typeof DemandsSchema>;
