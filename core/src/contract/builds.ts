import { Type, type Static } from '@sinclair/typebox';
import {
  BuildSchema,
  FIGURES,
  SectionSizesSchema,
  SOLVED_FOR,
  SPREADS,
  SUBJECTS,
  type Spread,
  type Subject,
} from '../build/index.js';
import { KIND_IDS } from '../dictionary/dictionary.js';
import { oneOf } from '../quantity/oneOf.js';
import type { QuantityKind } from '../quantity/unit.js';
import { SpecimenSchema } from '../readings/reading.js';
import { SwapFields } from './interchange.js';
import { MOST_LISTED, MOST_TOGETHER } from './limits.js';
import { question } from './question.js';
import { BandSchema, IdSchema, KindSchema, list, SentenceSchema, VerdictSchema, WordingSchema } from './schema.js';

/** A build as it stands, with the stored specimens it names. */
const Asked = {
  build: BuildSchema,
  specimens: Type.Optional(
    Type.Array(SpecimenSchema, {
      maxItems: MOST_TOGETHER,
      description: 'The specimens it names; those that are stored where nothing is said',
    }),
  ),
};

const Quantity = Type.Unsafe<QuantityKind>({
  type: 'string',
  description: 'What the figures count: mm, cc, g, N, MPa, degrees, rpm, m/s, m/s², to one, a whole',
});
const FigureIdSchema = oneOf<string>(
  FIGURES.map(({ id }) => id),
  'Id of a figure',
);
const CylinderSchema = Type.Integer({ minimum: 1, maximum: 16, description: 'Counted from the front' });

const NeededSchema = Type.Object({ id: Type.String(), name: Type.String({ description: 'With the part it is on' }) });

const PlacedSchema = Type.Object({
  slot: Type.String(),
  name: Type.String({ description: 'What the place is called' }),
  kind: KindSchema,
  at: Type.Optional(CylinderSchema),
  label: Type.String({ description: 'What is there' }),
  pattern: Type.Optional(Type.String({ description: 'Its pattern, where it has one' })),
  taken: Type.Boolean({ description: 'As the engine it starts from has it: nobody chose it' }),
  work: list(Type.String(), { description: 'What is done to it, in words' }),
  sizes: list(Type.Number(), {
    description: 'Service sizes it is bought in besides standard, from that, signed, millimetres',
  }),
  bought: Type.Optional(Type.Number({ description: 'The one it is bought in, as the build says' })),
  mayBe: list(
    Type.Object({
      operation: Type.String(),
      name: Type.String(),
      asks: Type.String({ description: 'How much of what' }),
    }),
    { description: 'What may be planned on it' },
  ),
});

const ArgumentSchema = Type.Object({
  name: Type.String({ description: 'In the formula' }),
  called: Type.String(),
  value: Type.Number(),
  quantity: Quantity,
  from: Type.String({ description: 'Where it comes from' }),
  figure: Type.Optional(Type.String({ description: 'Id of the figure, where it is one' })),
});

const FoundSchema = Type.Object({
  at: list(Type.Integer(), { description: 'Which of the row, all alike; empty for the engine' }),
  value: Type.Optional(Type.Number({ description: 'In the middle of all that is put in' })),
  between: Type.Optional(BandSchema),
  base: Type.Optional(Type.Number({ description: 'The same of the engine it starts from, as built' })),
  verdict: Type.Optional(VerdictSchema),
  required: Type.Optional(BandSchema),
  atLeast: Type.Optional(Type.Boolean()),
  ruleOfThumb: Type.Optional(SentenceSchema),
  says: Type.Optional(SentenceSchema),
  needs: list(NeededSchema, { description: 'What must be known first' }),
  arguments: list(ArgumentSchema),
  assumed: list(Type.String(), { description: 'What was taken for want of better' }),
  likely: Type.Optional(
    list(Type.Object({ id: Type.String(), name: Type.String(), probability: Type.Number() }), {
      description: 'Sizes that nobody put down and that are taken as is likely: what rests on them is no fact',
    }),
  ),
  tells: Type.Optional(Type.String({ description: 'Which of several limits binds' })),
});

const FigureSchema = Type.Object({
  id: Type.String(),
  name: Type.String(),
  says: Type.String(),
  subject: oneOf<Subject>(Object.keys(SUBJECTS) as Subject[]),
  quantity: Quantity,
  per: oneOf(['cylinder', 'main', 'crankpin', 'engine'] as const),
  formula: Type.String(),
  source: Type.String(),
  caution: Type.Optional(Type.String()),
  found: list(FoundSchema),
});
export type FigureTold = Static<typeof FigureSchema>;
export type FigureFoundTold = Static<typeof FoundSchema>;
export type PlacedTold = Static<typeof PlacedSchema>;

const ProblemSchema = Type.Object({ where: Type.String(), what: Type.String() });

/** A build as an example of one: an engine of the demo on a thinner gasket. */
const EXAMPLE = {
  build: {
    id: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11',
    name: 'Thinner gasket',
    variant: 'sluice-357',
    places: [],
    sizes: [{ of: 'headGasket.thickness', value: 0.8, unit: 'mm' }],
  },
};

/** The sheet of a build. */
export const buildSheet = question({
  path: '/builds/sheet',
  says: true,
  needs: ['partsOfBuild'],
  summary: 'Everything that follows from a build: figures with their verdicts and reasons, and the section to scale',
  subject: 'builds',
  request: Type.Object(
    { ...Asked, cylinder: Type.Optional(CylinderSchema), units: Type.Optional(WordingSchema) },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    cylinders: Type.Integer(),
    engine: Type.Optional(Type.String({ description: 'What the variant is called' })),
    parts: list(PlacedSchema),
    figures: list(FigureSchema),
    problems: list(ProblemSchema, { description: 'What cannot be done as the build says' }),
    nonsense: list(Type.Object({ of: Type.String(), at: Type.Optional(Type.Integer()), says: SentenceSchema }), {
      description: 'What can be no engine',
    }),
    mixed: list(Type.Object({ slot: Type.String(), says: Type.String() })),
    section: SectionSizesSchema,
  }),
  example: { ...EXAMPLE, units: 'metric' },
});

/** Every joint of a build. */
export const buildJoints = question({
  path: '/builds/joints',
  says: true,
  needs: ['partsOfBuild'],
  summary: 'Every joint of a build, judged with the work that is planned in it',
  subject: 'builds',
  request: Type.Object({ ...Asked, units: Type.Optional(WordingSchema) }, { additionalProperties: false }),
  answer: Type.Object({
    judged: Type.Optional(Type.Object(SwapFields, { description: 'Absent while no parts meet' })),
  }),
  example: EXAMPLE,
});

const CurveSchema = Type.Object({
  id: Type.String(),
  name: Type.String(),
  quantity: Quantity,
  values: list(Type.Number()),
  base: Type.Optional(list(Type.Number(), { description: 'The same of the engine it starts from' })),
});
export type CurveTold = Static<typeof CurveSchema>;

/** Motion over the crank angle. */
export const buildCurves = question({
  path: '/builds/curves',
  needs: ['partsOfBuild'],
  summary: 'Motion of one cylinder and its valves over two turns of the crank, beside the engine it starts from',
  subject: 'builds',
  request: Type.Object({ ...Asked, cylinder: Type.Optional(CylinderSchema) }, { additionalProperties: false }),
  answer: Type.Object({
    angles: list(Type.Number(), { description: 'Degrees after the top between exhaust and intake' }),
    curves: list(CurveSchema),
  }),
  example: EXAMPLE,
});

/** Solved backwards. */
export const buildSolve = question({
  path: '/builds/solve',
  needs: ['partsOfBuild'],
  summary: 'The one size that gives a figure what is wanted, all else as it is; and the nearest parts on record',
  subject: 'builds',
  long: true,
  request: Type.Object(
    {
      ...Asked,
      figure: FigureIdSchema,
      wanted: Type.Number({ minimum: -1e6, maximum: 1e6, description: 'In the inside unit of the figure' }),
      size: oneOf(SOLVED_FOR, 'The size that may change'),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    now: Type.Optional(Type.Number({ description: 'What the size is now' })),
    size: Type.Optional(Type.Number({ description: 'What it must be; absent where nothing does' })),
    reached: Type.Optional(BandSchema),
    quantity: Quantity,
    nearest: list(
      Type.Object({
        pattern: Type.String(),
        label: Type.String(),
        slot: Type.String(),
        size: Type.Number(),
        figure: Type.Optional(Type.Number({ description: 'What the figure comes to with it' })),
        verdict: Type.Optional(VerdictSchema),
        price: Type.Optional(Type.Number()),
      }),
      { description: 'Parts on record, the one that comes nearest first' },
    ),
  }),
  example: { ...EXAMPLE, figure: 'ratio', wanted: 9, size: 'piston.compressionHeight' },
});

const SweptSizeSchema = Type.Object(
  {
    size: Type.String({ maxLength: 80, description: 'Id of a parameter' }),
    from: Type.Number({ minimum: -1e6, maximum: 1e6 }),
    to: Type.Number({ minimum: -1e6, maximum: 1e6 }),
    steps: Type.Integer({ minimum: 1, maximum: 240 }),
  },
  { additionalProperties: false },
);

/** What if. */
export const buildSweep = question({
  path: '/builds/sweep',
  needs: ['partsOfBuild'],
  summary:
    'Figures of a build while one size of it, or two, go from one end to the other; or with one part after another',
  subject: 'builds',
  long: true,
  request: Type.Object(
    {
      ...Asked,
      figures: Type.Array(FigureIdSchema, { minItems: 1, maxItems: 6 }),
      over: Type.Optional(Type.Array(SweptSizeSchema, { minItems: 1, maxItems: 2, description: 'Inside units' })),
      parts: Type.Optional(
        Type.Object(
          {
            slot: Type.String({ maxLength: 40 }),
            patterns: Type.Optional(
              Type.Array(IdSchema, {
                minItems: 1,
                maxItems: MOST_LISTED,
                description: 'Absent for all on record, those nearest to what is there first',
              }),
            ),
          },
          { additionalProperties: false, description: 'In the place of sizes: parts, one after the other' },
        ),
      ),
      cylinder: Type.Optional(CylinderSchema),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    across: list(Type.Number(), { description: 'Values of the first size' }),
    up: list(Type.Number(), { description: 'Values of the second; empty where there is one' }),
    labels: list(Type.String(), { description: 'Parts, where parts were asked' }),
    parts: list(
      Type.Object({
        pattern: Type.String(),
        verdict: VerdictSchema,
        price: Type.Optional(Type.Number()),
      }),
      { description: 'The same parts: whether each goes in with the others' },
    ),
    figures: list(
      Type.Object({
        id: Type.String(),
        values: list(Type.Union([Type.Number(), Type.Null()]), {
          description: 'Row by row; null where it cannot be told',
        }),
        required: Type.Optional(BandSchema),
        atLeast: Type.Optional(Type.Boolean()),
      }),
    ),
  }),
  example: {
    ...EXAMPLE,
    figures: ['squish', 'ratio'],
    over: [{ size: 'headGasket.thickness', from: 0.5, to: 1.6, steps: 12 }],
  },
});

/** Tolerance. */
export const buildTolerance = question({
  path: '/builds/tolerance',
  needs: ['partsOfBuild'],
  summary: 'How a figure comes out in many engines, each part somewhere between its limits; several answers add up',
  subject: 'builds',
  long: true,
  request: Type.Object(
    {
      ...Asked,
      figure: FigureIdSchema,
      engines: Type.Integer({ minimum: 1, maximum: 20_000, description: 'How many are drawn' }),
      seed: Type.Integer({ minimum: 0, maximum: 4_294_967_295, description: 'The same gives the same' }),
      spread: Type.Optional(oneOf<Spread>(Object.keys(SPREADS) as Spread[], 'How parts lie between their limits')),
      oneSetup: Type.Optional(
        Type.Array(KindSchema, {
          maxItems: KIND_IDS.length,
          description: 'Kinds of which all pieces were finished in one setup',
        }),
      ),
      fixed: Type.Optional(
        Type.Array(Type.String({ maxLength: 80 }), { maxItems: 60, description: 'Sizes taken to be measured' }),
      ),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    value: Type.Optional(Type.Number()),
    needs: list(NeededSchema),
    worst: Type.Optional(BandSchema),
    squares: Type.Optional(BandSchema),
    required: Type.Optional(Type.Object({ low: Type.Number(), high: Type.Optional(Type.Number()) })),
    shares: list(
      Type.Object({
        id: Type.String(),
        name: Type.String(),
        from: Type.String(),
        share: Type.Number({ description: 'Of the variance at the first place' }),
      }),
    ),
    drawn: Type.Object({
      engines: Type.Integer(),
      places: Type.Integer(),
      sum: Type.Number(),
      squares: Type.Number(),
      below: Type.Integer(),
      above: Type.Integer(),
      broken: Type.Integer({ description: 'Engines with at least one place outside what is required' }),
      bins: list(Type.Integer()),
      from: Type.Number(),
      to: Type.Number(),
    }),
  }),
  example: { ...EXAMPLE, figure: 'squish', engines: 2000, seed: 1 },
});

/** Places from the parts of a job. */
export const buildBegin = question({
  path: '/builds/begin',
  needs: ['partsOfJob'],
  summary: 'The places of a build for parts that lie on one bench',
  subject: 'builds',
  request: Type.Object(
    {
      jobId: Type.Optional(Type.String({ format: 'uuid', description: 'Stored job whose parts are meant' })),
      specimens: Type.Optional(Type.Array(SpecimenSchema, { maxItems: MOST_TOGETHER })),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({ places: list(BuildSchema.properties.places.items) }),
  example: { specimens: [] },
});
