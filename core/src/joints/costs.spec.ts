import { made } from '../testing/made';
import type { Assembly } from './assembly';
import { countsIn, takes } from './outcome';

const assembly = (...parts: readonly ReturnType<typeof made>[]): Assembly => ({
  parts: Object.fromEntries(parts.map((part) => [part.kind, part])),
  replaced: {},
  stock: {},
  rules: {},
});

// Common practice, no source: a machine shop charges by the hole, the journal and the seat.
describe('what work takes', () => {
  const block = (cylinders: string, mainCount: string) => made('block', {}, { cylinders, mainCount });
  const bore = (counts: ReturnType<typeof countsIn>) => takes({ steps: ['bore'] }, {}, counts);

  it('is as much more as there are more cylinders, journals or valves', () => {
    const [four, eight, six] = [block('4', '5'), block('8', '5'), block('6', '7')].map((each) =>
      countsIn(assembly(each)),
    ) as [object, object, object];
    expect(bore(eight).price).toBe(2 * bore(four).price);
    expect(bore(eight).hours).toBe(2 * bore(four).hours);
    expect(bore(six).price).toBe(Math.round(1.5 * bore(four).price));
    const mains = (counts: object) => takes({ steps: ['regrindMains'] }, {}, counts).price;
    expect(mains(eight)).toBe(mains(four));
    expect(mains(six)).toBe(Math.round((7 / 5) * mains(four)));
  });

  it('is the same for what is done once, whatever the engine', () => {
    const deck = (cylinders: string) => takes({ steps: ['deck'] }, {}, countsIn(assembly(block(cylinders, '5'))));
    expect(deck('8')).toEqual(deck('4'));
  });

  it('goes by the crank where there is no block, by all valves of the head, and by a four where nobody has counted', () => {
    expect(countsIn(assembly(made('crank', {}, { crankpins: '4', rodsPerPin: '2', mainCount: '5' })))).toEqual({
      cylinder: 8,
      main: 5,
      crankpin: 4,
    });
    expect(countsIn(assembly(block('6', '7'), made('head', {}, { valves: '4' }))).valve).toBe(24);
    expect(bore({})).toEqual(bore({ cylinder: 4 }));
  });

  it('is the shop’s own, in proportion', () => {
    const rules = { work: { bore: { hours: 3, price: 300 } } };
    expect(takes({ steps: ['bore'] }, rules, { cylinder: 8 })).toEqual({ hours: 6, price: 600 });
    expect(takes({ steps: ['bore', 'deck'] }, rules, { cylinder: 1 }).price).toBe(75 + 180);
  });
});
