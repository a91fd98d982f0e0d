import { Type, type Static } from '@sinclair/typebox';
import { CURRENCY } from '../job/job.js';

const Text = (description: string, maxLength = 200) => Type.String({ minLength: 1, maxLength, description });

/** Most lines of a price list that are read. */
const MOST_PRICED = 200_000;

/** What a supplier asks for something, and whether he has it. */
export const PriceLineSchema = Type.Object(
  {
    number: Text('As the supplier writes it', 60),
    name: Type.Optional(Text('What he calls it')),
    price: Type.Number({ minimum: 0, maximum: 1e7, description: 'For as many as `pieces` says' }),
    pieces: Type.Optional(
      Type.Integer({
        minimum: 1,
        maximum: 1000,
        description: 'How many that price is for; one, or one set, where absent',
      }),
    ),
    includes: Type.Optional(Text('What the price includes: exchange, tax, carriage, locks and rings')),
    stock: Type.Optional(Type.Integer({ minimum: 0, maximum: 1e6, description: 'How many are on the shelf there' })),
    days: Type.Optional(Type.Integer({ minimum: 0, maximum: 1000, description: 'Days until it is here' })),
    replacedBy: Type.Optional(Text('Number the supplier sends instead', 60)),
  },
  { additionalProperties: false },
);
export type PriceLine = Static<typeof PriceLineSchema>;

export const PRICE_LIST_FORMAT = 'which-bore-price-list';

/** Prices and stock of one supplier: the open format in which lists are sent, version 1. */
export const PriceListSchema = Type.Object(
  {
    format: Type.Literal(PRICE_LIST_FORMAT),
    version: Type.Literal(1),
    supplier: Text('Who sells'),
    currency: CURRENCY,
    lines: Type.Array(PriceLineSchema, { maxItems: MOST_PRICED }),
  },
  { additionalProperties: false, title: 'Which Bore price list' },
);
export type PriceList = Static<typeof PriceListSchema>;

/** A line that is not used, and why. */
export interface PriceProblem {
  /** Counted from 1, the headings not among them. */
  readonly line: number;
  readonly what: string;
}

/** Headings of a price list as a table, and what else they are called. */
const HEADINGS: Readonly<Record<keyof PriceLine, readonly string[]>> = {
  number: ['number', 'part number', 'part no', 'part', 'article', 'code'],
  name: ['name', 'description', 'what'],
  price: ['price', 'cost', 'net', 'each'],
  pieces: ['pieces', 'pack', 'per', 'pack size'],
  includes: ['includes', 'including', 'remark'],
  stock: ['stock', 'in stock', 'on hand', 'available'],
  days: ['days', 'lead time', 'delivery'],
  replacedBy: ['replaced by', 'replacedby', 'superseded by', 'new number'],
};

/**
 * A price as people write it: with point or comma before the cents, thousands apart or not; undefined where it is none,
 * or could be two.
 *
 * @example readPrice('1.234,50') // 1234.5
 */
export function readPrice(text: string): number | undefined {
  const bare = text.replace(/[\s ’']/g, '').replace(/^[^\d-]+|[^\d-]+$/g, '');
  if (/^\d+([.,]\d{1,2})?$/.test(bare)) return Number(bare.replace(',', '.'));
  if (/^\d{1,3}(,\d{3})+(\.\d{1,2})?$/.test(bare) && (bare.includes('.') || bare.split(',').length > 2))
    return Number(bare.replaceAll(',', ''));
  if (/^\d{1,3}(\.\d{3})+(,\d{1,2})?$/.test(bare) && (bare.includes(',') || bare.split('.').length > 2))
    return Number(bare.replaceAll('.', '').replace(',', '.'));
  return undefined;
}

/**
 * A price list from a table, its first row the headings. Lines that cannot be used are left out and told; the others
 * stand.
 *
 * @param rows all of one length or not; what is short has nothing there
 */
export function priceLinesOf(rows: readonly (readonly string[])[]): {
  readonly lines: readonly PriceLine[];
  readonly problems: readonly PriceProblem[];
} {
  const [headings = [], ...body] = rows;
  const columns = new Map<keyof PriceLine, number>();
  headings.forEach((heading, at) => {
    const plain = heading.trim().toLowerCase();
    for (const [field, names] of Object.entries(HEADINGS) as [keyof PriceLine, readonly string[]][])
      if (names.includes(plain) && !columns.has(field)) columns.set(field, at);
  });
  const missing = (['number', 'price'] as const).filter((field) => !columns.has(field));
  if (missing.length > 0)
    return {
      lines: [],
      problems: [
        { line: 0, what: `there is no column for ${missing.join(' and ')}: call it ${missing.join(' and ')}.` },
      ],
    };
  const [lines, problems]: [PriceLine[], PriceProblem[]] = [[], []];
  body.forEach((row, at) => {
    const text = (field: keyof PriceLine): string => row[columns.get(field) ?? -1]?.trim() ?? '';
    const say = (what: string): void => void problems.push({ line: at + 1, what });
    if (row.every((cell) => cell.trim() === '')) return;
    if (text('number') === '') return say('it has no number.');
    if (text('number').length > 60) return say('its number is longer than 60 characters.');
    const price = readPrice(text('price'));
    if (price === undefined || price > 1e7)
      return say(`“${text('price')}” is no price that can be read one way only: write it as 1234.50.`);
    const whole = (field: 'pieces' | 'stock' | 'days'): number | undefined =>
      /^\d{1,6}$/.test(text(field)) ? Number(text(field)) : undefined;
    const wrong = (['pieces', 'stock', 'days'] as const).filter(
      (field) => text(field) !== '' && whole(field) === undefined,
    );
    if (wrong.length > 0) say(`its ${wrong.join(' and ')} is no whole number, and is not taken.`);
    const optional = {
      name: text('name').slice(0, 200),
      pieces: whole('pieces') === 0 ? undefined : whole('pieces'),
      includes: text('includes').slice(0, 200),
      stock: whole('stock'),
      days: whole('days'),
      replacedBy: text('replacedBy').slice(0, 60),
    };
    lines.push({
      number: text('number'),
      price,
      ...(Object.fromEntries(
        Object.entries(optional).filter(([, value]) => value !== undefined && value !== ''),
      ) as Partial<PriceLine>),
    });
  });
  return { lines, problems };
}
