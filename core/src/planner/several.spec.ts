import * as fc from 'fast-check';
import type { Specimen } from '../readings/reading';
import { holds } from '../testing/laws';
import { build, GROUND } from '../testing/plans';
import { taken } from '../testing/taken';
import type { Demands } from './demands';
import { setOf, type SetFound } from './evaluate';
import { planFor } from './plan';
import { problemOf, type PlanGround } from './problem';
import { isLeaf } from './search';
import { leastTogether, setsForEngines } from './several';

describe('some of many that score the least in sum', () => {
  const MANY = fc.array(
    fc.record({
      score: fc.integer({ min: 0, max: 30 }),
      uses: fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd'), { maxLength: 2 }),
    }),
    { maxLength: 8 },
  );

  it('use nothing twice, and are the least of all that do not, by plain enumeration', () => {
    holds(
      fc.property(MANY, fc.integer({ min: 1, max: 3 }), (drawn, count) => {
        const all = [...drawn].sort((a, b) => a.score - b.score);
        // What uses nothing may be taken as often as one likes.
        const again = all.flatMap((each) =>
          each.uses.length === 0 ? Array.from({ length: count }, () => each) : [each],
        );
        const sums = [...taken(again, count)]
          .filter((some) => {
            const uses = some.flatMap((each) => each.uses);
            return new Set(uses).size === uses.length;
          })
          .map((some) => some.reduce((so, { score }) => so + score, 0));
        const found = leastTogether(all, count);
        if (sums.length === 0) return found.taken === undefined;
        return found.whole && found.taken?.length === count && found.sum === Math.min(...sums);
      }),
      500,
    );
  });

  it('are none where the sum is no less than it must be', () => {
    expect(leastTogether([{ score: 5, uses: [] }], 2, 10).taken).toBeUndefined();
    expect(leastTogether([{ score: 5, uses: [] }], 2, 10.1).taken).toEqual([0, 0]);
  });
});

describe('sets for several engines from one shelf', () => {
  /** Cranks that lie there, measured or not, of these patterns. */
  const lying = (...patterns: readonly string[]): PlanGround => {
    const shelf = patterns.map((pattern, at): Specimen => ({
      id: `7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a00${10 + at}`,
      name: `Crank ${at}`,
      kind: 'crank',
      readings: [],
      confirmed: { pattern, by: 'known', at: '2026-10-05T09:00:00Z' },
    }));
    return {
      ...GROUND,
      shelf,
      specimens: shelf,
      takenFor: (specimen) => specimen.confirmed?.pattern,
    };
  };
  const cranks = GROUND.ofKind('crank').flatMap(({ pattern }) => (pattern?.startsWith('minnow') ? [pattern] : []));
  const [one = '', two = one] = cranks;
  const demands: Demands = {
    places: [
      { slot: 'crank', from: 'any' },
      { slot: 'piston', from: 'any' },
    ],
    limits: { open: 20 },
    engines: 2,
  };
  const specimensOf = ({ options }: SetFound) =>
    options.flatMap(({ places }) => places.flatMap(({ specimen }) => specimen ?? []));
  /** Every set there is, one by one, then every way to take so many of them. */
  const plainly = (ground: PlanGround, count: number): number => {
    const problem = problemOf(build('minnow-48'), demands, ground);
    const [first, second] = problem.choices.filter(({ free }) => free).map(({ options }) => options.length);
    const at = problem.choices.map(({ free }, which) => (free ? which : -1)).filter((which) => which >= 0);
    const sets: SetFound[] = [];
    for (let a = 0; a < (first ?? 0); a++)
      for (let b = 0; b < (second ?? 0); b++) {
        const options = problem.choices.flatMap(
          ({ options: all }, which) => all[which === at[0] ? a : which === at[1] ? b : 0] ?? [],
        );
        const set = setOf(problem, options);
        if (isLeaf(set)) sets.push(set);
      }
    const again = sets.flatMap((set) =>
      specimensOf(set).length === 0 ? Array.from({ length: count }, () => set) : [set],
    );
    const sums = [...taken(again, count)]
      .filter((some) => new Set(some.flatMap(specimensOf)).size === some.flatMap(specimensOf).length)
      .map((some) => some.reduce((so, { score }) => so + score, 0));
    return Math.min(Infinity, ...sums);
  };

  it('score the least in sum of all there are, by plain enumeration, and take no part twice', () => {
    for (const ground of [lying(one), lying(one, two, two)]) {
      const found = setsForEngines(problemOf(build('minnow-48'), demands, ground), 2);
      const sets = found.best.map(({ leaf }) => leaf);
      expect([found.engines, found.proved]).toEqual([2, true]);
      expect(sets.reduce((so, { score }) => so + score, 0)).toBeCloseTo(plainly(ground, 2), 6);
      const used = sets.flatMap(specimensOf);
      expect(new Set(used).size).toBe(used.length);
    }
  });

  it('are for as many engines as there is enough for', () => {
    const ground = lying(one, one);
    const asked: Demands = { ...demands, engines: 3, places: [{ slot: 'crank', from: 'shelf' }] };
    const found = setsForEngines(problemOf(build('minnow-48'), asked, ground), 3);
    expect([found.engines, found.best.length, found.proved]).toEqual([2, 2, true]);
    const none = setsForEngines(problemOf(build('minnow-48'), asked, lying()), 3);
    expect([none.engines, none.best.length, none.proved]).toEqual([0, 0, true]);
  });

  it('of one engine are the best set', () => {
    const problem = problemOf(build('minnow-48'), { ...demands, engines: 1 }, lying(one));
    expect(setsForEngines(problem, 1).best[0]?.leaf.score).toBe(planFor(problem, { answers: 1 }).best[0]?.leaf.score);
  });

  it('that were stopped are not called proved', () => {
    const found = setsForEngines(problemOf(build('minnow-48'), demands, lying(one)), 2, { isStopped: () => true });
    expect(found.proved).toBeFalse();
  });
});
