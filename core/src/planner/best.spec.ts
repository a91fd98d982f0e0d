import fc from 'fast-check';
import { Best, betterFirst, type Chosen, type Leaf } from './best';
import { holds } from '../testing/laws';

const LEAVES = fc.array(
  fc.record({
    score: fc.integer({ min: 0, max: 12 }),
    key: fc.constantFrom('a', 'b', 'c', 'd', 'e'),
    selection: fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 })),
  }),
  { maxLength: 40 },
);

const chosen = ({ score, key, selection }: { score: number; key: string; selection: readonly number[] }) => ({
  selection,
  leaf: { score, key },
});

describe('the best of each key', () => {
  it('are those that sorting all of them would give, in whatever order they come', () => {
    holds(
      fc.property(LEAVES, fc.integer({ min: 1, max: 6 }), (drawn, most) => {
        const best = new Best<Leaf>(most);
        for (const each of drawn) best.offer(chosen(each));
        const sorted = drawn.map(chosen).sort(betterFirst);
        const plain = sorted.filter(({ leaf }, at) => sorted.findIndex((other) => other.leaf.key === leaf.key) === at);
        expect(best.all).toEqual(plain.slice(0, most));
      }),
    );
  });

  it('want nothing that scores as much as is to be beaten', () => {
    const best = new Best<Leaf>(3, 10);
    for (const score of [12, 10, 9.5, 11]) best.offer(chosen({ score, key: String(score), selection: [score] }));
    expect(best.all.map(({ leaf }) => leaf.score)).toEqual([9.5]);
    expect(best.threshold).toBe(10);
  });

  it('say what a further one must beat once there are enough', () => {
    const best = new Best<Leaf>(2);
    expect(best.threshold).toBe(Infinity);
    best.offer(chosen({ score: 5, key: 'a', selection: [0] }));
    expect(best.threshold).toBe(Infinity);
    best.offer(chosen({ score: 8, key: 'b', selection: [1] }));
    expect(best.threshold).toBe(8);
    best.offer(chosen({ score: 7, key: 'b', selection: [2] }));
    expect(best.threshold).toBe(7);
  });

  it('stand in the order of their options where they score the same', () => {
    const two: Chosen<Leaf>[] = [
      chosen({ score: 3, key: 'x', selection: [1, 0] }),
      chosen({ score: 3 + 1e-12, key: 'y', selection: [0, 2] }),
    ];
    expect([...two].sort(betterFirst).map(({ leaf }) => leaf.key)).toEqual(['y', 'x']);
  });
});
