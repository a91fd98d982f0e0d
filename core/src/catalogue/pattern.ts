import { Type, type Static } from '@sinclair/typebox';
import { MAKINGS } from '../dictionary/definition.js';
import { KindIdSchema } from '../readings/reading.js';

const Decimal = (description: string) => Type.String({ pattern: '^[+-]?(\\d{1,6}(\\.\\d{1,8})?|\\.\\d{1,8})$', description });
const Id = (description: string) => Type.String({ pattern: '^[a-z0-9][a-z0-9-]{1,79}$', description });
const line = (description: string) => Type.String({ minLength: 1, maxLength: 200, description });

/** A size as its source gives it: figures keep their digits, so they are strings. */
export const DimensionSchema = Type.Object(
  {
    low: Decimal('Lower limit of the size as made'),
    high: Decimal('Upper limit of the size as made; equal to low where only one figure is known'),
    unit: Type.Union([Type.Literal('mm'), Type.Literal('in'), Type.Literal('g'), Type.Literal('cc'), Type.Literal('deg')], {
      description: 'Unit of the figures',
    }),
    service: Type.Optional(Type.Array(Decimal('Signed step of a service size, same unit'), { maxItems: 12 })),
    wearLimit: Type.Optional(Decimal('Size past which the part is worn out')),
    note: Type.Optional(line('Exception or remark')),
  },
  { additionalProperties: false },
);

export const MarkSchema = Type.Object(
  {
    text: Type.String({ minLength: 1, maxLength: 40, description: 'What stands there' }),
    making: Type.Unsafe<(typeof MAKINGS)[number]>({ type: 'string', enum: [...MAKINGS], description: 'How it is made' }),
    place: Type.Optional(line('Id of a mark place of the dictionary')),
    note: Type.Optional(line('Exception or remark')),
  },
  { additionalProperties: false },
);

/** One design of one kind of part. */
export const PatternSchema = Type.Object(
  {
    id: Id('Stays the same for ever'),
    kind: KindIdSchema,
    family: Id('Family it was first made for'),
    name: line('What it is called, without maker and family'),
    years: Type.Optional(
      Type.Object(
        { from: Type.Integer({ minimum: 1880, maximum: 2100 }), to: Type.Integer({ minimum: 1880, maximum: 2100 }) },
        { additionalProperties: false },
      ),
    ),
    dimensions: Type.Record(Type.String({ maxLength: 80 }), DimensionSchema, { description: 'By parameter id of the dictionary' }),
    features: Type.Record(Type.String({ maxLength: 80 }), Type.String({ maxLength: 40 }), { description: 'Option or count by look id of the dictionary' }),
    interfaces: Type.Record(Type.String({ maxLength: 80 }), line('Name of the pattern'), { description: 'By interface id of the dictionary' }),
    marks: Type.Array(MarkSchema, { maxItems: 40 }),
    numbers: Type.Array(line('Part number'), { maxItems: 40 }),
    note: Type.Optional(Type.String({ maxLength: 1000 })),
  },
  { additionalProperties: false },
);

export const FamilySchema = Type.Object(
  { id: Id('Stays the same for ever'), maker: line('Maker'), name: line('Family'), note: Type.Optional(Type.String({ maxLength: 1000 })) },
  { additionalProperties: false },
);

/** The open catalogue format, version 1. */
export const CatalogueSchema = Type.Object(
  {
    format: Type.Literal('which-bore-catalogue'),
    version: Type.Literal(1),
    families: Type.Array(FamilySchema, { maxItems: 10_000 }),
    patterns: Type.Array(PatternSchema, { maxItems: 500_000 }),
  },
  { additionalProperties: false, title: 'Which Bore catalogue', description: 'Families of engines and the patterns of their parts.' },
);

export type Dimension = Static<typeof DimensionSchema>;
export type Mark = Static<typeof MarkSchema>;
export type Pattern = Static<typeof PatternSchema>;
export type Family = Static<typeof FamilySchema>;
export type Catalogue = Static<typeof CatalogueSchema>;
