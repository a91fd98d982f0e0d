import { Type, type Static } from '@sinclair/typebox';
import { oneOf } from '../quantity/oneOf.js';
import { UNIT_IDS, type UnitId } from '../quantity/unit.js';

const Decimal = (description: string) =>
  Type.String({ pattern: '^[+-]?(\\d{1,6}(\\.\\d{1,8})?|\\.\\d{1,8})$', description });
export const Id = (description: string) => Type.String({ pattern: '^[a-z0-9][a-z0-9-]{1,79}$', description });
export const line = (description: string) => Type.String({ minLength: 1, maxLength: 200, description });
export const Note = Type.Optional(Type.String({ minLength: 1, maxLength: 1000, description: 'Remark' }));
/** A day, a month or a year, as exactly as it is known. */
export const DateText = (description: string) =>
  Type.String({ pattern: '^\\d{4}(-(0[1-9]|1[0-2])(-(0[1-9]|[12]\\d|3[01]))?)?$', description });

/** A size as its source gives it: figures keep their digits, so they are strings. */
export const DimensionSchema = Type.Object(
  {
    low: Decimal('Lower limit of the size as made'),
    high: Decimal('Upper limit of the size as made; equal to low where only one figure is known'),
    unit: oneOf<UnitId>(UNIT_IDS, 'Unit of the figures'),
    service: Type.Optional(Type.Array(Decimal('Signed step of a service size, same unit'), { maxItems: 12 })),
    wearLimit: Type.Optional(Decimal('Size past which the part is worn out')),
    note: Type.Optional(line('Exception or remark')),
  },
  { additionalProperties: false },
);
export type Dimension = Static<typeof DimensionSchema>;

export const YearsSchema = Type.Object(
  {
    from: DateText('First year or month'),
    to: Type.Optional(DateText('Last year or month; absent while it goes on')),
  },
  { additionalProperties: false },
);
export type Years = Static<typeof YearsSchema>;

const MONTHS = 12;

/**
 * A date of year or month as months since year 0; `end` takes the last month of a year instead of its first.
 *
 * @example monthOf('1967-03') // 23606
 */
export function monthOf(date: string, end = false): number {
  const [year = '0', month] = date.split('-');
  return Number(year) * MONTHS + (month === undefined ? (end ? MONTHS - 1 : 0) : Number(month) - 1);
}

/** Years in words: `1958–1966`, `from 1990`, `1986-09–1996`. */
export const sayYears = ({ from, to }: Years): string =>
  to === undefined ? `from ${from}` : to === from ? from : `${from}–${to}`;
