import { Type, type Static } from '@sinclair/typebox';
import { say } from '../quantity/sentence.js';
import { bearings, sayFigure } from '../thumb/index.js';

interface Choice {
  readonly id: string;
  readonly name: string;
  /** What speaks for it, as those who do it so would say. */
  readonly says: string;
}

interface HouseRule {
  readonly name: string;
  readonly question: string;
  readonly usual: string;
  readonly choices: readonly Choice[];
}

/**
 * Where practitioners disagree the shop chooses. Each rule states its schools and the default. *Common practice, no
 * source*, for the schools.
 */
export const HOUSE_RULES = {
  marks: {
    name: 'Marks or measurement',
    question: 'Is a part named by its marks alone?',
    usual: 'trust',
    choices: [
      {
        id: 'trust',
        name: 'Trust marks',
        says: 'A clear number names the part, and measuring is for its condition. Quick, and right nearly always.',
      },
      {
        id: 'measure',
        name: 'Always measure',
        says: 'Castings were machined to several sizes and parts get restamped: nothing is settled until one size agrees.',
      },
    ],
  },
  claims: {
    name: 'Claims',
    question: 'How far is it believed what tag, papers and owner say?',
    usual: 'usual',
    choices: [
      {
        id: 'little',
        name: 'Hardly',
        says: 'Engines and heads get swapped and tags go missing: a claim only breaks a tie.',
      },
      {
        id: 'usual',
        name: 'As a hint',
        says: 'Most engines are still what their papers say; a claim counts until a measurement speaks.',
      },
      {
        id: 'much',
        name: 'Mostly',
        says: 'We know where our engines come from: what the owner says has nearly always been right.',
      },
    ],
  },
  weights: {
    name: 'Weight of a set',
    question: 'How far may pistons or rods of one engine differ in weight?',
    usual: 'four',
    choices: [
      { id: 'two', name: '2 g', says: 'For fast engines: balance is felt long before it breaks anything.' },
      { id: 'four', name: '4 g', says: 'What most makers allow within one set of pistons.' },
      { id: 'eight', name: '8 g', says: 'For slow heavy engines, where the castings themselves vary more.' },
    ],
  },
  rodWeights: {
    name: 'Weighing rods',
    question: 'How are rods weighed that are matched?',
    usual: 'whole',
    choices: [
      {
        id: 'whole',
        name: 'Whole',
        says: 'One weight a rod: quick, and enough for slow engines whose rods were made alike.',
      },
      {
        id: 'ends',
        name: 'End by end',
        says: 'Big and small end each by itself, the other carried: one goes round and the other up and down.',
      },
    ],
  },
  clearance: {
    name: 'Bearing clearance',
    question: 'How much clearance does a plain bearing get where the maker’s figure is missing?',
    usual: 'thousandth',
    choices: [
      {
        id: 'thousandth',
        name: 'A thousandth of the journal',
        says: `Quiet, and it keeps oil pressure: ${say(sayFigure(bearings.thousandth), 'metric')}.`,
      },
      {
        id: 'generous',
        name: 'Half as much again',
        says: `For fast or hot engines: oil carries heat away, and nothing seizes. ${say(sayFigure(bearings.generous), 'metric')}.`,
      },
    ],
  },
  cylinders: {
    name: 'Worn cylinders',
    question: 'What is done first to cylinders that are worn or too small?',
    usual: 'bore',
    choices: [
      {
        id: 'bore',
        name: 'Bore oversize',
        says: 'Boring costs less than new liners, and an oversize piston saves the cylinder.',
      },
      {
        id: 'liner',
        name: 'New liners',
        says: 'Where the engine has liners, new ones take a day less than boring and are round.',
      },
      {
        id: 'sleeve',
        name: 'Sleeve',
        says: 'A sleeve brings back the standard bore: any piston can be had, and the wall is known.',
      },
    ],
  },
  sets: {
    name: 'The better set',
    question: 'When parts are looked for that go together, what makes one set better than another?',
    usual: 'price',
    choices: [
      {
        id: 'price',
        name: 'Its price',
        says: 'Parts and work together; what is open or cannot be taken back counts a little beside it.',
      },
      {
        id: 'sure',
        name: 'What is sure of it',
        says: 'A check that is still open costs another afternoon, and metal that is off stays off: both weigh heavily.',
      },
      {
        id: 'hand',
        name: 'What is at hand',
        says: 'Every part that has to come from elsewhere holds the job up, whatever it costs.',
      },
      {
        id: 'hours',
        name: 'The hours it takes',
        says: 'The bench is full: an hour counts twice, in its price and once more in what else could be done.',
      },
    ],
  },
} as const satisfies Record<string, HouseRule>;

export type HouseRuleId = keyof typeof HOUSE_RULES;
export const HOUSE_RULE_IDS = Object.keys(HOUSE_RULES) as HouseRuleId[];

const chosen = <const R extends HouseRuleId>(rule: R) =>
  Type.Optional(
    Type.Unsafe<(typeof HOUSE_RULES)[R]['choices'][number]['id']>({
      type: 'string',
      enum: HOUSE_RULES[rule].choices.map((choice) => choice.id),
      description: HOUSE_RULES[rule].question,
    }),
  );

const Amount = (description: string) => Type.Optional(Type.Number({ minimum: 0, maximum: 1_000_000, description }));

/** What the shop itself reckons for an operation, where it differs from the usual. */
const OwnWorkSchema = Type.Object(
  { hours: Amount('Hours of work for one engine'), price: Amount('Price for one engine, in the shop’s money') },
  { additionalProperties: false },
);

/** A chance that is neither certain nor impossible: a certainty could never be mended by what is seen. */
const OwnChance = Type.Number({ minimum: 0.00001, maximum: 0.99999 });

/** What the shop goes by in place of a figure of thumb. */
const OwnFigureSchema = Type.Object(
  { low: Type.Number({ description: 'Inside units; as high where only one end counts' }), high: Type.Number() },
  { additionalProperties: false },
);

/** What a shop has chosen; a rule that is absent stands at its default. */
export const HouseRulesSchema = Type.Object(
  {
    marks: chosen('marks'),
    claims: chosen('claims'),
    weights: chosen('weights'),
    rodWeights: chosen('rodWeights'),
    clearance: chosen('clearance'),
    cylinders: chosen('cylinders'),
    sets: chosen('sets'),
    figures: Type.Optional(
      Type.Record(Type.String({ pattern: '^[a-zA-Z]{1,40}[.][a-zA-Z]{1,40}$' }), OwnFigureSchema, {
        additionalProperties: false,
        description: 'Own figures of thumb by their ids, as /api/docs and docs/rules-of-thumb.md list them',
      }),
    ),
    assumptions: Type.Optional(
      Type.Record(Type.String({ pattern: '^[a-zA-Z]{1,40}([.][a-zA-Z]{1,40})?$' }), OwnChance, {
        additionalProperties: false,
        description:
          'Own chances in place of what identification takes for granted, as the calibration page tells them',
      }),
    ),
    work: Type.Optional(
      Type.Record(Type.String({ pattern: '^[a-zA-Z]{1,40}$' }), OwnWorkSchema, {
        additionalProperties: false,
        description: 'Own hours and prices by operation',
      }),
    ),
  },
  { additionalProperties: false },
);
export type HouseRules = Static<typeof HouseRulesSchema>;

/** The grams that the rule about weights allows between the heaviest and the lightest of a set. */
export const weightAllowed = (rules: HouseRules): number =>
  ({ two: 2, four: 4, eight: 8 })[rules.weights ?? HOUSE_RULES.weights.usual];
