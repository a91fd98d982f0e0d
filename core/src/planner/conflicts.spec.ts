import * as fc from 'fast-check';
import { brokenDown, conflictsOf, demandsOf, type DemandedBuild } from './conflicts';
import { say } from '../quantity/sentence';
import { holds } from '../testing/laws';
import { build, GROUND } from '../testing/plans';
import { planFor } from './plan';
import { problemOf } from './problem';

/** Every subset of demands, smaller ones first. */
const subsets = (count: number): readonly (readonly number[])[] =>
  Array.from({ length: 2 ** count }, (_, mask) =>
    Array.from({ length: count }, (__, at) => at).filter((at) => (mask >> at) & 1),
  ).sort((a, b) => a.length - b.length);

const isSubset = (a: readonly number[], b: readonly number[]): boolean => a.every((each) => b.includes(each));

describe('demands broken down', () => {
  // What cannot hold together is given: sets of demands, any of which is one too many.
  const GIVEN = fc.record({
    count: fc.integer({ min: 1, max: 7 }),
    nogoods: fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { minLength: 1, maxLength: 4 }), { maxLength: 5 }),
  });

  it('gives every smallest conflict and every smallest way out, as going through all subsets does', () => {
    holds(
      fc.property(GIVEN, ({ count, nogoods }) => {
        const all = Array.from({ length: count }, (_, at) => at);
        const mine = nogoods.filter((each) => each.every((at) => at < count));
        const holds = (held: readonly number[]) => !mine.some((nogood) => isSubset(nogood, held));
        const { conflicts, relaxations } = brokenDown(all, holds, { conflicts: 100, relaxations: 100 });
        const minimal = (of: (subset: readonly number[]) => boolean) =>
          subsets(count).reduce<(readonly number[])[]>(
            (found, subset) =>
              of(subset) && !found.some((smaller) => isSubset(smaller, subset)) ? [...found, subset] : found,
            [],
          );
        const same = (a: readonly (readonly number[])[]) => a.map((each) => [...each].sort().join()).sort();
        expect(same(relaxations)).toEqual(
          same(minimal((dropped) => holds(all.filter((each) => !dropped.includes(each))))),
        );
        // Each conflict is one, and minimal; the tree needs not all of them to find every way out.
        const plain = same(minimal((subset) => !holds(subset)));
        for (const conflict of same(conflicts)) expect(plain).toContain(conflict);
        for (const conflict of conflicts)
          for (const each of conflict) expect(holds(conflict.filter((other) => other !== each))).toBeTrue();
      }),
      500,
    );
  });

  it('tells no more than it is asked for', () => {
    const { conflicts, relaxations } = brokenDown([0, 1, 2, 3, 4, 5], () => false, { conflicts: 2, relaxations: 2 });
    expect(conflicts.length).toBeLessThanOrEqual(2);
    expect(relaxations).toEqual([]);
  });
});

describe('why no set is found', () => {
  const setting: DemandedBuild = {
    build: build('minnow-48'),
    demands: {
      places: [{ slot: 'piston', from: 'any' }],
      targets: [{ figure: 'displacement', low: 120 }],
      limits: { price: 400, open: 0 },
    },
  };
  const found = conflictsOf(setting, GROUND);
  const holding = (ids: readonly string[]) => {
    const all = demandsOf(setting, GROUND);
    const held = all
      .filter(({ id }) => !ids.includes(id))
      .reduce<DemandedBuild>((so, demand) => demand.without(so), setting);
    return planFor(problemOf(held.build, held.demands, GROUND), { answers: 1 }).best.length > 0;
  };

  it('every conflict is one, and without any one of its demands the others can be met', () => {
    expect(found.proved).toBeTrue();
    expect(found.conflicts.length).toBeGreaterThan(0);
    for (const { demands } of found.conflicts) {
      const ids = demands.map(({ id }) => id);
      expect(holding(ids)).withContext(ids.join()).toBeFalse();
      for (const each of ids)
        expect(holding(ids.filter((id) => id !== each)))
          .withContext(each)
          .toBeTrue();
    }
  });

  it('says of each why it cannot hold, with all that is demanded in it', () => {
    const said = found.conflicts.map(({ says }) => say(says, 'metric'));
    for (const each of said) expect(each).toMatch(/^No .+ (?:goes|gives) .+\.$/);
    expect(said.some((each) => each.includes('a displacement of at least 120.0 cc'))).toBeTrue();
    // What is demanded refuses by itself: that is said once.
    for (const each of said) expect(each).not.toContain('refused by displacement');
  });

  it('every way out meets all other demands, and comes with what it takes', () => {
    expect(found.relaxations.length).toBeGreaterThan(0);
    for (const { demands, best } of found.relaxations) {
      const let_ = demands.map(({ id }) => id);
      if (!let_.includes('price')) expect(best.leaf.price).toBeLessThanOrEqual(400);
      if (!let_.includes('open')) expect(best.leaf.open).toBe(0);
      if (!let_.includes('displacement low')) expect(best.leaf.aims[0]?.reaches?.low).toBeGreaterThanOrEqual(120);
    }
    const scores = found.relaxations.map(({ best }) => best.leaf.score);
    expect(scores).toEqual([...scores].sort((a, b) => a - b));
  });

  it('demands say what they are in words', () => {
    const says = demandsOf(setting, GROUND).map((each) => say(each.says, 'metric'));
    expect(says).toContain('Displacement: at least 120.0 cc');
    expect(says).toContain('No more than 400 for parts and work');
    expect(says.some((each) => each.startsWith('Crank: as the engine has it'))).toBeTrue();
    // What is free already is no demand.
    expect(says.some((each) => each.startsWith('Pistons'))).toBeFalse();
  });

  it('one end of a figure is let go without the other', () => {
    const both = { ...setting, demands: { ...setting.demands, targets: [{ figure: 'ratio', low: 9, high: 10 }] } };
    const [low] = demandsOf(both, GROUND).filter(({ id }) => id === 'ratio low');
    expect(low?.without(both).demands.targets).toEqual([{ figure: 'ratio', high: 10 }]);
    expect(low?.wished?.(both).demands.targets).toEqual([
      { figure: 'ratio', high: 10 },
      { figure: 'ratio', low: 9, weight: jasmine.any(Number) as unknown as number },
    ]);
  });

  it('stopped, calls nothing proved', () => {
    expect(conflictsOf(setting, GROUND, () => true).proved).toBeFalse();
  });
});
