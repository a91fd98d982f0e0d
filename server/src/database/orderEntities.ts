import type { PriceLine, PriceProblem } from '@which-bore/core';
import { EntitySchema } from 'typeorm';

/** A part put aside for a job; released when it was given back. */
export interface ReservationRow {
  id: string;
  specimenId: string;
  jobId: string;
  who: string;
  at: Date;
  releasedAt: Date | null;
  releasedBy: string | null;
}

/** A supplier, and how his list stands. */
export interface SupplierRow {
  id: string;
  name: string;
  currency: string;
  address: string | null;
  etag: string | null;
  asOf: Date | null;
  askedAt: Date | null;
  problem: string | null;
  leftOut: PriceProblem[];
}

/** A line of a list, found by its number as numbers are compared. */
export interface PriceLineRow {
  supplierId: string;
  position: number;
  sought: string;
  content: PriceLine & { readonly currency: string };
}

export const ReservationEntity = new EntitySchema<ReservationRow>({
  name: 'reservation',
  columns: {
    id: { type: 'bigint', primary: true, generated: true },
    specimenId: { type: 'uuid', name: 'specimen_id' },
    jobId: { type: 'uuid', name: 'job_id' },
    who: { type: 'text' },
    at: { type: 'timestamptz' },
    releasedAt: { type: 'timestamptz', name: 'released_at', nullable: true },
    releasedBy: { type: 'text', name: 'released_by', nullable: true },
  },
});

export const SupplierEntity = new EntitySchema<SupplierRow>({
  name: 'supplier',
  columns: {
    id: { type: 'text', primary: true },
    name: { type: 'text' },
    currency: { type: 'text' },
    address: { type: 'text', nullable: true },
    etag: { type: 'text', nullable: true },
    asOf: { type: 'timestamptz', name: 'as_of', nullable: true },
    askedAt: { type: 'timestamptz', name: 'asked_at', nullable: true },
    problem: { type: 'text', nullable: true },
    leftOut: { type: 'jsonb', name: 'left_out', default: [] },
  },
});

export const PriceLineEntity = new EntitySchema<PriceLineRow>({
  name: 'price_line',
  columns: {
    supplierId: { type: 'text', name: 'supplier_id', primary: true },
    position: { type: 'int', primary: true },
    sought: { type: 'text' },
    content: { type: 'jsonb' },
  },
});
