import fc from 'fast-check';
import { holds } from '../testing/laws';
import { orders, spread } from '../testing/orders';
import { taken } from '../testing/taken';
import { munkres } from 'munkres';
import { balancedAssignment, closestSet, nextBestSet, type Piece } from './sets';

const costOf = (set: readonly Piece[], allowed: readonly number[]): number =>
  allowed.reduce((sum, each, at) => sum + spread(set.map(({ figures }) => figures[at] ?? 0)) / each, 0);

const pool = fc
  .array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 20 })), { minLength: 1, maxLength: 9 })
  .map((all) => all.map(([weight, size], at): Piece => ({ id: `p${at}`, figures: [weight / 2, size / 1000] })));

describe('a set from a pool', () => {
  it('is the closest of all that can be taken, by plain enumeration', () => {
    holds(
      fc.property(pool, fc.integer({ min: 1, max: 5 }), (pieces, count) => {
        const allowed = [4, 0.012];
        const best = closestSet(pieces, count, allowed);
        const costs = [...taken(pieces, count)].map((set) => costOf(set, allowed));
        if (costs.length === 0) return best === undefined;
        return best !== undefined && Math.abs(best.cost - Math.min(...costs)) < 1e-9 && best.chosen.length === count;
      }),
      300,
    );
  });

  it('has a next best that is the closest of those that do without one of it', () => {
    holds(
      fc.property(pool, fc.integer({ min: 1, max: 4 }), (pieces, count) => {
        const allowed = [4, 0.012];
        const best = closestSet(pieces, count, allowed);
        if (!best) return true;
        const others = [...taken(pieces, count)]
          .filter((set) => !best.chosen.every((id) => set.some((piece) => piece.id === id)))
          .map((set) => costOf(set, allowed));
        const next = nextBestSet(pieces, count, allowed, best);
        if (others.length === 0) return next === undefined;
        return next !== undefined && Math.abs(next.cost - Math.min(...others)) < 1e-9;
      }),
      200,
    );
  });

  it('wants as many as it takes, and no more than lie side by side', () => {
    expect(closestSet([{ id: 'one', figures: [1] }], 2, [1])).toBeUndefined();
    const many = Array.from({ length: 201 }, (_, at): Piece => ({ id: `${at}`, figures: [at] }));
    expect(() => closestSet(many, 4, [1])).toThrowError(RangeError);
  });
});

const square = fc.integer({ min: 1, max: 6 }).chain((count) =>
  fc.array(fc.array(fc.integer({ min: 0, max: 60 }), { minLength: count, maxLength: count }), {
    minLength: count,
    maxLength: count,
  }),
);

describe('who goes where', () => {
  it('is as alike as any assignment, by plain enumeration', () => {
    holds(
      fc.property(square, (values) => {
        const { columns, low, high } = balancedAssignment(values);
        const all = [...orders(values.length)].map((order) =>
          spread(order.map((column, row) => values[row]?.[column] ?? 0)),
        );
        const own = columns.map((column, row) => values[row]?.[column] ?? 0);
        return (
          new Set(columns).size === values.length &&
          Math.min(...own) >= low &&
          Math.max(...own) <= high &&
          high - low === Math.min(...all)
        );
      }),
      200,
    );
  });

  // A second way, by a library of the registry: munkres, the Hungarian method. Where all that lies in a window costs
  // nothing and all else one, an assignment that costs nothing is one within the window.
  it('lies in a window that is as narrow as the Hungarian method finds any', () => {
    const isFeasible = (values: readonly (readonly number[])[], low: number, high: number): boolean => {
      const costs = values.map((row) => row.map((value) => (value >= low && value <= high ? 0 : 1)));
      return munkres(costs).every(([row, column]) => costs[row]?.[column] === 0);
    };
    holds(
      fc.property(square, (values) => {
        const { low, high } = balancedAssignment(values);
        const levels = [...new Set(values.flat())];
        const narrower = levels.flatMap((from) =>
          levels.filter((to) => to >= from && to - from < high - low).map((to) => [from, to] as const),
        );
        return isFeasible(values, low, high) && !narrower.some(([from, to]) => isFeasible(values, from, to));
      }),
      25,
    );
  });

  it('leaves some over where there are more, and wants no fewer than there are places', () => {
    expect(
      balancedAssignment([
        [4, 1, 5],
        [9, 7, 5],
      ]),
    ).toEqual({ columns: [0, 2], low: 4, high: 5 });
    expect(() => balancedAssignment([[1], [2]])).toThrowError(RangeError);
    expect(balancedAssignment([])).toEqual({ columns: [], low: 0, high: 0 });
  });
});
