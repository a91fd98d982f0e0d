import type { KindId, Pattern, Understood } from '@which-bore/core';
import { EntitySchema } from 'typeorm';

export interface FamilyRow {
  id: string;
  maker: string;
  name: string;
  note: string | null;
}

export interface PatternRow {
  id: string;
  kind: KindId;
  familyId: string;
  name: string;
  /** The whole pattern in the open format. */
  document: Pattern;
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

export const FamilyEntity = new EntitySchema<FamilyRow>({
  name: 'family',
  columns: { id: { type: 'text', primary: true }, maker: { type: 'text' }, name: { type: 'text' }, note: { type: 'text', nullable: true } },
});

export const PatternEntity = new EntitySchema<PatternRow>({
  name: 'pattern',
  columns: {
    id: { type: 'text', primary: true },
    kind: { type: 'text' },
    familyId: { type: 'text', name: 'family_id' },
    name: { type: 'text' },
    document: { type: 'jsonb' },
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

export const ENTITIES = [FamilyEntity, PatternEntity, CatalogueStateEntity, SpecimenEntity, ReadingEntity];
