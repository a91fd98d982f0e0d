import fc from 'fast-check';
import { holds } from '../testing/laws';
import { orders, spread } from '../testing/orders';
import { interval, middle } from '../quantity/interval';
import { say } from '../quantity/sentence';
import { selectFit } from './selectFit';

const exact = (sizes: readonly number[]) => sizes.map((size) => interval(size));
const WANTED = { low: 0.03, high: 0.05 };

describe('pistons in bores', () => {
  it('leave clearances as alike as any order of them, by plain enumeration', () => {
    const sizes = (count: number) => fc.array(fc.integer({ min: 0, max: 40 }), { minLength: count, maxLength: count });
    holds(
      fc.property(
        fc.integer({ min: 1, max: 5 }).chain((count) => fc.tuple(sizes(count), sizes(count))),
        ([bores, skirts]) => {
          const [holes, made] = [bores.map((each) => 80 + each / 1000), skirts.map((each) => 79.95 + each / 1000)];
          const found = selectFit(exact(holes), exact(made), WANTED, {});
          const least = Math.min(
            ...[...orders(holes.length)].map((order) =>
              spread(holes.map((hole, at) => hole - (made[order[at] ?? 0] ?? 0))),
            ),
          );
          return (
            Math.abs(found.spread - least) < 1e-9 &&
            new Set(found.seated.map(({ piston }) => piston)).size === holes.length &&
            Math.abs(spread(found.seated.map(({ clearance }) => middle(clearance))) - found.spread) < 1e-9
          );
        },
      ),
    );
  });

  // Common practice, no source: the large piston goes to the large bore, and the bore is honed to its piston.
  it('go large to large, and tell what each cylinder is honed to', () => {
    const { seated } = selectFit(exact([80.0, 80.02, 80.01]), exact([79.985, 79.965, 79.975]), WANTED, {});
    expect(seated.map(({ piston }) => piston)).toEqual([1, 0, 2]);
    expect(seated.every(({ verdict, honeTo }) => verdict === 'fits' && honeTo === undefined)).toBeTrue();
    const [tight] = selectFit(exact([80.0]), exact([79.99]), WANTED, {}).seated;
    expect(tight?.verdict).toBe('doesNotFit');
    expect(tight?.honeTo?.low).toBeCloseTo(80.02, 9);
    expect(tight?.honeTo?.high).toBeCloseTo(80.04, 9);
  });

  it('say what no hone mends: a loose piston, and more than a hone takes', () => {
    const [loose] = selectFit(exact([80.0]), exact([79.9]), WANTED, {}).seated;
    expect(loose?.honeTo).toBeUndefined();
    expect(say(loose?.says ?? [], 'metric')).toBe('Loose by 0.050 mm: it wants a larger piston.');
    const [far] = selectFit(exact([79.9]), exact([79.95]), WANTED, {}).seated;
    expect(say(far?.says ?? [], 'metric')).toContain('more than a hone takes');
  });

  it('are chosen of a pool that has more than there are bores', () => {
    const { seated, spread: by } = selectFit(exact([80.0, 80.01]), exact([79.9, 79.97, 79.96, 79.99]), WANTED, {});
    expect(by).toBeCloseTo(0, 9);
    expect(seated.map(({ piston }) => piston)).toEqual([2, 1]);
    expect(() => selectFit(exact([80, 80.1]), exact([79.9]), WANTED, {})).toThrowError(RangeError);
  });
});
