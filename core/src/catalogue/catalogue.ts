import { Type, type Static } from '@sinclair/typebox';
import { FamilySchema, KnownSwapSchema, MakerSchema, PatternSchema, VariantSchema } from './pattern.js';
import { SchemeSchema } from './scheme.js';

/** The types of records of which a catalogue is made, in the order in which they may refer to each other. */
export const RECORD_TYPES = ['maker', 'family', 'pattern', 'variant', 'scheme', 'swap'] as const;
export type RecordType = (typeof RECORD_TYPES)[number];
export const RECORD_SCHEMAS = {
  maker: MakerSchema,
  family: FamilySchema,
  pattern: PatternSchema,
  variant: VariantSchema,
  scheme: SchemeSchema,
  swap: KnownSwapSchema,
} as const satisfies Readonly<Record<RecordType, object>>;
export interface RecordOf {
  readonly maker: Static<typeof MakerSchema>;
  readonly family: Static<typeof FamilySchema>;
  readonly pattern: Static<typeof PatternSchema>;
  readonly variant: Static<typeof VariantSchema>;
  readonly scheme: Static<typeof SchemeSchema>;
  readonly swap: Static<typeof KnownSwapSchema>;
}
export type CatalogueRecord = RecordOf[RecordType];

/** The list of a catalogue file in which records of a type stand. */
export const LIST_OF = {
  maker: 'makers',
  family: 'families',
  pattern: 'patterns',
  variant: 'variants',
  scheme: 'schemes',
  swap: 'swaps',
} as const satisfies Record<RecordType, string>;
export const RECORD_NAMES: Readonly<Record<RecordType, string>> = {
  maker: 'maker',
  family: 'family',
  pattern: 'pattern',
  variant: 'variant',
  scheme: 'mark scheme',
  swap: 'known swap',
};

export const CATALOGUE_FORMAT = 'which-bore-catalogue';
export const CATALOGUE_VERSION = 2;

/** The open catalogue format, version 2. */
export const CatalogueSchema = Type.Object(
  {
    format: Type.Literal(CATALOGUE_FORMAT),
    version: Type.Literal(CATALOGUE_VERSION),
    makers: Type.Array(MakerSchema, { maxItems: 10_000 }),
    families: Type.Array(FamilySchema, { maxItems: 10_000 }),
    patterns: Type.Array(PatternSchema, { maxItems: 500_000 }),
    variants: Type.Array(VariantSchema, { maxItems: 100_000 }),
    schemes: Type.Array(SchemeSchema, { maxItems: 10_000 }),
    swaps: Type.Array(KnownSwapSchema, { maxItems: 100_000 }),
  },
  {
    additionalProperties: false,
    title: 'Which Bore catalogue',
    description:
      'Makers, families and variants of engines, the patterns of their parts, the schemes of their marks, and known swaps.',
  },
);
export type Catalogue = Static<typeof CatalogueSchema>;

export const EMPTY_CATALOGUE: Catalogue = {
  format: CATALOGUE_FORMAT,
  version: CATALOGUE_VERSION,
  makers: [],
  families: [],
  patterns: [],
  variants: [],
  schemes: [],
  swaps: [],
};
