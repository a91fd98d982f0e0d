import { cylinders, limitOf } from '../thumb/index';
import { OPERATIONS } from '../joints/operations/operations';
import { say } from '../quantity/sentence';
import { demoPart } from '../testing/demo';
import type { CylinderGround } from './boreBill';
import { boreWays } from './bores';

const CASE = demoPart('lumen-block-4b');
const ground = (more: Partial<CylinderGround> = {}): CylinderGround => ({
  rules: {},
  cleansUpAt: 1,
  counts: { cylinder: 4 },
  piston: demoPart('lumen-piston-78-77-88'),
  rings: demoPart('lumen-rings-78'),
  gasket: demoPart('lumen-gasket-4ab'),
  ...more,
});
const told = (more: Partial<CylinderGround> = {}, part = CASE) =>
  boreWays(part, ground(more)).map(({ id, step }) => `${id}${step ? ` ${step}` : ''}`);

describe('worn cylinders', () => {
  it('are bored to a size that cleans all of them up, or to a larger one, or sleeved', () => {
    const sizes = (CASE.service['block.bore'] ?? []).map((step) => `bore ${step}`);
    expect(sizes.length).toBeGreaterThan(1);
    expect(told()).toEqual([...sizes, 'sleeve']);
    expect(told({ cleansUpAt: 2 })).toEqual([...sizes.slice(1), 'sleeve']);
    expect(told({ cleansUpAt: undefined })).toEqual(['sleeve']);
  });

  it('that are sound are honed, and nothing is bored', () => {
    expect(told({ cleansUpAt: 0 })).toEqual(['asItIs']);
  });

  it('cost what the work costs and all that is bought for it, each once', () => {
    const [bored] = boreWays(CASE, ground());
    // Four cylinders, as the usual prices are for: boring and honing.
    expect(bored?.labour).toBe(OPERATIONS.bore.price + OPERATIONS.hone.price);
    const prices = bored?.bought.map(({ price = 0 }) => price) ?? [];
    expect(prices.length).toBe(3);
    // Four pistons at 40.
    expect(prices[0]).toBe(160);
    expect(bored?.total).toBeCloseTo((bored?.labour ?? 0) + prices.reduce((a, b) => a + b, 0), 9);
    expect(bored?.priced).toBeTrue();
    const { gasket: _gasket, ...without } = ground();
    const [unpriced] = boreWays(CASE, without);
    expect(unpriced?.priced).toBeFalse();
  });

  // Common practice, no source: boring takes half of what it adds to the diameter off the wall.
  it('keep half of what was bored less of their wall, and are refused where too little is left', () => {
    const [bored] = boreWays(CASE, ground());
    const wall = CASE.values['block.wall']?.interval;
    expect((wall?.low ?? 0) - (bored?.wallLeft?.low ?? 0)).toBeCloseTo((bored?.step ?? 0) / 2, 1);
    const least = limitOf(cylinders.wall, {});
    const thin = {
      ...CASE,
      values: { ...CASE.values, 'block.wall': { interval: { low: least, high: least }, source: 'measured' as const } },
    };
    expect(boreWays(thin, ground())[0]?.refused).toContain('too thin');
  });

  // Common practice, no source: an oversize piston saves a liner, and boring costs less than new liners.
  it('of liners may have new ones, beside boring, which costs less', () => {
    const liner = demoPart('skerry-liner-three');
    const ways = boreWays(liner, {
      rules: {},
      cleansUpAt: 1,
      counts: { cylinder: 4 },
      liner,
      gasket: demoPart('skerry-gasket-4'),
    });
    const [bored, fresh] = [ways.find(({ id }) => id === 'bore'), ways.find(({ id }) => id === 'liners')];
    expect(fresh?.canUndo).toBeTrue();
    expect(fresh?.bought[0]?.pattern).toBe('skerry-liner-three');
    expect(bored?.labour).toBe(OPERATIONS.bore.price + OPERATIONS.hone.price);
    expect(bored?.refused).toBeUndefined();
    expect(ways.some(({ id }) => id === 'sleeve')).toBeFalse();
  });

  // Common practice, no source: one scored cylinder is sleeved, and the engine keeps its size.
  it('of which one is worse than the others may have that one sleeved, at the price of one', () => {
    const worn = (each: readonly (number | undefined)[], cleansUpAt: number | undefined) =>
      boreWays(CASE, ground({ each, cleansUpAt })).filter(({ id }) => id === 'sleeveSome');
    const [one, ...more] = worn([0, 0, 2, 0], 2);
    expect(one?.name).toBe('Sleeve cylinder 3, the others stay');
    expect(one?.step).toBeUndefined();
    // With a size between: at the first all but one clean up as well.
    expect(more.map(({ name, step }) => [name, step])).toEqual([
      ['Sleeve cylinder 3, the others bored', CASE.service['block.bore']?.[0]],
    ]);
    const all = boreWays(CASE, ground()).find(({ id }) => id === 'sleeve');
    expect(one?.labour).toBeLessThan((all?.labour ?? 0) / 2);
    expect(one?.bought.some(({ what }) => what.includes('8.8:1'))).toBeFalse();
    expect(one?.total).toBeCloseTo(
      (one?.labour ?? 0) + (one?.bought ?? []).reduce((so, { price = 0 }) => so + price, 0),
      9,
    );
    // One that no size cleans up is no reason to give up the others.
    expect(worn([0, undefined, 0, 0], undefined)[0]?.name).toBe('Sleeve cylinder 2, the others stay');
    // Where most of them are worn there are no few to sleeve.
    expect(worn([1, 1, 1, 0], 1)).toEqual([]);
    expect(worn([2, 2, 1, 1], 2).map(({ name }) => name)).toEqual(['Sleeve cylinders 1 and 2, the others bored']);
  });

  // Common practice, no source: barrels that stand by themselves are bored by themselves, where the maker allows it.
  it('get a size each where the maker allows it, each cylinder paid for once', () => {
    const worn = (each: readonly (number | undefined)[], more: Partial<CylinderGround> = {}) =>
      boreWays(CASE, ground({ each, cleansUpAt: 2, eachItsOwn: true, ...more })).find(({ id }) => id === 'boreEach');
    const own = worn([0, 1, 2, 1]);
    const [first, second] = CASE.service['block.bore'] ?? [];
    expect(own?.bought.flatMap(({ step }) => step ?? [])).toEqual([first, first, second, second] as number[]);
    // A quarter of the boring of four is not paid: the first is honed only.
    const labour = (3 / 4) * OPERATIONS.bore.price + OPERATIONS.hone.price;
    // Each size is a bill of its own, in whole money.
    expect(Math.abs((own?.labour ?? 0) - labour)).toBeLessThan(2);
    const pistons = (own?.bought ?? []).filter(({ pattern }) => pattern === 'lumen-piston-78-77-88');
    expect(pistons.map(({ price }) => price)).toEqual([80, 40]);
    expect((own?.says ?? []).map((each) => say(each, 'metric'))).toEqual([
      'Cylinder 1: honed only.',
      `Cylinders 2 and 4: ${first?.toFixed(3)} mm over.`,
      `Cylinder 3: ${second?.toFixed(3)} mm over.`,
      'Pistons of different sizes weigh differently: bring the heavier ones down to the lightest.',
    ]);
    // The wall is that of the largest.
    const all = boreWays(CASE, ground({ cleansUpAt: 2 })).find(({ step }) => step === second);
    expect(own?.wallLeft).toEqual(all?.wallLeft);
    expect(worn([0, 1, 2, 1], { eachItsOwn: false })).toBeUndefined();
    // All alike is one size, and one that no size cleans up cannot be bored.
    expect(worn([2, 2, 2, 2])).toBeUndefined();
    expect(worn([0, undefined, 2, 1])).toBeUndefined();
  });

  it('say so where no piston is on record in that size', () => {
    const bare = { ...demoPart('lumen-piston-78-77-88'), service: {} };
    const [bored] = boreWays(CASE, ground({ piston: bare }));
    expect(JSON.stringify(bored?.says)).toContain('No piston is on record');
    expect(boreWays(CASE, ground())[0]?.says).toEqual([]);
  });
});
