import type { CatalogueRecord, KindId, RecordOf, RecordType, Understood } from '@which-bore/core';
import { EntitySchema } from 'typeorm';
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
export interface CatalogueStateRow {
  id: number;
  revision: number;
}

export interface SpecimenRow {
  id: string;
  kind: KindId;
  name: string;
  version: number;
  createdAt: Date;
  updatedAt: Date;
  deletedAt: Date | null;
  readings?: ReadingRow[];
}

export interface ReadingRow {
  specimenId: string;
  id: string;
  position: number;
  at: Date;
  content: Understood;
  specimen?: SpecimenRow;
}

export const IMPORT_STATES = ['waiting', 'reading', 'read', 'applying', 'applied', 'cancelled', 'failed', 'interrupted'] as const;
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
  columns: { id: { type: 'int', primary: true }, revision: { type: 'int' } },
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
  relations: { specimen: { type: 'many-to-one', target: 'specimen', inverseSide: 'readings', joinColumn: { name: 'specimen_id' } } },
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

export const ENTITIES = [...Object.values(RECORD_ENTITIES), ChangeEntity, ImportEntity, ImportRowEntity, CatalogueStateEntity, SpecimenEntity, ReadingEntity];
