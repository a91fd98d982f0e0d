import { Type, type Static } from '@sinclair/typebox';
import { oneOf } from '../quantity/oneOf.js';
import { DateText, DimensionSchema, line } from './figure.js';

/**
 * Who says so, strongest first: what was measured here beats what a page says. *Common practice, no source* for the
 * order; a shop may come to trust others more.
 */
export const CLAIM_KINDS = ['measuredHere', 'makersSheet', 'suppliersList', 'peer', 'inferred', 'hearsay'] as const;
export type ClaimKind = (typeof CLAIM_KINDS)[number];

export const CLAIM_KIND_NAMES: Readonly<Record<ClaimKind, string>> = {
  measuredHere: 'measured here',
  makersSheet: 'maker’s sheet',
  suppliersList: 'supplier’s list',
  peer: 'another shop',
  inferred: 'inferred',
  hearsay: 'hearsay',
};

/** Where a record's plain values come from. */
export const ClaimSourceSchema = Type.Object(
  {
    kind: oneOf(CLAIM_KINDS, 'Who says so'),
    who: Type.Optional(line('Name of the person, sheet or list')),
    on: Type.Optional(DateText('When it was said or measured')),
  },
  { additionalProperties: false },
);
export type ClaimSource = Static<typeof ClaimSourceSchema>;

/** One more voice about a value: a size, a look or a face, by its dictionary id. */
export const ClaimSchema = Type.Object(
  {
    about: Type.String({ maxLength: 80, description: 'Dictionary id of what is claimed' }),
    size: Type.Optional(DimensionSchema),
    option: Type.Optional(
      Type.String({ minLength: 1, maxLength: 80, description: 'Option of a look, count, or name of a face' }),
    ),
    kind: oneOf(CLAIM_KINDS, 'Who says so'),
    who: Type.Optional(line('Name of the person, sheet or list')),
    on: Type.Optional(DateText('When it was said or measured')),
    basis: Type.Optional(line('On what it stands: which part, which page')),
    note: Type.Optional(line('Remark')),
  },
  { additionalProperties: false },
);
export type Claim = Static<typeof ClaimSchema>;
