import Ajv from 'ajv';
import fc from 'fast-check';
import { priceLinesOf, PriceListSchema, PRICE_LIST_FORMAT, readPrice } from './priceList';
import { holds } from '../testing/laws';

describe('a price as people write it', () => {
  it('is read with point or comma, thousands apart or not', () => {
    for (const [text, price] of [
      ['12', 12],
      ['12.5', 12.5],
      ['12,50', 12.5],
      ['1234.50', 1234.5],
      ['1,234.50', 1234.5],
      ['1.234,50', 1234.5],
      ['1 234,50', 1234.5],
      ['1’234.50', 1234.5],
      ['1,234,567', 1234567],
      ['EUR 12.50', 12.5],
      ['12,50 €', 12.5],
      ['0', 0],
    ] as const)
      expect(readPrice(text)).withContext(text).toBe(price);
  });

  it('is not guessed where it can be read two ways, or none', () => {
    for (const text of ['1,234', '1.234', '', 'on request', '1.2.3', '-12', '12,-', '12 or 13'])
      expect(readPrice(text)).withContext(text).toBeUndefined();
  });

  it('comes back whichever way it was printed (property)', () => {
    holds(
      fc.property(fc.integer({ min: 0, max: 9_999_999 }), (cents) => {
        const price = cents / 100;
        const [point, comma] = [price.toFixed(2), price.toFixed(2).replace('.', ',')];
        expect(readPrice(point)).toBe(price);
        expect(readPrice(comma)).toBe(price);
        expect(readPrice(new Intl.NumberFormat('en-GB', { minimumFractionDigits: 2 }).format(price))).toBe(price);
        expect(readPrice(new Intl.NumberFormat('de-DE', { minimumFractionDigits: 2 }).format(price))).toBe(price);
      }),
    );
  });
});

describe('a price list as a table', () => {
  it('is read by its headings, whatever they are called and in whatever order', () => {
    const { lines, problems } = priceLinesOf([
      ['Description', 'In Stock', 'Price', 'Part Number', 'Lead time', 'Pack', 'Superseded by', 'Colour'],
      ['Head gasket', '4', '31,20', 'HV 88140', '3', '', '', 'grey'],
      ['Pistons', '', '55', 'hv8420', '', '4', 'HV-8422', ''],
    ]);
    expect(problems).toEqual([]);
    expect(lines).toEqual([
      { number: 'HV 88140', price: 31.2, name: 'Head gasket', stock: 4, days: 3 },
      { number: 'hv8420', price: 55, name: 'Pistons', pieces: 4, replacedBy: 'HV-8422' },
    ]);
  });

  it('keeps the lines that can be used, and says of the others which and why', () => {
    const { lines, problems } = priceLinesOf([
      ['number', 'price', 'stock'],
      ['A-1', '10', '2'],
      ['', '10', '2'],
      ['A-2', 'on request', ''],
      ['A-3', '1,234', ''],
      ['', '', ''],
      ['A-4', '9', 'plenty'],
      ['x'.repeat(61), '9', ''],
    ]);
    expect(lines.map(({ number }) => number)).toEqual(['A-1', 'A-4']);
    expect(problems.map(({ line }) => line)).toEqual([2, 3, 4, 6, 7]);
    expect(problems[2]?.what).toContain('1,234');
    expect(lines[1]).toEqual({ number: 'A-4', price: 9 });
  });

  it('says what is missing where it is no price list', () => {
    expect(priceLinesOf([['what', 'how much']]).problems[0]?.what).toContain('number and price');
    expect(priceLinesOf([]).lines).toEqual([]);
  });
});

describe('a price list in the open format', () => {
  const accepts = new Ajv({ strict: false }).compile(PriceListSchema);
  const list = { format: PRICE_LIST_FORMAT, version: 1, supplier: 'Ridge Road Parts', currency: 'EUR', lines: [] };

  it('names its money by ISO 4217, and has no price below nothing', () => {
    expect(accepts(list)).toBeTrue();
    expect(accepts({ ...list, currency: 'euro' })).toBeFalse();
    expect(accepts({ ...list, lines: [{ number: 'A', price: -1 }] })).toBeFalse();
    expect(accepts({ ...list, lines: [{ number: 'A', price: 1, stock: 2.5 }] })).toBeFalse();
    expect(accepts({ ...list, lines: [{ number: 'A', prize: 1 }] })).toBeFalse();
  });
});
