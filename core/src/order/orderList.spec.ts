import fc from 'fast-check';
import type { Build } from '../build/build';
import { partsOfBuild } from '../build/index';
import type { KindId } from '../dictionary/dictionary';
import type { OrderLine } from '../job/job';
import { say } from '../quantity/sentence';
import { demoEngine, demoSpecimen, LOOKUP } from '../testing/demo';
import type { Need, OnShelf } from './need';
import { BY_HAND, orderListOf } from './orderList';
import { holds } from '../testing/laws';

interface Asked {
  readonly variant?: string;
  readonly places?: Build['places'];
  readonly sizes?: Readonly<Record<string, number>>;
  readonly orders?: OrderLine[];
  readonly shelf?: readonly OnShelf[];
  readonly atHand?: readonly KindId[];
  readonly shells?: Parameters<typeof orderListOf>[0]['shells'];
}

const listOf = ({
  variant = 'sluice-357',
  places = [],
  sizes = {},
  orders,
  shelf = [],
  atHand = [],
  shells = {},
}: Asked) =>
  orderListOf({
    engine: demoEngine(variant, sizes, places),
    catalogue: LOOKUP,
    ...(orders ? { job: { orders } } : {}),
    atHand: new Set(atHand),
    shells,
    shelf,
  });
const of = (needs: readonly Need[], id: string): Need => {
  const found = needs.find((need) => need.id === id);
  if (!found) throw new RangeError(`Nothing is called ${id}: ${needs.map((need) => need.id).join(', ')}.`);
  return found;
};
const line = (need: string, more: Partial<OrderLine> = {}): OrderLine => ({
  id: `00000000-0000-4000-8000-${String(Math.floor(Math.random() * 1e12)).padStart(12, '0')}`,
  need,
  name: need,
  quantity: 1,
  state: 'ordered',
  ...more,
});
const told = (need: Need): string => need.open.map((each) => say(each, 'metric')).join(' ');

const PISTON = 'sluice-piston-398-3590-83';

describe('what a build needs', () => {
  // Common practice, no source: one piston, rod and pin a cylinder, one valve of each duty, a lifter
  // for each valve, a head and a gasket for each bank, two bolts a rod; rings, shells and thrust washers by the set.
  it('is counted as such parts are sold: a V8 takes eight pistons and two heads', () => {
    const needs = listOf({});
    const counted = (slot: string) => needs.find((need) => need.slot === slot);
    expect(counted('piston')?.quantity).toBe(8);
    expect(counted('rod')?.quantity).toBe(8);
    expect(counted('lifter')?.quantity).toBe(16);
    expect(counted('intakeValve')?.quantity).toBe(8);
    expect(counted('head')?.quantity).toBe(2);
    expect(counted('headGasket')?.quantity).toBe(2);
    expect(counted('rodBolt')?.quantity).toBe(16);
    expect(counted('crank')?.quantity).toBe(1);
    expect(counted('rings')?.by).toBe('set');
    const four = listOf({ variant: 'skerry-47' });
    expect(four.find((need) => need.slot === 'head')?.quantity).toBe(1);
    expect(four.find((need) => need.slot === 'piston')?.quantity).toBe(4);
  });

  it('is told apart: what is chosen, what is new whenever it is apart, and what nobody has spoken of', () => {
    const needs = listOf({ places: [{ slot: 'crank', pattern: 'sluice-crank-3375-forged' }] });
    expect(of(needs, 'crank sluice-crank-3375-forged').group).toBe('chosen');
    expect(needs.find(({ slot }) => slot === 'headGasket')?.group).toBe('anew');
    expect(needs.find(({ slot }) => slot === 'block')?.group).toBe('unaccounted');
    expect(needs.filter(({ group }) => group === 'consumable').length).toBeGreaterThan(2);
  });

  it('leaves out what lies in the job, but never what is new each time', () => {
    const needs = listOf({ atHand: ['block', 'head', 'headGasket', 'rings'] });
    expect(needs.some(({ kind }) => kind === 'block' || kind === 'head')).toBeFalse();
    expect(needs.some(({ kind }) => kind === 'headGasket')).toBeTrue();
    expect(needs.some(({ kind }) => kind === 'rings')).toBeTrue();
  });

  it('leaves out a specimen that is in its place, and what goes there by cylinders is counted by cylinders', () => {
    const specimen = demoSpecimen('Orchard fan crank, second').id;
    const places = [
      { slot: 'piston', at: 1, pattern: PISTON },
      { slot: 'piston', at: 2, pattern: PISTON },
      { slot: 'crank', specimen },
    ];
    const needs = listOf({ places });
    expect(needs.some(({ slot }) => slot === 'crank')).toBeFalse();
    const own = needs.filter(({ slot, group }) => slot === 'piston' && group === 'chosen');
    expect(own.map(({ quantity, at }) => [quantity, at])).toEqual([[2, [1, 2]]]);
  });

  it('comes in the order of assembly', () => {
    const slots = listOf({}).flatMap(({ slot }) => slot ?? []);
    expect(slots.indexOf('crank')).toBeLessThan(slots.indexOf('rod'));
    expect(slots.indexOf('rod')).toBeLessThan(slots.indexOf('piston'));
    expect(slots.indexOf('piston')).toBeLessThan(slots.indexOf('head'));
    expect(slots.indexOf('head')).toBeLessThan(slots.indexOf('flywheel'));
  });
});

describe('sizes to order in', () => {
  // Common practice, no source: cylinders bored half a millimetre take pistons and rings half a millimetre over, and a
  // crank ground a quarter under takes shells a quarter under.
  it('follow the work: pistons and rings the bore, shells the journals', () => {
    const bored = [{ slot: 'block', work: [{ operation: 'bore' as const, by: { value: 0.5, unit: 'mm' as const } }] }];
    const lumen = listOf({ variant: 'lumen-4-77', places: bored });
    expect(lumen.find(({ slot }) => slot === 'rings')?.step).toBeCloseTo(0.5, 9);
    const ground = [
      { slot: 'crank', work: [{ operation: 'regrindMains' as const, by: { value: 0.25, unit: 'mm' as const } }] },
    ];
    const mains = listOf({ variant: 'lumen-4-77', places: ground }).find(({ slot }) => slot === 'mainShell');
    expect(mains?.step).toBeCloseTo(-0.25, 9);
    expect(mains && told(mains)).toContain('by what the journals measure when they come back');
    expect(listOf({ variant: 'lumen-4-77' }).find(({ slot }) => slot === 'rings')?.step).toBeUndefined();
  });

  it('are not made up where no service size comes near', () => {
    const bored = [
      { slot: 'block', work: [{ operation: 'bore' as const, by: { value: 0.37, unit: 'mm' as const } }] },
      { slot: 'piston', pattern: 'lumen-piston-78-77-88' },
    ];
    const piston = listOf({ variant: 'lumen-4-77', places: bored }).find(({ slot }) => slot === 'piston');
    expect(piston?.step).toBeUndefined();
    expect(piston && told(piston)).toContain('no service size comes near');
  });

  it('say where the build takes another than its cylinders ask for', () => {
    const at = (size?: { value: number; unit: 'mm' }) =>
      listOf({
        variant: 'lumen-4-77',
        places: [
          { slot: 'block', work: [{ operation: 'bore', by: { value: 0.5, unit: 'mm' } }] },
          { slot: 'piston', pattern: 'lumen-piston-78-77-88', ...(size ? { size } : {}) },
        ],
      }).find(({ slot }) => slot === 'piston');
    expect(told(at() as Need)).toContain('say in the build which size is bought');
    expect(told(at({ value: 0.5, unit: 'mm' }) as Need)).toBe('');
  });

  it('tell which part of the shelf is this one: a standard piston is none for a bored cylinder', () => {
    const places = [
      { slot: 'block', work: [{ operation: 'bore' as const, by: { value: 0.5, unit: 'mm' as const } }] },
      { slot: 'piston', pattern: 'lumen-piston-78-77-88', size: { value: 0.5, unit: 'mm' as const } },
    ];
    const shelf = [
      { specimen: 'a', pattern: 'lumen-piston-78-77-88', step: 0 },
      { specimen: 'b', pattern: 'lumen-piston-78-77-88', step: 0.49, reserved: true },
      { specimen: 'c', pattern: 'lumen-piston-78-70', step: 0.5 },
    ];
    const piston = listOf({ variant: 'lumen-4-77', places, shelf }).find(({ slot }) => slot === 'piston');
    expect(piston?.shelf).toEqual(['b']);
    expect(piston?.reserved).toBe(1);
    expect(piston?.left).toBe(3);
  });
});

describe('numbers and companions', () => {
  // Common practice, no source: a superseding kit is only valid whole. Here the larger pin needs the drilled rods.
  it('follow a number that was replaced, and bring what the new part needs', () => {
    const needs = listOf({ variant: 'skerry-47', places: [{ slot: 'piston', pattern: 'skerry-piston-112-160' }] });
    const piston = of(needs, 'piston skerry-piston-112-160');
    expect(piston.numbers).toEqual([
      jasmine.objectContaining({
        number: 'HV-8420',
        living: 'HV-8422',
        circle: false,
        replacedBy: 'skerry-piston-112-160-super',
      }),
    ]);
    const rods = of(needs, 'with skerry-rod-drilled-42');
    expect(rods.group).toBe('companion');
    expect(rods.quantity).toBe(4);
    expect(say(rods.because, 'metric')).toContain('is sold today as');
  });

  it('are said to be of no use where the records replace them in a circle', () => {
    const needs = listOf({ places: [{ slot: 'piston', pattern: 'sluice-piston-398-3590-90' }] });
    const piston = of(needs, 'piston sluice-piston-398-3590-90');
    expect(piston.numbers.map(({ circle }) => circle)).toEqual([true]);
    expect(told(piston)).toContain('in a circle');
  });

  it('bring what must come with a part once, and not where it is in the build', () => {
    const late = { slot: 'piston', pattern: 'skerry-piston-112-170-two' };
    const with_ = listOf({ variant: 'skerry-47', places: [late] });
    expect(with_.some(({ id }) => id === 'with skerry-rod-drilled')).toBe(
      !partsOfBuild(demoEngine('skerry-47', {}, [late])).some(({ part }) => part.pattern === 'skerry-rod-drilled'),
    );
    const without = listOf({
      variant: 'skerry-47',
      places: [late, { slot: 'rod', pattern: 'skerry-rod-drilled' }],
    });
    expect(without.some(({ id }) => id === 'with skerry-rod-drilled')).toBeFalse();
  });
});

describe('shells on the list', () => {
  const found = [
    { position: 1, patterns: ['lumen-shell-ab-red'] },
    { position: 2, patterns: ['lumen-shell-ab-green'] },
    { position: 3, patterns: [], open: ['Mark and measure disagree.'] },
    { position: 4, patterns: ['lumen-shell-ab-red'] },
    { position: 5, patterns: ['lumen-shell-ab-red', 'lumen-shell-ab-green'] },
  ];

  it('stand by pairs for the places that fitting chose them for; what is not settled is not ordered', () => {
    const needs = listOf({ variant: 'lumen-4-77', shells: { mainShell: found } }).filter(
      ({ slot }) => slot === 'mainShell',
    );
    const red = needs.find(({ pattern }) => pattern === 'lumen-shell-ab-red');
    expect([red?.quantity, red?.by, red?.at]).toEqual([3, 'pair', [1, 4, 5]]);
    expect(needs.find(({ pattern }) => pattern === undefined)?.at).toEqual([3]);
    expect(told(needs.find(({ pattern }) => pattern === undefined) as Need)).toContain('disagree');
  });

  it('are a set where the engine has one sort only, whatever fitting could not tell', () => {
    const blind = [1, 2, 3, 4, 5].map((position) => ({ position, patterns: [] }));
    const mains = listOf({ variant: 'skerry-47', shells: { mainShell: blind } }).filter(
      ({ slot }) => slot === 'mainShell',
    );
    expect(mains.map(({ by, quantity, pattern }) => [by, quantity, pattern])).toEqual([
      ['set', 1, 'skerry-shell-large'],
    ]);
  });

  it('do not come up where the crank runs in rolling bearings', () => {
    expect(listOf({ variant: 'minnow-48' }).some(({ kind }) => kind === 'mainShell')).toBeFalse();
  });
});

describe('what was ordered', () => {
  const gasket = listOf({}).find(({ slot }) => slot === 'headGasket')?.id ?? '';

  it('is taken off what is left; what came wrong or went back is needed anew', () => {
    const after = (...orders: OrderLine[]) => of(listOf({ orders }), gasket);
    expect(after(line(gasket)).left).toBe(1);
    expect(after(line(gasket), line(gasket, { state: 'received' })).left).toBe(0);
    expect(after(line(gasket, { state: 'wrong' })).left).toBe(2);
    expect(after(line(gasket, { state: 'returned' }), line(gasket, { state: 'wanted' })).left).toBe(2);
    expect(after(line(gasket, { quantity: 5 })).left).toBe(0);
    expect(after(line(gasket, { state: 'received', quantity: 2 })).received).toBe(2);
  });

  it('is not forgotten where the build does not need it any more, or its pattern is gone', () => {
    const needs = listOf({ orders: [line('piston of-old'), line('gone', { pattern: 'no-such-pattern' })] });
    expect(say(of(needs, 'piston of-old').because, 'metric')).toContain('does not need it any more');
    expect(say(of(needs, 'gone').because, 'metric')).toContain('not in the catalogue any more');
    expect(of(needs, 'gone').left).toBe(0);
  });

  it('may be put down by hand', () => {
    const id = `${BY_HAND}1`;
    const [want, have] = [line(id, { state: 'wanted', quantity: 3 }), line(id, { state: 'received', quantity: 3 })];
    expect(of(listOf({ orders: [want] }), id).left).toBe(3);
    expect(of(listOf({ orders: [have] }), id).left).toBe(0);
    // What is ordered for it is no more of it: nothing is counted twice.
    const root = line(`${BY_HAND}root`, { id: 'root', state: 'wanted', quantity: 3, pattern: 'lumen-gasket-4ab' });
    const both = of(listOf({ orders: [root, line(`${BY_HAND}root`, { quantity: 2 })] }), `${BY_HAND}root`);
    expect([both.quantity, both.ordered, both.left]).toEqual([3, 2, 1]);
    expect(both.numbers.length).toBe(1);
  });

  it('adds up the same in whatever order it was entered, and never below nothing (property)', () => {
    const states = ['wanted', 'ordered', 'received', 'wrong', 'returned'] as const;
    holds(
      fc.property(
        fc.array(fc.record({ quantity: fc.integer({ min: 1, max: 4 }), state: fc.constantFrom(...states) }), {
          maxLength: 6,
        }),
        fc.nat(),
        (lines, seed) => {
          const orders = lines.map((each) => line(gasket, each));
          const turned = [...orders.slice(seed % (orders.length + 1)), ...orders.slice(0, seed % (orders.length + 1))];
          const [a, b] = [of(listOf({ orders }), gasket), of(listOf({ orders: turned }), gasket)];
          expect([a.left, a.ordered, a.received]).toEqual([b.left, b.ordered, b.received]);
          const held = lines.reduce(
            (so, each) => so + (each.state === 'ordered' || each.state === 'received' ? each.quantity : 0),
            0,
          );
          expect(a.left).toBe(Math.max(0, a.quantity - held));
        },
      ),
      40,
    );
  });
});
