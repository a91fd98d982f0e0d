import fc from 'fast-check';
import { holds } from '../testing/laws';
import { orders, spread } from '../testing/orders';
import { alikeThrows } from './throws';

const weights = (count: number) => fc.array(fc.integer({ min: 0, max: 60 }), { minLength: count, maxLength: count });

describe('throws that weigh alike', () => {
  it('are the closest that rods, pistons and pins can make, by plain enumeration', () => {
    holds(
      fc.property(
        fc.integer({ min: 1, max: 4 }).chain((count) => fc.tuple(weights(count), weights(count), weights(count))),
        ([rods, pistons, pins]) => {
          const found = alikeThrows([rods, pistons, pins]);
          const sums = rods.map(
            (rod, at) => rod + (pistons[found.order[1]?.[at] ?? 0] ?? 0) + (pins[found.order[2]?.[at] ?? 0] ?? 0),
          );
          let least = Infinity;
          for (const first of orders(rods.length))
            for (const second of orders(rods.length))
              least = Math.min(
                least,
                spread(rods.map((rod, at) => rod + (pistons[first[at] ?? 0] ?? 0) + (pins[second[at] ?? 0] ?? 0))),
              );
          const isEach = (list: readonly number[] = []) => new Set(list).size === rods.length;
          return (
            found.proved &&
            found.order.every(isEach) &&
            Math.abs(spread(sums) - (found.high - found.low)) < 1e-9 &&
            Math.abs(spread(sums) - least) < 1e-9
          );
        },
      ),
      150,
    );
  });

  it('are proved for eight of each as they come from a shelf', () => {
    const rods = [612.4, 608.1, 615.0, 611.2, 609.7, 613.3, 610.8, 614.6];
    const pistons = [548.2, 551.7, 546.9, 549.5, 552.3, 547.4, 550.1, 545.8];
    const pins = [142.6, 143.1, 142.2, 142.9, 143.4, 142.4, 143.0, 142.7];
    const two = alikeThrows([rods, pistons]);
    const three = alikeThrows([rods, pistons, pins]);
    expect(three.proved).toBeTrue();
    expect(three.high - three.low).toBeLessThan(two.high - two.low);
  });

  it('want as many of each', () => {
    expect(() => alikeThrows([[1, 2], [3]])).toThrowError(RangeError);
  });
});
