import fc from 'fast-check';
import { holds } from '../testing/laws';
import { spread } from '../testing/orders';
import { taken } from '../testing/taken';
import { closestSet, type Piece } from './sets';
import { closestSets } from './severalSets';

const ALLOWED = [4, 0.012];

const costOf = (set: readonly Piece[]): number =>
  ALLOWED.reduce((sum, each, at) => sum + spread(set.map(({ figures }) => figures[at] ?? 0)) / each, 0);

/** The least that so many sets cost in sum, by taking every set there is and then every set of what is left. */
function leastInSum(pieces: readonly Piece[], count: number, engines: number): number {
  if (engines === 0) return 0;
  let least = Infinity;
  for (const set of taken(pieces, count)) {
    const own = costOf(set);
    if (own < least)
      least = Math.min(
        least,
        own +
          leastInSum(
            pieces.filter((each) => !set.includes(each)),
            count,
            engines - 1,
          ),
      );
  }
  return least;
}

const pool = fc
  .array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 20 })), { minLength: 2, maxLength: 9 })
  .map((all) => all.map(([weight, size], at): Piece => ({ id: `p${at}`, figures: [weight / 2, size / 1000] })));

describe('sets for several engines', () => {
  it('cost the least in sum of all that can be taken, by plain enumeration', () => {
    holds(
      fc.property(pool, fc.integer({ min: 1, max: 3 }), fc.integer({ min: 1, max: 3 }), (pieces, count, engines) => {
        const found = closestSets(pieces, count, engines, ALLOWED);
        if (pieces.length < count * engines) return found === undefined;
        const sum = (found?.sets ?? []).reduce((so, { cost }) => so + cost, 0);
        return found?.proved === true && Math.abs(sum - leastInSum(pieces, count, engines)) < 1e-9;
      }),
      200,
    );
  });

  it('take no piece twice, and tell how far each spreads', () => {
    holds(
      fc.property(pool, fc.integer({ min: 1, max: 3 }), (pieces, count) => {
        const found = closestSets(pieces, count, 2, ALLOWED);
        const ids = (found?.sets ?? []).flatMap(({ chosen }) => chosen);
        return (
          new Set(ids).size === ids.length &&
          (found?.sets ?? []).every(({ chosen, cost }) => {
            const set = pieces.filter(({ id }) => chosen.includes(id));
            return set.length === count && Math.abs(costOf(set) - cost) < 1e-9;
          })
        );
      }),
      200,
    );
  });

  it('are not the best set and what is then left, where that costs the second engine more', () => {
    // 10 and 10.1 lie closest, but leave 9 and 11 to each other.
    const pieces = [9, 10, 10.1, 11].map((weight, at): Piece => ({ id: `p${at}`, figures: [weight] }));
    expect(closestSet(pieces, 2, [1])?.chosen).toEqual(['p1', 'p2']);
    const found = closestSets(pieces, 2, 2, [1]);
    expect(found?.sets.map(({ chosen }) => [...chosen].sort())).toEqual([
      ['p2', 'p3'],
      ['p0', 'p1'],
    ]);
  });

  it('are there for a whole shelf, if only as far as it was looked', () => {
    const shelf = Array.from({ length: 60 }, (_, at): Piece => ({
      id: `p${at}`,
      figures: [548 + ((at * 37) % 61) / 7, 96.93 + ((at * 53) % 59) / 4000],
    }));
    const found = closestSets(shelf, 8, 3, ALLOWED);
    const ids = (found?.sets ?? []).flatMap(({ chosen }) => chosen);
    expect(new Set(ids).size).toBe(24);
    const alone = closestSet(shelf, 8, ALLOWED)?.cost ?? Infinity;
    expect(found?.sets[0]?.cost).toBeGreaterThanOrEqual(alone - 1e-9);
  });
});
