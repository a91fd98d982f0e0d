import { Type, type Static, type TProperties } from '@sinclair/typebox';
import { MAKINGS } from '../dictionary/definition.js';
import { oneOf } from '../quantity/oneOf.js';
import { KindIdSchema } from '../readings/reading.js';
import { ClaimSchema, ClaimSourceSchema } from './claim.js';
import { DateText, DimensionSchema, Id, line, Note, YearsSchema } from './figure.js';

export const MarkSchema = Type.Object(
  {
    text: Type.String({ minLength: 1, maxLength: 40, description: 'What stands there' }),
    making: oneOf(MAKINGS, 'How it is made'),
    place: Type.Optional(line('Id of a mark place of the dictionary')),
    note: Type.Optional(line('Exception or remark')),
  },
  { additionalProperties: false },
);
export type Mark = Static<typeof MarkSchema>;

/** A number under which the part is sold, and what became of it. */
export const PartNumberSchema = Type.Object(
  {
    number: Type.String({ minLength: 1, maxLength: 60, description: 'As printed' }),
    maker: Type.Optional(Id('Maker or supplier whose number it is')),
    replacedBy: Type.Optional(Type.String({ minLength: 1, maxLength: 60, description: 'Number that took its place' })),
    since: Type.Optional(DateText('When it was replaced')),
    note: Type.Optional(line('Remark')),
  },
  { additionalProperties: false },
);
export type PartNumber = Static<typeof PartNumberSchema>;

/** How two patterns belong together or apart, whatever their sizes say. */
export const COMPANION_RELATIONS = ['onlyWith', 'pairWith', 'neverWith'] as const;
type CompanionRelation = (typeof COMPANION_RELATIONS)[number];
export const COMPANION_SAYS: Readonly<Record<CompanionRelation, string>> = {
  onlyWith: 'only valid together with',
  pairWith: 'only as a pair with',
  neverWith: 'never in one engine with',
};
export const CompanionSchema = Type.Object(
  {
    relation: oneOf(COMPANION_RELATIONS, 'How they belong together'),
    pattern: Id('The other pattern'),
    note: Type.Optional(line('Why')),
  },
  { additionalProperties: false },
);
export type Companion = Static<typeof CompanionSchema>;

const VALUES = {
  dimensions: Type.Record(Type.String({ maxLength: 80 }), DimensionSchema, {
    description: 'By parameter id of the dictionary',
  }),
  features: Type.Record(Type.String({ maxLength: 80 }), Type.String({ maxLength: 40 }), {
    description: 'Option or count by look id of the dictionary',
  }),
  source: Type.Optional(ClaimSourceSchema),
  claims: Type.Optional(Type.Array(ClaimSchema, { maxItems: 200, description: 'Further voices about the values' })),
};

/** Puts the values between what comes before and after them: records are written in the order of their schema. */
const withValues = <B extends TProperties, A extends TProperties>(before: B, after: A): B & typeof VALUES & A => ({
  ...before,
  ...VALUES,
  ...after,
});

/** One design of one kind of part. */
export const PatternSchema = Type.Object(
  withValues(
    {
      id: Id('Stays the same for ever'),
      kind: KindIdSchema,
      family: Type.Optional(Id('Family it was first made for; absent for parts of common trade')),
      name: line('What it is called, without maker and family'),
      years: Type.Optional(YearsSchema),
    },
    {
      interfaces: Type.Record(Type.String({ maxLength: 80 }), line('Name of the pattern'), {
        description: 'By interface id of the dictionary',
      }),
      marks: Type.Array(MarkSchema, { maxItems: 40 }),
      numbers: Type.Array(PartNumberSchema, { maxItems: 40 }),
      companions: Type.Optional(Type.Array(CompanionSchema, { maxItems: 40 })),
      completeWith: Type.Optional(
        Type.Array(KindIdSchema, {
          maxItems: 20,
          description:
            'Kinds that come with it and are in its price; an empty list where nothing does, absent where nobody says',
        }),
      ),
      price: Type.Optional(
        Type.Number({
          minimum: 0,
          maximum: 1e7,
          description: 'What it is sold for, as last heard, in the shop’s money',
        }),
      ),
      pieces: Type.Optional(
        Type.Integer({
          minimum: 1,
          maximum: 1000,
          description: 'How many are sold together for that price; absent where one is, or one set',
        }),
      ),
      note: Note,
    },
  ),
  { additionalProperties: false },
);
export type Pattern = Static<typeof PatternSchema>;

export const MakerSchema = Type.Object(
  {
    id: Id('Stays the same for ever'),
    name: line('Maker'),
    aliases: Type.Optional(Type.Array(line('Other name'), { maxItems: 20 })),
    licensedFrom: Type.Optional(Id('Maker whose designs it built under licence')),
    note: Note,
  },
  { additionalProperties: false },
);
export type Maker = Static<typeof MakerSchema>;

export const FamilySchema = Type.Object(
  {
    id: Id('Stays the same for ever'),
    maker: Id('Its maker'),
    name: line('Family'),
    aliases: Type.Optional(Type.Array(line('Other name'), { maxItems: 20 })),
    note: Note,
  },
  { additionalProperties: false },
);
export type Family = Static<typeof FamilySchema>;

/** Serial numbers of a variant: all with a prefix, or a run of them. */
const SerialsSchema = Type.Object(
  {
    prefix: Type.Optional(
      Type.String({ minLength: 1, maxLength: 20, description: 'Letters or figures before the running number' }),
    ),
    from: Type.Optional(Type.String({ pattern: '^\\d{1,12}$', description: 'First running number' })),
    to: Type.Optional(Type.String({ pattern: '^\\d{1,12}$', description: 'Last running number' })),
    note: Type.Optional(line('Remark')),
  },
  { additionalProperties: false, minProperties: 1 },
);

/** Which pattern a variant carried in which place, when, and how surely. */
export const FitmentSchema = Type.Object(
  {
    slot: Type.String({ minLength: 1, maxLength: 40, description: 'Place in the engine, a slot of the dictionary' }),
    pattern: Id('What was fitted there'),
    from: Type.Optional(DateText('First year or month; that of the variant where absent')),
    to: Type.Optional(DateText('Last year or month; that of the variant where absent')),
    serialFrom: Type.Optional(Type.String({ pattern: '^\\d{1,12}$', description: 'First running number' })),
    serialTo: Type.Optional(Type.String({ pattern: '^\\d{1,12}$', description: 'Last running number' })),
    share: Type.Optional(
      Type.Number({
        exclusiveMinimum: 0,
        maximum: 1,
        description: 'How many of those engines carry it; all where absent',
      }),
    ),
    note: Type.Optional(line('Exception, in words')),
  },
  { additionalProperties: false },
);
export type Fitment = Static<typeof FitmentSchema>;

/** One version of an engine of a family. */
export const VariantSchema = Type.Object(
  withValues(
    {
      id: Id('Stays the same for ever'),
      family: Id('Its family'),
      code: line('Designation'),
      name: Type.Optional(line('What else it is called')),
      years: Type.Optional(YearsSchema),
      serials: Type.Optional(Type.Array(SerialsSchema, { maxItems: 40 })),
      machines: Type.Optional(Type.Array(line('Machine it was fitted to'), { maxItems: 60 })),
      rating: Type.Optional(line('Rated power, as stated')),
      firingOrder: Type.Optional(line('Firing order')),
    },
    {
      fitments: Type.Array(FitmentSchema, { maxItems: 300 }),
      note: Note,
    },
  ),
  { additionalProperties: false },
);
export type Variant = Static<typeof VariantSchema>;

/** What patterns and variants have in common: values by dictionary id, and who says so. */
export type Described = Pick<Pattern, 'dimensions' | 'features' | 'source' | 'claims'> & {
  readonly interfaces?: Pattern['interfaces'];
};

export const SWAP_RESULTS = ['works', 'worksWithWork', 'failed'] as const;
export const SWAP_RESULT_SAYS: Readonly<Record<(typeof SWAP_RESULTS)[number], string>> = {
  works: 'went in as it was',
  worksWithWork: 'went in with work',
  failed: 'did not go',
};

/** A recorded fact: this went into that. It outranks what is worked out. */
export const KnownSwapSchema = Type.Object(
  {
    id: Id('Stays the same for ever'),
    donor: Id('Pattern that was put in'),
    recipient: Id('Pattern it was put into or onto'),
    result: oneOf(SWAP_RESULTS, 'What came of it'),
    work: Type.Optional(Type.Array(line('What had to be done'), { maxItems: 20 })),
    who: Type.Optional(line('Who did it')),
    on: Type.Optional(DateText('When')),
    note: Note,
  },
  { additionalProperties: false },
);
export type KnownSwap = Static<typeof KnownSwapSchema>;
