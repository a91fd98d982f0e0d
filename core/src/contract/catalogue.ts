import { Type, type Static } from '@sinclair/typebox';
import { RECORD_SCHEMAS, RECORD_TYPES, type CatalogueRecord, type RecordType } from '../catalogue/catalogue.js';
import { YearsSchema } from '../catalogue/figure.js';
import { SchemeSchema, type Scheme } from '../catalogue/scheme.js';
import { oneOf } from '../quantity/oneOf.js';
import { SpecimenSchema } from '../readings/reading.js';
import { ConfirmedSpecimens } from './parts.js';
import { question } from './question.js';
import { findingSchema, IdSchema, KindSchema, list, SentenceSchema, WordingSchema } from './schema.js';

export const RecordTypeSchema = oneOf<RecordType>(RECORD_TYPES, 'Type of record');
const PlaceSchema = Type.Object({
  type: RecordTypeSchema,
  id: Type.String(),
  at: Type.Optional(Type.String({ description: 'Value or field of the record' })),
});
const Units = Type.Optional(WordingSchema);

/** Records of a page of findings, of a picker, of a level of the tree. */
const MOST_ON_A_PAGE = 500;

/**
 * As many records of a catalogue as somebody needs to see something: lists as in a catalogue file, most of them short.
 * The records that others are called by, families and makers, are always along.
 */
export const ExcerptSchema = Type.Object({
  makers: list(RECORD_SCHEMAS.maker),
  families: list(RECORD_SCHEMAS.family),
  patterns: list(RECORD_SCHEMAS.pattern),
  variants: list(RECORD_SCHEMAS.variant),
  schemes: list(RECORD_SCHEMAS.scheme),
  swaps: list(RECORD_SCHEMAS.swap),
});
export type Excerpt = Static<typeof ExcerptSchema>;

/** Search in one line. */
export const search = question({
  path: '/search',
  says: true,
  summary: 'Search by number, mark, name, synonym, look or size, in one line',
  subject: 'catalogue',
  request: Type.Object(
    {
      text: Type.String({ maxLength: 200 }),
      most: Type.Optional(Type.Integer({ minimum: 1, maximum: MOST_ON_A_PAGE })),
      units: Units,
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    count: Type.Integer(),
    says: Type.String({ description: 'What the line was taken for' }),
    without: list(Type.String(), { description: 'Words for which nothing was found' }),
    hits: list(
      Type.Object({
        type: RecordTypeSchema,
        id: Type.String(),
        kind: Type.Optional(KindSchema),
        label: Type.String(),
        score: Type.Number(),
        because: list(SentenceSchema),
      }),
    ),
  }),
  example: { text: 'piston 116 +0.5' },
});

const FindingSchema = findingSchema(PlaceSchema);

/** What does not agree with itself, a page of each rule. */
export const audit = question({
  path: '/audit',
  says: true,
  needs: ['confirmed'],
  summary: 'What in the catalogue does not agree with itself, a page of findings of each rule, or of one',
  subject: 'catalogue',
  long: true,
  request: Type.Object(
    {
      rule: Type.Optional(Type.String({ maxLength: 40, description: 'Only findings of this rule' })),
      from: Type.Optional(Type.Integer({ minimum: 0, description: 'The first of each rule to be told' })),
      most: Type.Optional(Type.Integer({ minimum: 1, maximum: MOST_ON_A_PAGE, description: 'How many of each rule' })),
      specimens: ConfirmedSpecimens,
      units: Units,
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    rules: list(
      Type.Object({
        id: Type.String({ examples: ['displacement'] }),
        name: Type.String(),
        checks: SentenceSchema,
        count: Type.Integer({ description: 'How many it found in all' }),
      }),
    ),
    findings: list(FindingSchema),
  }),
  example: { rule: 'displacement', most: 20 },
});

const SubjectSchema = Type.Object(
  {
    pattern: Type.Optional(IdSchema),
    variant: Type.Optional(IdSchema),
    specimen: Type.Optional(
      Type.Union([Type.String({ format: 'uuid' }), SpecimenSchema], {
        description: 'Id of a stored specimen, or one sent along',
      }),
    ),
    as: Type.Optional(Type.String({ maxLength: 80, description: 'Pattern a specimen was identified as' })),
  },
  { additionalProperties: false, minProperties: 1 },
);

/** Parts or engines side by side. */
export const compare = question({
  path: '/compare',
  says: true,
  needs: ['subjects'],
  summary: 'Two to six patterns, variants or specimens side by side',
  subject: 'catalogue',
  request: Type.Object(
    { subjects: Type.Array(SubjectSchema, { maxItems: 20 }), units: Units },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    columns: list(Type.String()),
    rows: list(
      Type.Object({
        id: Type.String(),
        name: Type.String(),
        agrees: Type.Boolean(),
        cells: list(
          Type.Object({
            low: Type.Optional(Type.Number()),
            high: Type.Optional(Type.Number()),
            text: Type.Optional(Type.String()),
            says: Type.Optional(SentenceSchema),
            disputed: Type.Optional(Type.Boolean()),
          }),
        ),
      }),
    ),
  }),
  example: { subjects: [{ pattern: 'sluice-crank-3115' }, { pattern: 'sluice-crank-3590' }] },
});

/** What numbers say by a scheme. */
export const decode = question({
  path: '/decode',
  summary: 'What numbers say by a scheme, one of the catalogue or one sent along to be tried',
  subject: 'catalogue',
  request: Type.Object(
    {
      scheme: Type.Union([Type.String({ maxLength: 80 }), Type.Unsafe<Scheme>(SchemeSchema)]),
      numbers: Type.Array(Type.String({ maxLength: 60 }), { maxItems: 100 }),
    },
    { additionalProperties: false },
  ),
  answer: list(
    Type.Object({
      readings: list(
        Type.Object({
          says: list(Type.Object({ name: Type.String(), text: Type.String(), meaning: Type.String() })),
          years: list(Type.Integer()),
        }),
      ),
      more: Type.Optional(Type.Boolean({ description: 'There are more ways to read it than are told' })),
      problem: Type.Optional(Type.String()),
      within: Type.Optional(
        Type.Unsafe<Static<typeof YearsSchema>>({
          ...YearsSchema,
          description: 'Years of the family, to which its years were cut',
        }),
      ),
    }),
  ),
  example: { scheme: 'brackmere-date', numbers: ['C147'] },
});

/** What a number says of itself. */
export const readNumber = question({
  path: '/numbers',
  summary:
    'What a number says of itself: as a bearing’s designation, a vehicle’s number, or by a scheme of the catalogue',
  subject: 'catalogue',
  request: Type.Object({ number: Type.String({ maxLength: 200 }) }, { additionalProperties: false }),
  answer: Type.Object({ says: list(Type.Object({ by: Type.String(), says: Type.String() })) }),
  example: { number: '6204-2Z' },
});

/** Single records, and what they are called by. */
export const records = question({
  path: '/catalogue/records',
  summary:
    'Some records of the catalogue, with the families and makers they are called by; those that are not there are left out',
  subject: 'catalogue',
  request: Type.Object(
    {
      refs: Type.Array(Type.Object({ type: RecordTypeSchema, id: IdSchema }, { additionalProperties: false }), {
        maxItems: MOST_ON_A_PAGE,
      }),
      fitments: Type.Optional(Type.Boolean({ description: 'With the patterns that variants were fitted with' })),
    },
    { additionalProperties: false },
  ),
  answer: ExcerptSchema,
  example: { refs: [{ type: 'pattern', id: 'sluice-crank-3375-forged' }] },
});

/** What the page of a record shows. */
export const page = question({
  path: '/catalogue/page',
  summary:
    'A record with all that is told of it: where a pattern was fitted, what belongs to it and replaced it; what a variant carried; what a family holds',
  subject: 'catalogue',
  request: Type.Object(
    { type: oneOf(['family', 'variant', 'pattern'] as const), id: IdSchema },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    excerpt: ExcerptSchema,
    leftOut: Type.Integer({ description: 'Records that are left out because there are too many' }),
  }),
  example: { type: 'family', id: 'sluice' },
});

/** How much the catalogue holds. */
export const overview = question({
  path: '/catalogue/overview',
  summary: 'How much the catalogue holds, kind by kind, and its mark schemes',
  subject: 'catalogue',
  request: Type.Object({}, { additionalProperties: false }),
  answer: Type.Object({
    counts: Type.Object({
      maker: Type.Integer(),
      family: Type.Integer(),
      pattern: Type.Integer(),
      variant: Type.Integer(),
      scheme: Type.Integer(),
      swap: Type.Integer(),
    }),
    kinds: list(Type.Object({ kind: KindSchema, patterns: Type.Integer() })),
    schemes: list(Type.Object({ id: Type.String(), name: Type.String() })),
  }),
  example: {},
});

const NamedSchema = Type.Object({ id: Type.String(), name: Type.String() });

/** A level of the tree: makers with their families. */
export const tree = question({
  path: '/catalogue/tree',
  summary: 'Makers with their families, in the order of the catalogue, from one on',
  subject: 'catalogue',
  request: Type.Object(
    {
      from: Type.Optional(Type.Integer({ minimum: 0 })),
      most: Type.Optional(Type.Integer({ minimum: 1, maximum: MOST_ON_A_PAGE })),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({
    count: Type.Integer({ description: 'How many makers there are' }),
    makers: list(
      Type.Object({
        id: Type.String(),
        name: Type.String(),
        families: list(Type.Object({ id: Type.String(), name: Type.String(), variants: Type.Integer() })),
      }),
    ),
  }),
  example: { most: 20 },
});

/** A level of the tree: the variants of a family. */
export const variantsOf = question({
  path: '/catalogue/variants',
  summary: 'The variants of a family',
  subject: 'catalogue',
  request: Type.Object({ family: IdSchema }, { additionalProperties: false }),
  answer: Type.Object({ variants: list(NamedSchema) }),
  example: { family: 'sluice' },
});

const ChoiceSchema = Type.Object({ id: Type.String(), label: Type.String(), kind: Type.Optional(KindSchema) });
export type ChoiceTold = Static<typeof ChoiceSchema>;

/** A page of a picker. */
export const pick = question({
  path: '/catalogue/pick',
  summary: 'The first records of a type that bear some words, to choose one from',
  subject: 'catalogue',
  request: Type.Object(
    {
      of: RecordTypeSchema,
      kinds: Type.Optional(Type.Array(KindSchema, { maxItems: 40, description: 'Of patterns only these kinds' })),
      words: Type.Optional(
        Type.String({ maxLength: 200, description: 'Words that all stand in the name or the id, in any order' }),
      ),
      most: Type.Optional(Type.Integer({ minimum: 1, maximum: MOST_ON_A_PAGE })),
      chosen: Type.Optional(
        Type.String({ maxLength: 80, description: 'Id of the one that is chosen: it is told whatever the words are' }),
      ),
    },
    { additionalProperties: false },
  ),
  answer: Type.Object({ choices: list(ChoiceSchema) }),
  example: { of: 'pattern', kinds: ['crank'], words: 'forged', most: 10 },
});

/** What faces of a kind are called in the catalogue. */
export const faces = question({
  path: '/catalogue/faces',
  summary: 'What the faces of a kind of part are called in the catalogue, so that the same face is written the same',
  subject: 'catalogue',
  request: Type.Object({ kind: KindSchema }, { additionalProperties: false }),
  answer: Type.Object({ faces: list(Type.Object({ id: Type.String(), known: list(Type.String()) })) }),
  example: { kind: 'block' },
});

/** What became of the catalogue since a state of it, record by record. */
export const CatalogueChangesSchema = Type.Object({
  tag: Type.String({ description: 'The state reached' }),
  whole: Type.Optional(
    Type.Boolean({ description: 'Too much was changed to tell it record by record: fetch the catalogue whole' }),
  ),
  changed: Type.Optional(
    list(
      Type.Object({
        type: RecordTypeSchema,
        id: Type.String(),
        record: Type.Optional(
          Type.Unsafe<CatalogueRecord>({
            type: 'object',
            description: 'As it stands now; absent where it was removed',
          }),
        ),
      }),
    ),
  ),
});
export type CatalogueChanges = Static<typeof CatalogueChangesSchema>;
