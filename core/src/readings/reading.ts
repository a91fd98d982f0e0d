import { Type, type Static } from '@sinclair/typebox';
import { MAKINGS, REACHES } from '../dictionary/definition.js';
import { KIND_IDS, type KindId } from '../dictionary/dictionary.js';
import { INSTRUMENT_IDS, type InstrumentId } from '../quantity/instrument.js';
import { oneOf } from '../quantity/oneOf.js';
import { UNIT_IDS, type UnitId } from '../quantity/unit.js';
import { AxesSchema, LevelsSchema } from './spot.js';

export const KindIdSchema = oneOf<KindId>(KIND_IDS, 'A kind of part of the dictionary');

const text = Type.String({ minLength: 1, maxLength: 400, description: 'The words as typed' });

/** A mark on the part, with its doubts, or the finding that there is none. */
export const MarkReadingSchema = Type.Object(
  {
    sort: Type.Literal('mark'),
    text,
    characters: Type.String({
      maxLength: 80,
      description: 'As read: ? for unreadable, [B8] for doubtful; empty for "no mark here"',
    }),
    making: Type.Optional(oneOf(MAKINGS, 'How the mark was made')),
    place: Type.Optional(Type.String({ maxLength: 80, description: 'Id of a mark place of the dictionary' })),
    gone: Type.Optional(
      Type.Literal(true, {
        description: 'A mark stood there and was ground, machined or worn away: what it was is not known',
      }),
    ),
  },
  { additionalProperties: false },
);

/** A measurement: its repeats in the unit in which they were given, and the instrument. */
export const SizeReadingSchema = Type.Object(
  {
    sort: Type.Literal('size'),
    text,
    parameter: Type.String({ maxLength: 80, description: 'Id of a parameter of the dictionary' }),
    values: Type.Array(Type.Number({ exclusiveMinimum: 0, maximum: 1e6 }), {
      minItems: 1,
      maxItems: 50,
      description: 'Repeats, or one value for each position, in the unit given',
    }),
    positions: Type.Optional(
      Type.Array(Type.Integer({ minimum: 1, maximum: 16 }), {
        minItems: 1,
        maxItems: 50,
        description:
          'Which of several each value was taken at, counted from the front: the third main, the second cylinder. Absent where the values are repeats.',
      }),
    ),
    positionsAssumed: Type.Optional(
      Type.Boolean({
        description:
          'True when nothing but their number told whether several figures are repeats or one for each place',
      }),
    ),
    levels: LevelsSchema,
    axes: AxesSchema,
    figures: Type.Optional(
      Type.String({ minLength: 1, maxLength: 200, description: 'The figures as written, with all their digits' }),
    ),
    unit: oneOf<UnitId>(UNIT_IDS, 'Unit in which the repeats are given'),
    unitAssumed: Type.Optional(Type.Boolean({ description: 'True when no unit was written and the size told it' })),
    instrument: oneOf<InstrumentId>(INSTRUMENT_IDS, 'Instrument used'),
    instrumentAssumed: Type.Optional(
      Type.Boolean({ description: 'True when no instrument was named and the usual one is taken' }),
    ),
  },
  { additionalProperties: false },
);

/** Something seen. */
export const LookReadingSchema = Type.Object(
  {
    sort: Type.Literal('look'),
    text,
    feature: Type.String({ maxLength: 80, description: 'Id of a look of the dictionary' }),
    option: Type.String({ maxLength: 40, description: 'Option id, or the count in figures' }),
    not: Type.Optional(Type.Literal(true, { description: 'It was seen not to be this, but one of the others' })),
  },
  { additionalProperties: false },
);

/** The pattern of a face that mates: bolt places, ports, a flange. */
export const FaceReadingSchema = Type.Object(
  {
    sort: Type.Literal('face'),
    text,
    face: Type.String({ maxLength: 80, description: 'Id of a face of the dictionary' }),
    pattern: Type.String({
      minLength: 1,
      maxLength: 120,
      description: 'What the pattern is called, as in the catalogue; none where there is no such face',
    }),
  },
  { additionalProperties: false },
);

/** What a thing is said to be, by papers, tags and people. */
export const CLAIMS = {
  year: 'Year',
  serial: 'Serial number',
  machine: 'Machine',
  tag: 'Engine tag',
  engine: 'Engine',
} as const;
export type ClaimAbout = keyof typeof CLAIMS;
export const CLAIM_IDS = Object.keys(CLAIMS) as ClaimAbout[];

/**
 * Something the part or its engine is said to be: weaker than what it shows, and told apart by how easily it goes
 * wrong.
 */
export const ClaimReadingSchema = Type.Object(
  {
    sort: Type.Literal('claim'),
    text,
    about: oneOf<ClaimAbout>(
      CLAIM_IDS,
      'What is claimed: serial is one stamped in the metal, tag one that can be lost or swapped',
    ),
    value: Type.String({ minLength: 1, maxLength: 120, description: 'As said; a year as 1962, 1962-03 or 1962/1964' }),
  },
  { additionalProperties: false },
);

/** That a size stands at a service size, told by a stamp, a box or a customer: ten under, 0.50 over, standard. */
export const StepReadingSchema = Type.Object(
  {
    sort: Type.Literal('step'),
    text,
    parameter: Type.String({ maxLength: 80, description: 'Id of a parameter of the dictionary' }),
    offset: Type.Number({
      minimum: -100,
      maximum: 100,
      description: 'Signed distance from standard in `unit`; 0 for standard',
    }),
    unit: oneOf<'mm' | 'in'>(['mm', 'in'], 'Unit of the offset'),
  },
  { additionalProperties: false },
);

/**
 * Words that could not be understood, kept until somebody mends them. Why is worked out anew whenever they are looked
 * at (`whyUnread`).
 */
export const UnreadReadingSchema = Type.Object(
  {
    sort: Type.Literal('unread'),
    text: Type.String({ minLength: 1, maxLength: 20_000 }),
    reason: Type.Optional(
      Type.String({ maxLength: 500, deprecated: true, description: 'Written by earlier versions, and not looked at' }),
    ),
    suggestion: Type.Optional(Type.String({ maxLength: 400, deprecated: true, description: 'As `reason`' })),
  },
  { additionalProperties: false },
);

export type MarkReading = Static<typeof MarkReadingSchema>;
export type SizeReading = Static<typeof SizeReadingSchema>;
export type FaceReading = Static<typeof FaceReadingSchema>;
export type LookReading = Static<typeof LookReadingSchema>;
export type ClaimReading = Static<typeof ClaimReadingSchema>;
export type StepReading = Static<typeof StepReadingSchema>;
export type UnreadReading = Static<typeof UnreadReadingSchema>;
export type Understood =
  MarkReading | SizeReading | LookReading | FaceReading | StepReading | ClaimReading | UnreadReading;

/**
 * What the entry line made of some words: a mark, a size, a look, the pattern of a face, a service size, a claim, or
 * words left unread. `sort`
 * tells which.
 */
export const UnderstoodSchema = Type.Unsafe<Understood>({
  type: 'object',
  required: ['sort'],
  discriminator: { propertyName: 'sort' },
  oneOf: [
    MarkReadingSchema,
    SizeReadingSchema,
    LookReadingSchema,
    FaceReadingSchema,
    StepReadingSchema,
    ClaimReadingSchema,
    UnreadReadingSchema,
  ],
});

/** A reading as it is kept: of words that were not understood the words alone. */
export function asKept<T extends Understood>(is: T): T;
export function asKept(is: Understood): Understood {
  return is.sort === 'unread' ? { sort: is.sort, text: is.text } : is;
}

/** A reading on a specimen: what was understood, with its own id and the time at which it was made. */
export const ReadingSchema = Type.Object(
  {
    id: Type.String({ format: 'uuid' }),
    at: Type.String({ format: 'date-time', description: 'When it was typed' }),
    is: UnderstoodSchema,
  },
  { additionalProperties: false },
);
export type Reading = Static<typeof ReadingSchema>;

/** How it came to be known what a part is. */
export const CONFIRMED_BY = {
  fitted: 'it was fitted, and went together',
  number: 'its number was found later',
  known: 'somebody knows it',
} as const;
export type ConfirmedBy = keyof typeof CONFIRMED_BY;

/** What a part turned out to be. Only what was read before is held against it. */
export const ConfirmedSchema = Type.Object(
  {
    pattern: Type.Optional(
      Type.String({
        pattern: '^[a-z0-9][a-z0-9-]{1,79}$',
        description: 'Id of the pattern it is; absent where it is in no catalogue',
      }),
    ),
    by: oneOf<ConfirmedBy>(Object.keys(CONFIRMED_BY) as ConfirmedBy[], 'How it came to be known'),
    at: Type.String({ format: 'date-time', description: 'When' }),
    note: Type.Optional(Type.String({ minLength: 1, maxLength: 200 })),
  },
  { additionalProperties: false },
);
export type Confirmed = Static<typeof ConfirmedSchema>;

/** How a part left the shelf. */
export const GONE = { sold: 'sold', scrapped: 'scrapped' } as const;

/** A part on the shelf, and what it is offered for. Prices lie: what one includes stands beside it. */
export const OnOfferSchema = Type.Object(
  {
    place: Type.Optional(Type.String({ minLength: 1, maxLength: 80, description: 'Where it lies' })),
    condition: Type.Optional(Type.String({ minLength: 1, maxLength: 400, description: 'What it is like' })),
    price: Type.Optional(Type.Number({ minimum: 0, maximum: 1e7, description: 'Asked for it, in the shop’s money' })),
    includes: Type.Optional(
      Type.String({
        minLength: 1,
        maxLength: 200,
        description: 'What the price includes: bare, with its caps, tested',
      }),
    ),
    gone: Type.Optional(
      Type.Object(
        {
          how: oneOf<keyof typeof GONE>(Object.keys(GONE) as (keyof typeof GONE)[], 'How it left'),
          on: Type.String({ pattern: '^\\d{4}-\\d{2}-\\d{2}$', description: 'Day' }),
          to: Type.Optional(Type.String({ minLength: 1, maxLength: 200, description: 'To whom, or why' })),
        },
        { additionalProperties: false },
      ),
    ),
  },
  { additionalProperties: false },
);
export type OnOffer = Static<typeof OnOfferSchema>;

/** One physical part on the bench. */
export const SpecimenSchema = Type.Object(
  {
    id: Type.String({ format: 'uuid' }),
    name: Type.String({ minLength: 1, maxLength: 120 }),
    kind: KindIdSchema,
    readings: Type.Array(ReadingSchema, { maxItems: 500 }),
    job: Type.Optional(Type.String({ format: 'uuid', description: 'The job whose engine it belongs to' })),
    state: Type.Optional(oneOf(REACHES, 'How far its engine is apart; on the bench where nothing is said')),
    completeWith: Type.Optional(
      Type.Array(KindIdSchema, {
        maxItems: 20,
        description: 'Kinds that lie with it: a piston with its pin and rings. Absent where nobody says',
      }),
    ),
    confirmed: Type.Optional(ConfirmedSchema),
    shelf: Type.Optional(OnOfferSchema),
    skipped: Type.Optional(
      Type.Array(Type.String({ maxLength: 80 }), {
        maxItems: 200,
        description: 'Ids of sizes, looks and mark places that cannot be got at',
      }),
    ),
  },
  { additionalProperties: false },
);
export type Specimen = Static<typeof SpecimenSchema>;

/** Specimens on file: the open format in which they are kept and passed on, version 1. */
export const SpecimenFileSchema = Type.Object(
  {
    format: Type.Literal('which-bore-specimens'),
    version: Type.Literal(1),
    specimens: Type.Array(SpecimenSchema, { maxItems: 100_000 }),
  },
  { additionalProperties: false, title: 'Which Bore specimens' },
);
export type SpecimenFile = Static<typeof SpecimenFileSchema>;
