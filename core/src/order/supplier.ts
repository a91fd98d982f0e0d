import { Type, type Static } from '@sinclair/typebox';
import { CURRENCY } from '../job/job.js';

/** A supplier: whose list it is, and where it is fetched. */
export const SupplierSchema = Type.Object(
  {
    id: Type.String({ pattern: '^[a-z0-9][a-z0-9-]{0,79}$' }),
    name: Type.String({ minLength: 1, maxLength: 120 }),
    currency: CURRENCY,
    address: Type.Optional(
      Type.String({
        minLength: 1,
        maxLength: 400,
        description: 'Where his list is fetched; absent where it comes as a file',
      }),
    ),
  },
  { additionalProperties: false },
);
export type Supplier = Static<typeof SupplierSchema>;

/** Suppliers on file: the open format in which they are kept and passed on, version 1. Their lists come from them. */
export const SupplierFileSchema = Type.Object(
  {
    format: Type.Literal('which-bore-suppliers'),
    version: Type.Literal(1),
    suppliers: Type.Array(SupplierSchema, { maxItems: 1000 }),
  },
  { additionalProperties: false, title: 'Which Bore suppliers' },
);
export type SupplierFile = Static<typeof SupplierFileSchema>;
