import { build, GROUND } from '../testing/plans';
import type { Demands } from './demands';
import { Groundworks } from './groundwork';
import { planFor, searchProblemOf } from './plan';
import { problemOf } from './problem';

describe('what is worked out for a plan', () => {
  const same = build('sluice-336');
  const demands: Demands = {
    places: [
      { slot: 'crank', from: 'any' },
      { slot: 'piston', from: 'any' },
    ],
    targets: [{ figure: 'displacement', low: 5700, high: 5950 }],
    limits: { open: 30 },
  };
  const first = problemOf(same, demands, GROUND);
  const some = GROUND.ofKind('crank').flatMap(({ pattern }) =>
    pattern?.startsWith('sluice') === true ? [pattern] : [],
  );

  it('serves plans over the same parts, whatever is aimed at and in whatever order their prices put them, and over some of them', () => {
    const groundworks = new Groundworks();
    const { figures } = groundworks.of(first);
    for (const [asked, atHand] of [
      [{ ...demands, targets: [] }],
      [{ ...demands, targets: [{ figure: 'ratio', low: 9 }] }],
      [{ ...demands, weights: { ...first.weights, hours: 40 } }],
      [demands, 'piston'],
      [demands, 'crank'],
      [
        {
          ...demands,
          places: [
            { slot: 'crank', from: 'these', patterns: some },
            { slot: 'piston', from: 'any' },
          ],
        },
      ],
      [demands],
    ] as readonly (readonly [Demands, string?])[]) {
      const problem = problemOf(same, asked, GROUND, atHand);
      const groundwork = groundworks.of(problem);
      expect(groundwork.figures).toBe(figures);
      const mine = searchProblemOf(problem, groundwork);
      const fresh = searchProblemOf(problem);
      expect(mine.constraints.length).toBe(fresh.constraints.length);
      const options = problem.choices.map(({ options: all }) => all.length);
      // Options here and there of every check, by what was worked out before and anew.
      for (const [at, { name, vars, judge }] of fresh.constraints.entries())
        for (const share of [0, 0.3, 0.6, 0.9]) {
          const some = vars.map((each) => Math.floor(share * (options[each] ?? 1)));
          expect(mine.constraints[at]?.judge(some)).withContext(name).toBe(judge(some));
        }
      const [found, plainly] = [planFor(problem, {}, undefined, groundworks), planFor(problem)];
      expect(found.best.map(({ leaf }) => [leaf.key, leaf.score])).toEqual(
        plainly.best.map(({ leaf }) => [leaf.key, leaf.score]),
      );
      expect(found.proved).toBe(plainly.proved);
    }
  });

  it('is worked out anew for other parts, other work, and another build', () => {
    const groundworks = new Groundworks();
    const { figures } = groundworks.of(first);
    expect(groundworks.of(problemOf(same, { ...demands, targets: [] }, GROUND)).figures).toBe(figures);
    for (const other of [
      problemOf(same, { ...demands, places: [...demands.places, { slot: 'rod', from: 'any' }] }, GROUND),
      problemOf(same, { ...demands, places: [{ slot: 'crank', from: 'any' }] }, GROUND),
      problemOf(same, { ...demands, forbid: ['bore'] }, GROUND),
      problemOf(same, { ...demands, reversible: true }, GROUND),
      problemOf(build('sluice-310'), demands, GROUND),
    ])
      expect(groundworks.of(other).figures).not.toBe(figures);
  });
});
