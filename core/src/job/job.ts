import { Type, type Static, type TProperties } from '@sinclair/typebox';
import { OPERATION_IDS, type OperationId } from '../joints/operations/operations.js';
import { oneOf } from '../quantity/oneOf.js';
import { ReadingSchema } from '../readings/reading.js';

/** How much a job holds of each sort: room for one of five hundred parts. */
export const MOST_IN_JOB = 1000;

const Uuid = (description: string) => Type.String({ format: 'uuid', description });
const Line = (description: string, maxLength = 200) => Type.String({ minLength: 1, maxLength, description });
const Text = (description: string) => Type.String({ minLength: 1, maxLength: 4000, description });
const Money = (description: string) => Type.Number({ minimum: 0, maximum: 1e7, description });
const At = Type.String({ format: 'date-time', description: 'When' });
const Who = Type.Optional(Type.String({ maxLength: 120, description: 'By whom' }));
const Day = (description: string) => Type.String({ pattern: '^\\d{4}-\\d{2}-\\d{2}$', description });

/** Something with an id of its own, so that two people who add to one list lose nothing. */
const item = <P extends TProperties>(properties: P) =>
  Type.Object({ id: Uuid('Chosen by the sender'), ...properties }, { additionalProperties: false });

/** Something that was decided, and why. */
const DecisionSchema = item({ at: At, who: Who, what: Text('What was decided'), why: Type.Optional(Text('Why')) });
export type Decision = Static<typeof DecisionSchema>;

/** Something that happened. */
const EntrySchema = item({ at: At, who: Who, says: Text('What happened') });
export type LogEntry = Static<typeof EntrySchema>;

const HoursSchema = item({
  at: At,
  who: Who,
  hours: Type.Number({ exclusiveMinimum: 0, maximum: 1000 }),
  on: Line('What they were spent on'),
});
export type HoursSpent = Static<typeof HoursSchema>;

export const CURRENCY = Type.String({ pattern: '^[A-Z]{3}$', description: 'By ISO 4217', examples: ['EUR'] });

/** How far something that was ordered has come. */
export const LINE_STATES = {
  wanted: 'on the list',
  ordered: 'ordered',
  received: 'received',
  wrong: 'came wrong',
  returned: 'sent back',
} as const;
export type LineState = keyof typeof LINE_STATES;

/** Something to be bought, with what became of it. */
export const OrderLineSchema = item({
  need: Line('What of the order list it is for, as that names it', 200),
  name: Line('What it is'),
  number: Type.Optional(Line('Number it is ordered by', 60)),
  pattern: Type.Optional(Line('Pattern id', 80)),
  quantity: Type.Integer({ minimum: 1, maximum: 10_000, description: 'How many pieces, pairs or sets of the need' }),
  supplier: Type.Optional(Line('Who it comes from', 80)),
  price: Type.Optional(Money('What all of it costs')),
  currency: Type.Optional(CURRENCY),
  includes: Type.Optional(Line('What the price includes, as the supplier says')),
  state: oneOf<LineState>(Object.keys(LINE_STATES) as LineState[], 'How far it has come'),
  expected: Type.Optional(Day('Day it is expected')),
  note: Type.Optional(Line('What was wrong with it, or else', 400)),
});
export type OrderLine = Static<typeof OrderLineSchema>;

export const WORK_STATES = { planned: 'planned', out: 'at the shop', back: 'done' } as const;
export type WorkState = keyof typeof WORK_STATES;

/**
 * Work on a part that is given out, and what came of it. What is planned in the build stands on the sheet by itself;
 * here is what became of it, and what is ordered besides.
 */
export const ShopWorkSchema = item({
  on: Line('What it is done to: a place of the build, or a part'),
  operation: oneOf<OperationId>(OPERATION_IDS, 'What is done'),
  state: oneOf<WorkState>(Object.keys(WORK_STATES) as WorkState[], 'How far it has come'),
  note: Type.Optional(Line('What to heed, or what came of it', 400)),
  at: Type.Optional(At),
});
export type ShopWork = Static<typeof ShopWorkSchema>;

/** A step of assembly that somebody answers for. */
const SignedSchema = item({
  step: Line('Step of the assembly notes', 60),
  at: At,
  who: Type.String({ minLength: 1, maxLength: 120, description: 'Who answers for it' }),
  found: Type.Optional(Line('What was found', 400)),
});
export type Signed = Static<typeof SignedSchema>;

const several = <T extends Parameters<typeof Type.Array>[0]>(of: T, description: string) =>
  Type.Optional(Type.Array(of, { maxItems: MOST_IN_JOB, description }));

/**
 * One engine on order, from the first call to the bill: whose it is, what it is said to be, what was decided, ordered,
 * given out, signed for and spent. Its parts are specimens that name it; the build that is decided is a document of its
 * own.
 */
export const JobSchema = Type.Object(
  {
    id: Type.String({ format: 'uuid' }),
    name: Type.String({ minLength: 1, maxLength: 120 }),
    readings: Type.Array(ReadingSchema, {
      maxItems: 500,
      description: 'Claims, and sizes and looks of the engine as a whole',
    }),
    customer: Type.Optional(Line('Whose engine it is')),
    contact: Type.Optional(Line('How he is reached')),
    machine: Type.Optional(Line('What it drives')),
    asked: Type.Optional(Text('What the customer asked for')),
    build: Type.Optional(Uuid('The build that is decided on')),
    decisions: several(DecisionSchema, 'What was decided, and why'),
    orders: several(OrderLineSchema, 'What is to be bought, and what became of it'),
    work: several(ShopWorkSchema, 'What is given to the machine shop, and what became of it'),
    signed: several(SignedSchema, 'Steps of assembly that somebody answers for'),
    hours: several(HoursSchema, 'Hours spent'),
    log: several(EntrySchema, 'What happened'),
    runIn: Type.Optional(Text('How it was run in, and what the customer has to heed')),
    handedOver: Type.Optional(Day('Day it was handed over')),
    note: Type.Optional(Type.String({ maxLength: 4000 })),
  },
  { additionalProperties: false },
);
export type Job = Static<typeof JobSchema>;

/** The lists of a job whose items have ids. */
export const JOB_LISTS = [
  'decisions',
  'orders',
  'work',
  'signed',
  'hours',
  'log',
] as const satisfies readonly (keyof Job)[];

/**
 * Jobs on file: the open format in which they are kept and passed on, version 1. Their parts are in a file of
 * specimens.
 */
export const JobFileSchema = Type.Object(
  {
    format: Type.Literal('which-bore-jobs'),
    version: Type.Literal(1),
    jobs: Type.Array(JobSchema, { maxItems: 10_000 }),
  },
  { additionalProperties: false, title: 'Which Bore jobs' },
);
export type JobFile = Static<typeof JobFileSchema>;
