import { Type, type Static } from '@sinclair/typebox';
import { RECORD_SCHEMAS, type RecordOf, type RecordType } from '../catalogue/catalogue.js';
import { PRACTICE_LEVELS } from '../practice/index.js';
import { BuildSchema } from '../build/build.js';
import { CURRENCY, JobSchema } from '../job/job.js';
import { PriceLineSchema } from '../order/priceList.js';
import { SupplierSchema } from '../order/supplier.js';
import { TABLE_IDS, type TableId } from '../formats/columns.js';
import { oneOf } from '../quantity/oneOf.js';
import { OnOfferSchema, SpecimenSchema, UnderstoodSchema } from '../readings/reading.js';
import { ShopSchema } from '../shop/shop.js';
import { RecordTypeSchema } from './catalogue.js';
import { DOCUMENT_SORTS } from './documentSort.js';
import { KindSchema, list } from './schema.js';

/** The version last seen: a change names it, so that nobody writes over what he has not seen. 0 for a new document. */
const VersionSchema = Type.Integer({
  minimum: 0,
  maximum: 2_147_483_646,
  description: 'The version last seen; 0 for a new one',
});
export const UuidSchema = Type.String({ format: 'uuid', examples: ['7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11'] });
export const DocumentParamsSchema = Type.Object({ id: UuidSchema });

/** What the server adds to a document it keeps. */
const Versioned = { version: VersionSchema, updatedAt: Type.String({ description: 'When it was last changed' }) };

export const StoredSpecimenSchema = Type.Object({ ...SpecimenSchema.properties, ...Versioned });
export type StoredSpecimen = Static<typeof StoredSpecimenSchema>;
export const StoredJobSchema = Type.Object({ ...JobSchema.properties, ...Versioned });
export type StoredJob = Static<typeof StoredJobSchema>;
export const StoredBuildSchema = Type.Object({ ...BuildSchema.properties, ...Versioned });
export type StoredBuild = Static<typeof StoredBuildSchema>;
export const StoredShopSchema = Type.Object(
  { ...ShopSchema.properties, version: VersionSchema },
  { additionalProperties: false },
);
export type StoredShop = Static<typeof StoredShopSchema>;

/** What is sent to change a document: all of it, and the version it was begun from. */
export const SpecimenBodySchema = Type.Object(
  { ...Type.Omit(SpecimenSchema, ['id']).properties, version: VersionSchema },
  { additionalProperties: false },
);
export const JobBodySchema = Type.Object(
  { ...Type.Omit(JobSchema, ['id']).properties, version: VersionSchema },
  { additionalProperties: false },
);

export const BuildBodySchema = Type.Object(
  { ...Type.Omit(BuildSchema, ['id']).properties, version: VersionSchema },
  { additionalProperties: false },
);

/** A specimen in a list. */
export const SpecimenSummarySchema = Type.Object({
  id: Type.String(),
  name: Type.String(),
  kind: KindSchema,
  readings: Type.Integer(),
  version: VersionSchema,
  updatedAt: Type.String(),
  job: Type.Optional(Type.String({ description: 'The job whose engine it belongs to' })),
  confirmed: Type.Optional(Type.Literal(true, { description: 'It is known what it is' })),
  shelf: Type.Optional(OnOfferSchema),
});
export type SpecimenSummary = Static<typeof SpecimenSummarySchema>;

/** What became of a reading. */
export const ReadingChangeSchema = Type.Object({
  reading: UuidSchema,
  at: Type.String(),
  who: Type.String(),
  operation: oneOf(['added', 'changed', 'removed'] as const),
  before: Type.Optional(UnderstoodSchema),
  after: Type.Optional(UnderstoodSchema),
});
export type ReadingChange = Static<typeof ReadingChangeSchema>;

/** What became of a document: who did what to it, version by version. */
export const DocumentChangeSchema = Type.Object({
  version: VersionSchema,
  at: Type.String(),
  who: Type.String(),
  operation: oneOf(['added', 'changed', 'removed', 'restored'] as const),
});
export type DocumentChange = Static<typeof DocumentChangeSchema>;

export const PhotographSchema = Type.Object({
  id: Type.String(),
  reading: Type.Optional(Type.String({ description: 'The reading it shows' })),
  name: Type.String({ examples: ['web.jpg'] }),
  width: Type.Integer(),
  height: Type.Integer(),
  at: Type.String(),
  who: Type.String(),
});
export type Photograph = Static<typeof PhotographSchema>;

/** A round of practice as it ended. */
export const RoundRecordSchema = Type.Object(
  {
    id: Type.String({
      format: 'uuid',
      description: 'Chosen by the sender, so that a round of practice sent twice counts once',
    }),
    level: Type.Unsafe<string>({
      type: 'string',
      enum: PRACTICE_LEVELS.map(({ id }) => id),
      description: 'How hard it was',
    }),
    kind: KindSchema,
    pattern: Type.Optional(
      Type.String({ maxLength: 80, description: 'What it was; absent for a part in no catalogue' }),
    ),
    named: Type.Optional(
      Type.String({ maxLength: 80, description: 'What it was named; absent for "in no catalogue"' }),
    ),
    minutes: Type.Number({ minimum: 0, maximum: 1e5 }),
    engineMinutes: Type.Number({ minimum: 0, maximum: 1e5, description: 'What the next check would have taken' }),
    wasted: Type.Integer({ minimum: 0, maximum: 1000, description: 'Readings that could not have told anything' }),
    score: Type.Integer({ minimum: 0, maximum: 100 }),
  },
  { additionalProperties: false },
);
export type RoundRecord = Static<typeof RoundRecordSchema>;
export const RecordedRoundSchema = Type.Object({
  ...RoundRecordSchema.properties,
  at: Type.String(),
  who: Type.String(),
  right: Type.Boolean(),
});
export type RecordedRound = Static<typeof RecordedRoundSchema>;

/** A record of the catalogue with the version it has on the server. */
export interface StoredRecord<T extends RecordType = RecordType> {
  readonly record: RecordOf[T];
  readonly version: number;
}
/** A record of this type as it is stored: with its version. */
export const storedRecordSchema = <T extends RecordType>(type: T) =>
  Type.Object({ record: Type.Unsafe<RecordOf[T]>(RECORD_SCHEMAS[type]), version: Type.Integer({ minimum: 0 }) });

/** A change of a record of the catalogue. */
export const ChangeSchema = Type.Object({
  id: Type.String(),
  batch: Type.String({ description: 'Changes made together have the same' }),
  at: Type.String({ format: 'date-time' }),
  who: Type.String(),
  operation: oneOf(['added', 'changed', 'removed'] as const),
  type: RecordTypeSchema,
  record: Type.String({ description: 'Id of the record' }),
  before: Type.Unknown({ description: 'The record as it was; null where it was added' }),
});
export type Change = Static<typeof ChangeSchema>;

const OUTCOMES = ['added', 'changed', 'same', 'refused'] as const;
export const ImportOutcomeSchema = oneOf(OUTCOMES);
export type ImportOutcome = (typeof OUTCOMES)[number];

const HeaderSchema = Type.Object({
  header: Type.String(),
  as: Type.Optional(Type.String({ description: 'Heading of the project’s own format it was taken for' })),
  label: Type.Optional(Type.String({ description: 'The same in words' })),
  how: oneOf(['exactly', 'byName', 'chosen', 'leftOut', 'notAtAll'] as const),
  problem: Type.Optional(Type.String()),
});
const TableSchema = Type.Object({
  source: Type.String({ description: 'Name of the file or sheet' }),
  table: Type.Optional(oneOf<TableId>(TABLE_IDS, 'What its rows are')),
  headers: list(HeaderSchema),
  rows: Type.Integer(),
  problem: Type.Optional(Type.String()),
});
export type ImportTable = Static<typeof TableSchema>;

/** By the name of a table: what its rows are, and for a header what its column is. */
export const ImportChoicesSchema = Type.Record(
  Type.String({ maxLength: 200 }),
  Type.Object(
    {
      table: Type.Optional(oneOf<TableId>(TABLE_IDS, 'What the rows of this file or sheet are')),
      columns: Type.Optional(Type.Record(Type.String({ maxLength: 200 }), Type.String({ maxLength: 200 }))),
    },
    { additionalProperties: false },
  ),
);
export type ImportChoices = Static<typeof ImportChoicesSchema>;

/** A file on its way into the catalogue. */
export const ImportSchema = Type.Object({
  id: Type.String(),
  fileName: Type.String(),
  bytes: Type.Number(),
  who: Type.String(),
  state: oneOf(['waiting', 'reading', 'read', 'applying', 'applied', 'cancelled', 'failed', 'interrupted'] as const),
  progress: Type.Number(),
  problem: Type.Optional(Type.String()),
  tables: list(TableSchema),
  choices: ImportChoicesSchema,
  counts: list(Type.Object({ type: RecordTypeSchema, outcome: ImportOutcomeSchema, count: Type.Integer() })),
  batch: Type.Optional(Type.String()),
  createdAt: Type.String(),
});
export type Import = Static<typeof ImportSchema>;

export const ImportRowSchema = Type.Object({
  position: Type.Integer(),
  place: Type.String(),
  type: RecordTypeSchema,
  id: Type.String(),
  outcome: oneOf([...OUTCOMES, 'read'] as const, '“read” while it is not compared with the catalogue yet'),
  problems: list(Type.Object({ where: Type.String(), what: Type.String(), remark: Type.Optional(Type.Boolean()) })),
});
export type ImportRow = Static<typeof ImportRowSchema>;

/** A part of the shelf put aside for a job. */
export const ReservationSchema = Type.Object({
  specimen: UuidSchema,
  job: UuidSchema,
  who: Type.String(),
  at: Type.String({ format: 'date-time' }),
  released: Type.Optional(
    Type.Object(
      { at: Type.String({ format: 'date-time' }), by: Type.String() },
      { description: 'When it was given back to the shelf; absent while it is held' },
    ),
  ),
});
export type Reservation = Static<typeof ReservationSchema>;

/** A supplier, and how his list stands. */
export const StoredSupplierSchema = Type.Object({
  ...SupplierSchema.properties,
  lines: Type.Integer({ description: 'How many lines of his list are used' }),
  asOf: Type.Optional(Type.String({ description: 'When the list that is used came' })),
  askedAt: Type.Optional(Type.String({ description: 'When he was last asked' })),
  problem: Type.Optional(Type.String({ description: 'Why there is no newer list' })),
  leftOut: list(Type.Object({ line: Type.Integer(), what: Type.String() }), {
    description: 'Lines that are not used, the first of them',
  }),
});
export type StoredSupplier = Static<typeof StoredSupplierSchema>;

/** What a supplier says of one number when he is asked for it. */
export const StockToldSchema = Type.Object({
  number: Type.String(),
  stock: Type.Integer({ minimum: 0 }),
  days: Type.Optional(Type.Integer({ minimum: 0 })),
});
export type StockTold = Static<typeof StockToldSchema>;

export const OfferSchema = Type.Object({
  ...PriceLineSchema.properties,
  supplier: Type.String({ description: 'Id of the supplier' }),
  currency: CURRENCY,
  asOf: Type.Optional(Type.String()),
});

/** Every error leaves the server in this shape: what was wrong, and where. */
export const ErrorBodySchema = Type.Object({
  error: Type.String(),
  problems: Type.Optional(list(Type.Object({ where: Type.String(), what: Type.String() }))),
  current: Type.Optional(Type.Unknown({ description: 'What stands now, where somebody else was faster' })),
});
export type ErrorBody = Static<typeof ErrorBodySchema>;

/** What the server says of itself as it happens: that the catalogue or a document has another state. */
export const ServerEventSchema = Type.Union([
  Type.Object({ of: Type.Literal('catalogue'), tag: Type.String() }),
  Type.Object({ of: Type.Literal('order') }, { description: 'A reservation or a supplier’s list' }),
  Type.Object({
    of: oneOf(DOCUMENT_SORTS),
    id: Type.String(),
    version: VersionSchema,
    gone: Type.Optional(Type.Boolean()),
  }),
]);
export type ServerEvent = Static<typeof ServerEventSchema>;
