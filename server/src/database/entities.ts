import type {
  Build,
  CatalogueRecord,
  Confirmed,
  DocumentSort,
  Job,
  KindId,
  OnOffer,
  Reach,
  Reading,
  RecordOf,
  RecordType,
  Shop,
  Understood,
} from '@which-bore/core';
import { EntitySchema } from 'typeorm';
import { PriceLineEntity, ReservationEntity, SupplierEntity } from './orderEntities.js';
import type { Count } from '../transfer/importTask.js';
import type { Choices, TakenTable } from '../transfer/source.js';
import type { RowProblem } from '../transfer/understand.js';

/** A record of the catalogue, whatever its type; the other columns PostgreSQL takes from the document. */
export interface RecordRow<T extends RecordType = RecordType> {
  id: string;
  /** The whole record in the open format. */
  document: RecordOf[T];
  version: number;
}

/** One change of one record. */
export interface ChangeRow {
  id: string;
  /** Changes made together have the same. */
  batch: string;
  at: Date;
  who: string;
  operation: 'added' | 'changed' | 'removed';
  recordType: RecordType;
  recordId: string;
  /** The record as it was; null where it was added. */
  before: CatalogueRecord | null;
}

/** One row: which state of the catalogue stands in the tables. */
interface CatalogueStateRow {
  id: number;
  revision: number;
  /** Tells two catalogues apart that have come to the same revision by other ways. */
  lineage: string;
}

export interface SpecimenRow {
  id: string;
  kind: KindId;
  name: string;
  version: number;
  createdAt: Date;
  updatedAt: Date;
  deletedAt: Date | null;
  jobId: string | null;
  state: Reach | null;
  skipped: string[];
  completeWith: KindId[] | null;
  confirmed: Confirmed | null;
  shelf: OnOffer | null;
  readings?: ReadingRow[];
}

/** One engine on order. Its readings are few and always read whole. */
export interface BuildRow {
  id: string;
  name: string;
  jobId: string | null;
  variant: string | null;
  content: Omit<Build, 'id' | 'name' | 'job' | 'variant'>;
  version: number;
  createdAt: Date;
  updatedAt: Date;
  deletedAt: Date | null;
}

export const BuildEntity = new EntitySchema<BuildRow>({
  name: 'build',
  columns: {
    id: { type: 'uuid', primary: true },
    name: { type: 'text' },
    jobId: { type: 'uuid', name: 'job_id', nullable: true },
    variant: { type: 'text', nullable: true },
    content: { type: 'jsonb' },
    version: { type: 'int' },
    createdAt: { type: 'timestamptz', name: 'created_at' },
    updatedAt: { type: 'timestamptz', name: 'updated_at' },
    deletedAt: { type: 'timestamptz', name: 'deleted_at', nullable: true },
  },
});

export interface JobRow {
  id: string;
  name: string;
  readings: Reading[];
  note: string | null;
  content: Omit<Job, 'id' | 'name' | 'readings' | 'note'>;
  version: number;
  createdAt: Date;
  updatedAt: Date;
  deletedAt: Date | null;
}

/** What became of a reading: as it was, and as it is since. */
export interface ReadingChangeRow {
  id: string;
  specimenId: string;
  readingId: string;
  at: Date;
  who: string;
  operation: 'added' | 'changed' | 'removed';
  before: Understood | null;
  after: Understood | null;
}

/** A photograph of a mark or of the part, without what the camera added to it. */
export interface PhotographRow {
  id: string;
  specimenId: string;
  readingId: string | null;
  name: string;
  width: number;
  height: number;
  image: Buffer;
  thumbnail: Buffer;
  at: Date;
  who: string;
  deletedAt: Date | null;
}

/** One row: what the shop says of itself. */
export interface ShopRow {
  id: string;
  document: Shop;
  version: number;
  createdAt: Date;
  updatedAt: Date;
  deletedAt: Date | null;
}

/** Who did what to a document. */
export interface DocumentChangeRow {
  id: string;
  sort: DocumentSort | 'photograph';
  documentId: string;
  version: number;
  at: Date;
  who: string;
  operation: 'added' | 'changed' | 'removed' | 'restored';
}

/** One round that was gone through. */
interface PracticeRow {
  id: string;
  at: Date;
  who: string;
  level: string;
  kind: string;
  pattern: string | null;
  named: string | null;
  correct: boolean;
  minutes: number;
  engineMinutes: number;
  wasted: number;
  score: number;
}

export interface ReadingRow {
  specimenId: string;
  id: string;
  position: number;
  at: Date;
  content: Understood;
  specimen?: SpecimenRow;
}

export const IMPORT_STATES = [
  'waiting',
  'reading',
  'read',
  'applying',
  'applied',
  'cancelled',
  'failed',
  'interrupted',
] as const;
export type ImportState = (typeof IMPORT_STATES)[number];

/** A file on its way into the catalogue. */
export interface ImportRow {
  id: string;
  fileName: string;
  bytes: string;
  who: string;
  state: ImportState;
  /** From 0 to 1. */
  progress: number;
  problem: string | null;
  tables: TakenTable[];
  choices: Choices;
  counts: Count[];
  /** State of the catalogue it was compared with. */
  revision: number | null;
  /** The changes it made have this batch. */
  batch: string | null;
  createdAt: Date;
}

export const OUTCOMES = ['added', 'changed', 'same', 'refused'] as const;

/** What is to become of one record of an import. */
export interface ImportRowRow {
  importId: string;
  position: number;
  place: string;
  type: RecordType;
  id: string;
  document: CatalogueRecord | null;
  outcome: (typeof OUTCOMES)[number] | 'read';
  problems: RowProblem[];
}

const recordEntity = (name: RecordType) =>
  new EntitySchema<RecordRow>({
    name,
    columns: { id: { type: 'text', primary: true }, document: { type: 'jsonb' }, version: { type: 'int', default: 1 } },
  });

/** The table of each type of record; its name is the type's. */
export const RECORD_ENTITIES: Readonly<Record<RecordType, EntitySchema<RecordRow>>> = {
  maker: recordEntity('maker'),
  family: recordEntity('family'),
  pattern: recordEntity('pattern'),
  variant: recordEntity('variant'),
  scheme: recordEntity('scheme'),
  swap: recordEntity('swap'),
};

export const ChangeEntity = new EntitySchema<ChangeRow>({
  name: 'change',
  columns: {
    id: { type: 'bigint', primary: true, generated: true },
    batch: { type: 'uuid' },
    at: { type: 'timestamptz' },
    who: { type: 'text' },
    operation: { type: 'text' },
    recordType: { type: 'text', name: 'record_type' },
    recordId: { type: 'text', name: 'record_id' },
    before: { type: 'jsonb', nullable: true },
  },
});

export const CatalogueStateEntity = new EntitySchema<CatalogueStateRow>({
  name: 'catalogue_state',
  columns: { id: { type: 'int', primary: true }, revision: { type: 'int' }, lineage: { type: 'text' } },
});

export const SpecimenEntity = new EntitySchema<SpecimenRow>({
  name: 'specimen',
  columns: {
    id: { type: 'uuid', primary: true },
    kind: { type: 'text' },
    name: { type: 'text' },
    version: { type: 'int' },
    createdAt: { type: 'timestamptz', name: 'created_at' },
    updatedAt: { type: 'timestamptz', name: 'updated_at' },
    deletedAt: { type: 'timestamptz', name: 'deleted_at', nullable: true },
    jobId: { type: 'uuid', name: 'job_id', nullable: true },
    state: { type: 'text', nullable: true },
    skipped: { type: 'jsonb', default: [] },
    completeWith: { type: 'jsonb', name: 'complete_with', nullable: true },
    confirmed: { type: 'jsonb', nullable: true },
    shelf: { type: 'jsonb', nullable: true },
  },
  relations: { readings: { type: 'one-to-many', target: 'reading', inverseSide: 'specimen' } },
});

export const ReadingEntity = new EntitySchema<ReadingRow>({
  name: 'reading',
  columns: {
    specimenId: { type: 'uuid', name: 'specimen_id', primary: true },
    id: { type: 'uuid', primary: true },
    position: { type: 'int' },
    at: { type: 'timestamptz' },
    content: { type: 'jsonb' },
  },
  relations: {
    specimen: { type: 'many-to-one', target: 'specimen', inverseSide: 'readings', joinColumn: { name: 'specimen_id' } },
  },
});

export const ImportEntity = new EntitySchema<ImportRow>({
  name: 'import',
  columns: {
    id: { type: 'uuid', primary: true },
    fileName: { type: 'text', name: 'file_name' },
    bytes: { type: 'bigint' },
    who: { type: 'text' },
    state: { type: 'text' },
    progress: { type: 'real', default: 0 },
    problem: { type: 'text', nullable: true },
    tables: { type: 'jsonb', default: [] },
    choices: { type: 'jsonb', default: {} },
    counts: { type: 'jsonb', default: [] },
    revision: { type: 'int', nullable: true },
    batch: { type: 'uuid', nullable: true },
    createdAt: { type: 'timestamptz', name: 'created_at', createDate: true },
  },
});

export const ImportRowEntity = new EntitySchema<ImportRowRow>({
  name: 'import_row',
  columns: {
    importId: { type: 'uuid', name: 'import_id', primary: true },
    position: { type: 'int', primary: true },
    place: { type: 'text' },
    type: { type: 'text' },
    id: { type: 'text' },
    document: { type: 'jsonb', nullable: true },
    outcome: { type: 'text' },
    problems: { type: 'jsonb' },
  },
});

export const JobEntity = new EntitySchema<JobRow>({
  name: 'job',
  columns: {
    id: { type: 'uuid', primary: true },
    name: { type: 'text' },
    readings: { type: 'jsonb', default: [] },
    note: { type: 'text', nullable: true },
    content: { type: 'jsonb', default: {} },
    version: { type: 'int' },
    createdAt: { type: 'timestamptz', name: 'created_at' },
    updatedAt: { type: 'timestamptz', name: 'updated_at' },
    deletedAt: { type: 'timestamptz', name: 'deleted_at', nullable: true },
  },
});

export const ReadingChangeEntity = new EntitySchema<ReadingChangeRow>({
  name: 'reading_change',
  columns: {
    id: { type: 'bigint', primary: true, generated: true },
    specimenId: { type: 'uuid', name: 'specimen_id' },
    readingId: { type: 'uuid', name: 'reading_id' },
    at: { type: 'timestamptz' },
    who: { type: 'text' },
    operation: { type: 'text' },
    before: { type: 'jsonb', nullable: true },
    after: { type: 'jsonb', nullable: true },
  },
});

export const PhotographEntity = new EntitySchema<PhotographRow>({
  name: 'photograph',
  columns: {
    id: { type: 'uuid', primary: true },
    specimenId: { type: 'uuid', name: 'specimen_id' },
    readingId: { type: 'uuid', name: 'reading_id', nullable: true },
    name: { type: 'text' },
    width: { type: 'int' },
    height: { type: 'int' },
    // Only fetched when the picture itself is asked for.
    image: { type: 'bytea', select: false },
    thumbnail: { type: 'bytea', select: false },
    at: { type: 'timestamptz' },
    who: { type: 'text' },
    deletedAt: { type: 'timestamptz', name: 'deleted_at', nullable: true },
  },
});

export const ShopEntity = new EntitySchema<ShopRow>({
  name: 'shop',
  columns: {
    id: { type: 'uuid', primary: true },
    document: { type: 'jsonb' },
    version: { type: 'int' },
    createdAt: { type: 'timestamptz', name: 'created_at' },
    updatedAt: { type: 'timestamptz', name: 'updated_at' },
    deletedAt: { type: 'timestamptz', name: 'deleted_at', nullable: true },
  },
});

export const DocumentChangeEntity = new EntitySchema<DocumentChangeRow>({
  name: 'document_change',
  columns: {
    id: { type: 'bigint', primary: true, generated: true },
    sort: { type: 'text' },
    documentId: { type: 'uuid', name: 'document_id' },
    version: { type: 'int' },
    at: { type: 'timestamptz' },
    who: { type: 'text' },
    operation: { type: 'text' },
  },
});

export const PracticeEntity = new EntitySchema<PracticeRow>({
  name: 'practice',
  columns: {
    id: { type: 'uuid', primary: true },
    at: { type: 'timestamptz' },
    who: { type: 'text' },
    level: { type: 'text' },
    kind: { type: 'text' },
    pattern: { type: 'text', nullable: true },
    named: { type: 'text', nullable: true },
    correct: { type: 'boolean' },
    minutes: { type: 'real' },
    engineMinutes: { type: 'real', name: 'engine_minutes' },
    wasted: { type: 'int' },
    score: { type: 'int' },
  },
});

export const ENTITIES = [
  ...Object.values(RECORD_ENTITIES),
  ChangeEntity,
  ImportEntity,
  ImportRowEntity,
  CatalogueStateEntity,
  SpecimenEntity,
  ReadingEntity,
  JobEntity,
  BuildEntity,
  ReadingChangeEntity,
  PhotographEntity,
  ShopEntity,
  DocumentChangeEntity,
  PracticeEntity,
  ReservationEntity,
  SupplierEntity,
  PriceLineEntity,
];
