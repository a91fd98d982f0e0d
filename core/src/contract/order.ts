import { Type } from '@sinclair/typebox';
import { BuildSchema } from '../build/build.js';
import { JobSchema, WORK_STATES, type WorkState } from '../job/job.js';
import { OPERATION_IDS, type OperationId } from '../joints/index.js';
import { oneOf } from '../quantity/oneOf.js';
import type { QuantityKind } from '../quantity/unit.js';
import { SpecimenSchema } from '../readings/reading.js';
import { MOST_OF_JOB, MOST_OF_SHELF } from './limits.js';
import { question } from './question.js';
import { BandSchema, IdSchema, KindSchema, list, SentenceSchema, VerdictSchema, WordingSchema } from './schema.js';

/** A job with its build and parts: stored, or sent along. What is sent along counts. */
const OF_JOB = {
  jobId: Type.Optional(Type.String({ format: 'uuid', description: 'Stored job' })),
  job: Type.Optional(JobSchema),
  build: Type.Optional(BuildSchema),
  specimens: Type.Optional(
    Type.Array(SpecimenSchema, { maxItems: MOST_OF_JOB, description: 'Parts of the job, and those the build names' }),
  ),
};
const WORDED = { units: Type.Optional(WordingSchema) };
const Quantity = Type.Unsafe<QuantityKind>({ type: 'string', description: 'Lengths are millimetres' });
const At = Type.Integer({ description: 'Which cylinder, main or crankpin, from the front' });
const EXAMPLE = {
  build: {
    id: '00000000-0000-4000-8000-000000000000',
    name: '357 as it was',
    variant: 'sluice-357',
    places: [],
    sizes: [],
  },
};

const NeedSchema = Type.Object({
  id: Type.String({ description: 'Order lines name it so' }),
  group: oneOf(
    ['chosen', 'anew', 'companion', 'consumable', 'unaccounted', 'other'] as const,
    'Why it is on the list: chosen in the build, new whenever an engine is apart, must come with another, used up, of unknown whereabouts, or put down by hand',
  ),
  slot: Type.Optional(Type.String()),
  kind: Type.Optional(KindSchema),
  pattern: Type.Optional(IdSchema),
  name: Type.String(),
  at: list(At),
  quantity: Type.Integer(),
  by: oneOf(['piece', 'pair', 'set'] as const, 'How it is counted'),
  pieces: Type.Optional(Type.Integer({ description: 'How many the maker sells together' })),
  size: Type.Optional(SentenceSchema),
  step: Type.Optional(Type.Number({ description: 'The same in millimetres from standard, signed' })),
  because: SentenceSchema,
  open: list(SentenceSchema, { description: 'What must be known before it may be ordered' }),
  numbers: list(
    Type.Object({
      number: Type.String(),
      maker: Type.Optional(Type.String()),
      living: Type.String({ description: 'The number it goes by today' }),
      through: list(Type.String()),
      circle: Type.Boolean({ description: 'The records replace it in a circle: it cannot be ordered' }),
      replacedBy: Type.Optional(IdSchema),
    }),
  ),
  price: Type.Optional(Type.Number({ description: 'Of one, or one pack, by the catalogue, in the shop’s money' })),
  shelf: list(Type.String({ description: 'Specimen of the shelf that is this' })),
  reserved: Type.Integer(),
  ordered: Type.Integer(),
  received: Type.Integer(),
  left: Type.Integer({ description: 'How many are still to be ordered' }),
});

/** What is to be bought for a job. */
export const orderList = question({
  path: '/order/list',
  says: true,
  needs: ['job', 'shelfForJob'],
  summary: 'What a job needs and has not: parts, consumables, companions, in sizes and numbers of today',
  subject: 'order',
  request: Type.Object(
    {
      ...OF_JOB,
      ...WORDED,
      shelf: Type.Optional(
        Type.Array(SpecimenSchema, { maxItems: MOST_OF_SHELF, description: 'Parts of no job that may be taken' }),
      ),
      reserved: Type.Optional(
        Type.Array(Type.String({ format: 'uuid' }), {
          maxItems: MOST_OF_SHELF,
          description: 'Those of the shelf that are put aside for this job',
        }),
      ),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    build: Type.Optional(Type.String({ description: 'Name of the build it is for; absent while none is decided on' })),
    engine: Type.Optional(Type.String()),
    needs: list(NeedSchema),
  }),
  example: EXAMPLE,
});

const StateSchema = oneOf<WorkState>(Object.keys(WORK_STATES) as WorkState[]);
const StepSchema = Type.Object({
  on: Type.String({ description: 'What became of it is written down under this' }),
  operation: oneOf<OperationId>(OPERATION_IDS),
  name: Type.String(),
  amount: Type.String(),
  part: Type.String(),
  kind: Type.Optional(KindSchema),
  specimen: Type.Optional(Type.String()),
  slot: Type.Optional(Type.String()),
  at: Type.Optional(At),
  reach: list(
    Type.Object({
      id: Type.String({ description: 'Parameter' }),
      name: Type.String(),
      quantity: Quantity,
      measured: Type.String({ description: 'From where to where' }),
      now: Type.Optional(BandSchema),
      to: BandSchema,
      follows: Type.Optional(Type.Boolean({ description: 'It comes of the work, and is not what the work goes by' })),
    }),
  ),
  hours: Type.Number(),
  price: Type.Number(),
  canUndo: Type.Boolean(),
  caution: Type.Optional(Type.String()),
  bring: Type.Optional(Type.String()),
  again: list(Type.String(), { description: 'What is measured again afterwards' }),
  after: list(Type.Integer(), { description: 'Numbers of the steps that come before it, from 1' }),
  state: StateSchema,
  told: Type.Optional(Type.String({ description: 'Id of what the job says became of it' })),
  note: Type.Optional(Type.String()),
  problem: Type.Optional(Type.String()),
});

/** The sheet for the machine shop. */
export const shopSheet = question({
  path: '/order/work',
  says: true,
  needs: ['job'],
  summary: 'Work for the machine shop in the order it must be done, with the size to reach',
  subject: 'order',
  request: Type.Object({ ...OF_JOB, ...WORDED }, { additionalProperties: false }),
  answer: Type.Object({
    steps: list(StepSchema),
    hours: Type.Number(),
    price: Type.Number({ description: 'In the shop’s money' }),
    cautions: list(Type.String()),
  }),
  example: EXAMPLE,
});

const NoteSchema = Type.Object({
  at: Type.Optional(At),
  says: SentenceSchema,
  find: Type.Optional(
    Type.Object({
      name: Type.String(),
      quantity: Quantity,
      required: Type.Optional(BandSchema),
      atLeast: Type.Optional(Type.Boolean({ description: 'Only the low end counts' })),
    }),
  ),
  open: Type.Optional(Type.Boolean({ description: 'Something must be known first' })),
});

/** How an engine is put together. */
export const assemblyNotes = question({
  path: '/order/assembly',
  says: true,
  needs: ['job'],
  summary:
    'Assembly step by step, per cylinder and journal: part, way round, shell, clearance, torque, what to turn by hand',
  subject: 'order',
  request: Type.Object({ ...OF_JOB, ...WORDED }, { additionalProperties: false }),
  answer: Type.Object({
    steps: list(
      Type.Object({
        id: Type.String(),
        name: Type.String(),
        notes: list(NoteSchema),
        cautions: list(Type.String()),
        signed: list(
          Type.Object({
            id: Type.String(),
            step: Type.String(),
            at: Type.String(),
            who: Type.String(),
            found: Type.Optional(Type.String()),
          }),
        ),
      }),
    ),
  }),
  example: EXAMPLE,
});

/** How far a job has come. */
export const jobStages = question({
  path: '/order/stages',
  needs: ['job'],
  summary: 'The stages of a job, each with what is missing before it is through',
  subject: 'order',
  request: Type.Object(OF_JOB, { additionalProperties: false }),
  answer: Type.Object({
    stages: list(
      Type.Object({
        id: Type.String(),
        name: Type.String(),
        at: oneOf(['jobs', 'fit', 'plan', 'order'] as const, 'Station where it is worked on'),
        missing: list(Type.String()),
      }),
    ),
  }),
  example: {
    job: { id: '00000000-0000-4000-8000-000000000000', name: 'Pump engine', readings: [], customer: 'Upper orchard' },
  },
});

/** Who could use a part. */
export const wantedBy = question({
  path: '/order/wanted',
  says: true,
  needs: ['specimen', 'openJobs'],
  summary: 'Who wants this part: engines it is on record in, and open jobs that need it or could take it instead',
  subject: 'order',
  request: Type.Object(
    {
      specimenId: Type.Optional(Type.String({ format: 'uuid', description: 'Stored specimen' })),
      specimen: Type.Optional(SpecimenSchema),
      ...WORDED,
      jobs: Type.Optional(
        Type.Array(Type.Object(OF_JOB, { additionalProperties: false }), {
          maxItems: 60,
          description: 'Open jobs; all that are stored where nothing is said',
        }),
      ),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    taken: Type.Optional(Type.String({ description: 'What it is taken to be' })),
    variants: list(Type.Object({ id: IdSchema, name: Type.String() }), {
      description: 'Engines it is on record in',
    }),
    jobs: list(
      Type.Object({
        job: Type.String({ description: 'Its id' }),
        name: Type.String(),
        need: Type.Optional(Type.String({ description: 'What of its order list this is' })),
        verdict: VerdictSchema,
        says: SentenceSchema,
      }),
    ),
  }),
  example: {
    specimen: { id: '00000000-0000-4000-8000-000000000000', name: 'Crank', kind: 'crank', readings: [] },
    jobs: [],
  },
});
