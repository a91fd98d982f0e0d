import { made } from '../testing/made';
import type { Assembly } from './assembly';
import { countsIn, priceFor, takes, type Sold } from './cost';

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

// Common practice, no source: pistons, pins, rods and valves are sold singly or in sets, shells and rings as sets.
describe('what is bought', () => {
  it('is as many as the engine takes, in as many packs as that needs', () => {
    const eight = { cylinder: 8, valve: 16 };
    expect(priceFor({ kind: 'piston', price: 28 }, eight)).toBe(8 * 28);
    expect(priceFor({ kind: 'piston', price: 200, pieces: 8 }, eight)).toBe(200);
    expect(priceFor({ kind: 'piston', price: 110, pieces: 4 }, { cylinder: 6 })).toBe(2 * 110);
    expect(priceFor({ kind: 'mainShell', price: 52 }, eight)).toBe(52);
    expect(priceFor({ kind: 'valveSpring', price: 5 }, eight)).toBe(16 * 5);
    expect(priceFor({ kind: 'valve', price: 7 }, eight)).toBe(8 * 7);
    expect(priceFor({ kind: 'piston' }, eight)).toBeUndefined();
  });

  const goods: Readonly<Record<string, Sold>> = {
    shells: { kind: 'mainShell', price: 52 },
    rings: { kind: 'rings', price: 39 },
    dear: { kind: 'rings', price: 400 },
    unpriced: { kind: 'rings' },
  };
  const priceOf = (steps: Parameters<typeof takes>[0]['steps'], buy: readonly string[]): number =>
    takes({ steps, buy }, {}, { cylinder: 4, main: 5 }, (id) => goods[id]).price;

  it('costs what the catalogue says in place of what is usual, and beside the labour', () => {
    expect(priceOf(['regrindMains'], ['shells'])).toBe(150 + 52);
    expect(priceOf(['newRings'], [])).toBe(90);
    expect(priceOf(['newRings'], ['rings'])).toBe(39);
    expect(priceOf(['spacerShells'], ['shells'])).toBe(160 - 90 + 52);
  });

  it('costs no less than is usual where the catalogue does not price all of it', () => {
    expect(priceOf(['newRings'], ['unpriced'])).toBe(90);
    expect(priceOf(['newRings'], ['unpriced', 'rings'])).toBe(90);
    expect(priceOf(['newRings'], ['unpriced', 'dear'])).toBe(400);
  });

  it('costs nothing where it comes along', () => {
    const option = { steps: ['newValves'], buy: [], comesAlong: true } as const;
    expect(takes(option, {}, { valve: 8 })).toEqual({ hours: 2, price: 80 });
  });

  it('leaves the shop’s own price as the whole where nothing is priced', () => {
    const rules = { work: { newRings: { hours: 1, price: 70 } } };
    expect(takes({ steps: ['newRings'] }, rules).price).toBe(70);
    expect(takes({ steps: ['newRings'], buy: ['rings'] }, rules, {}, (id) => goods[id]).price).toBe(39);
  });
});
