import { Type } from '@sinclair/typebox';
import { SupplierSchema } from '../../order/supplier.js';
import {
  DocumentParamsSchema,
  OfferSchema,
  ReservationSchema,
  StockToldSchema,
  StoredSupplierSchema,
  UuidSchema,
} from '../documents.js';
import { HELD_EXAMPLE, SUPPLIER_EXAMPLE } from './examples.js';
import { NOTHING, route, withExample } from './route.js';

const tag = 'order';
const part = { tag, params: DocumentParamsSchema } as const;

/** Parts of the shelf put aside for jobs. */
export const reservations = {
  list: route({
    method: 'GET',
    path: '/reservations',
    summary: 'Parts of the shelf that are put aside for jobs',
    tag,
    answer: withExample(Type.Array(ReservationSchema), [HELD_EXAMPLE]),
  }),
  hold: route({
    ...part,
    method: 'PUT',
    path: '/reservations/:id',
    summary: 'Put a part aside for a job; 409 where another job has it',
    author: true,
    body: Type.Object({ job: UuidSchema }, { additionalProperties: false, examples: [{ job: HELD_EXAMPLE.job }] }),
    answer: ReservationSchema,
    errors: [404, 409],
  }),
  release: route({
    ...part,
    ...NOTHING,
    method: 'DELETE',
    path: '/reservations/:id',
    summary: 'Give a part back to the shelf',
    author: true,
    errors: [404],
  }),
};

const NumberSchema = Type.String({ minLength: 1, maxLength: 60 });
const one = {
  tag,
  params: Type.Object({ id: withExample(SupplierSchema.properties.id, 'ridge-road') }),
  errors: [404],
} as const;
const { name, currency, address } = SupplierSchema.properties;

/** Who sells parts, and what their lists have. */
export const suppliers = {
  list: route({
    method: 'GET',
    path: '/suppliers',
    summary: 'Suppliers, and how their lists stand',
    tag,
    answer: withExample(Type.Array(StoredSupplierSchema), [
      { ...SUPPLIER_EXAMPLE, id: 'ridge-road', lines: 120, asOf: '2026-03-02T08:10:04.000Z', leftOut: [] },
    ]),
  }),
  write: route({
    ...one,
    method: 'PUT',
    path: '/suppliers/:id',
    summary: 'Write a supplier',
    author: true,
    body: Type.Object({ name, currency, address }, { additionalProperties: false, examples: [SUPPLIER_EXAMPLE] }),
    answer: StoredSupplierSchema,
  }),
  remove: route({
    ...one,
    ...NOTHING,
    method: 'DELETE',
    path: '/suppliers/:id',
    summary: 'Delete a supplier with his list',
    author: true,
  }),
  refresh: route({
    ...one,
    method: 'POST',
    path: '/suppliers/:id/fetch',
    summary: 'Fetch a supplier’s list anew; where he gives none, `problem` says why and the list before stands',
    author: true,
    answer: StoredSupplierSchema,
  }),
  ask: route({
    ...one,
    method: 'POST',
    path: '/suppliers/:id/ask',
    summary: 'Ask a supplier what he has of one number now, whatever his list says',
    body: Type.Object({ number: NumberSchema }, { additionalProperties: false, examples: [{ number: 'TW-7202' }] }),
    answer: StockToldSchema,
  }),
  offers: route({
    method: 'POST',
    path: '/suppliers/offers',
    summary: 'What suppliers ask for numbers, however they are spaced or dashed',
    tag,
    body: Type.Object(
      { numbers: Type.Array(NumberSchema, { maxItems: 2000 }) },
      { additionalProperties: false, examples: [{ numbers: ['TW-7202'] }] },
    ),
    answer: withExample(Type.Array(OfferSchema), [
      { number: 'TW-7202', price: 39.5, stock: 8, days: 2, supplier: 'ridge-road', currency: 'EUR' },
    ]),
  }),
  takeList: route({
    ...one,
    method: 'PUT',
    path: '/suppliers/:id/list',
    summary: 'Take a supplier’s list as a file: JSON of the open format, or CSV with headings',
    author: true,
    body: Type.Unsafe<string>({ type: 'string', examples: ['number,price\nTW-7202,39.50'] }),
    answer: StoredSupplierSchema,
    errors: [404, 413],
  }),
};
