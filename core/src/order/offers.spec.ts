import fc from 'fast-check';
import { offersFor, soughtNumbers, type Offer } from './offers';
import { holds } from '../testing/laws';

const offer = (more: Partial<Offer>): Offer => ({
  number: 'HV-8422',
  price: 10,
  supplier: 'ridge-road',
  currency: 'EUR',
  ...more,
});
const NEED = { left: 4, numbers: [{ number: 'HV-8420', living: 'HV-8422' }] };
const from = (offers: readonly Offer[]) => offersFor(NEED, offers).map(({ offer: { supplier } }) => supplier);

describe('offers', () => {
  it('are found however the number is written, under the old one and the living one', () => {
    expect(soughtNumbers(NEED)).toEqual(['HV8422', 'HV8420']);
    const found = offersFor(NEED, [
      offer({ number: 'hv 8422', supplier: 'a' }),
      offer({ number: 'HV.8420', supplier: 'b', replacedBy: 'HV-8422' }),
      offer({ number: 'HV-8421', supplier: 'c' }),
    ]);
    expect(found.map((each) => [each.offer.supplier, each.number])).toEqual([
      ['a', 'hv 8422'],
      ['b', 'HV-8422'],
    ]);
  });

  it('come to whole packs: four of what is sold by three are two packs', () => {
    const [one] = offersFor(NEED, [offer({ pieces: 3, price: 12.35, stock: 2 })]);
    expect([one?.packs, one?.total, one?.enough]).toEqual([2, 24.7, true]);
    const [other] = offersFor({ ...NEED, left: 8 }, [offer({ pieces: 4, stock: 1 })]);
    expect([other?.packs, other?.enough]).toEqual([2, false]);
    expect(offersFor(NEED, [offer({})])[0]?.enough).toBeUndefined();
  });

  it('stand with those who have enough before who has not, then by money, then by days', () => {
    expect(
      from([
        offer({ supplier: 'dear', price: 20, stock: 9 }),
        offer({ supplier: 'cheap', price: 5, stock: 0 }),
        offer({ supplier: 'mute', price: 1 }),
        offer({ supplier: 'late', price: 9, stock: 9, days: 30 }),
        offer({ supplier: 'soon', price: 9, stock: 9, days: 2 }),
      ]),
    ).toEqual(['soon', 'late', 'dear', 'mute', 'cheap']);
  });

  it('in other money are not compared with those in this', () => {
    const found = from([
      offer({ supplier: 'yen', price: 900, currency: 'JPY', stock: 9 }),
      offer({ supplier: 'far', price: 11, currency: 'EUR', stock: 9 }),
      offer({ supplier: 'near', price: 10, currency: 'EUR', stock: 9 }),
    ]);
    expect(found).toEqual(['near', 'far', 'yen']);
  });

  it('stand in the same order however they came (property)', () => {
    const given = fc.record({
      supplier: fc.constantFrom('a', 'b', 'c', 'd'),
      price: fc.integer({ min: 1, max: 5 }),
      stock: fc.option(fc.integer({ min: 0, max: 5 }), { nil: undefined }),
      currency: fc.constantFrom('EUR', 'CHF'),
    });
    holds(
      fc.property(fc.uniqueArray(given, { selector: ({ supplier }) => supplier, maxLength: 4 }), (all) => {
        const offers = all.map(({ stock, ...rest }) => offer({ ...rest, ...(stock === undefined ? {} : { stock }) }));
        expect(from([...offers].reverse())).toEqual(from(offers));
      }),
    );
  });
});
