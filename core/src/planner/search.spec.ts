import * as fc from 'fast-check';
import { betterFirst, type Chosen, type Leaf } from './best';
import { SAYS, type Constraint, type Says } from './constraint';
import { isLeaf, searchFor, type SearchProblem } from './search';
import { holds } from '../testing/laws';

/** Plain enumeration: every choice there is, one after another. */
function enumerated<L extends Leaf>(problem: SearchProblem<L>, answers: number): readonly Chosen<L>[] {
  const byKey = new Map<string, Chosen<L>>();
  const selection = problem.costs.map(() => 0);
  const sizes = problem.costs.map(({ length }) => length);
  if (sizes.includes(0)) return [];
  for (let more = true; more;) {
    const says = problem.constraints.map(({ vars, judge }) => judge(vars.map((at) => selection[at] ?? 0)));
    const spent = problem.budgets.every(
      ({ most, takes }) => takes.reduce((sum, each, at) => sum + (each[selection[at] ?? 0] ?? 0), 0) <= most,
    );
    const open = says.filter((each) => each === SAYS.open).length;
    if (spent && !says.includes(SAYS.refuses) && open <= problem.mostOpen) {
      const leaf = problem.leaf(selection, Infinity);
      if (isLeaf(leaf)) {
        const chosen = { selection: [...selection], leaf };
        const before = byKey.get(leaf.key);
        if (!before || betterFirst(chosen, before) < 0) byKey.set(leaf.key, chosen);
      }
    }
    more = false;
    for (let at = sizes.length - 1; at >= 0; at--) {
      selection[at] = (selection[at] ?? 0) + 1;
      if ((selection[at] ?? 0) < (sizes[at] ?? 0)) {
        more = true;
        break;
      }
      selection[at] = 0;
    }
  }
  return [...byKey.values()].sort(betterFirst).slice(0, answers);
}

/** A number from 0 to 1 that goes by what is given and nothing else. */
function drawn(...of: readonly number[]): number {
  let hash = 2166136261;
  for (const each of of) hash = Math.imul(hash ^ (each + 0x9e37), 16777619);
  hash ^= hash >>> 13;
  hash = Math.imul(hash, 0x5bd1e995);
  return ((hash ^ (hash >>> 15)) >>> 0) / 2 ** 32;
}

const SMALL = fc.record({
  sizes: fc.array(fc.integer({ min: 1, max: 5 }), { minLength: 1, maxLength: 5 }),
  arcs: fc.integer({ min: 0, max: 9 }),
  tight: fc.double({ min: 0, max: 0.8, noNaN: true }),
  budget: fc.option(fc.integer({ min: 5, max: 60 })),
  mostOpen: fc.integer({ min: 0, max: 3 }),
  keys: fc.boolean(),
  ties: fc.boolean(),
  seed: fc.integer({ min: 0, max: 1e6 }),
});

type DrawnOne = typeof SMALL extends fc.Arbitrary<infer T> ? T : never;

/** Where nothing may be done. */
const withoutWork = (says: Says): Says => (says === SAYS.atACost ? SAYS.refuses : says);

/** A problem made up: costs, things that go together or not, some at a cost, some open; leaves that refuse. */
function madeUp({ sizes, arcs, tight, budget, mostOpen, keys, ties, seed }: DrawnOne): SearchProblem<Leaf> {
  const costs = sizes.map((size, at) =>
    Float64Array.from({ length: size }, (_, option) =>
      ties ? Math.floor(drawn(seed, at, option) * 3) : drawn(seed, at, option) * 20,
    ).sort(),
  );
  const constraints = Array.from({ length: arcs }, (_, which): Constraint => {
    const wide = 1 + Math.floor(drawn(seed, which, 77) * Math.min(3, sizes.length));
    const vars = [...sizes.keys()]
      .sort((a, b) => drawn(seed, which, a, 5) - drawn(seed, which, b, 5))
      .slice(0, wide)
      .sort((a, b) => a - b);
    const judge = (options: readonly number[]): Says => {
      const luck = drawn(seed, which, ...options);
      if (luck < tight) return SAYS.refuses;
      const kind = drawn(seed, which, 9, ...options);
      return kind < 0.2 ? SAYS.open : kind < 0.5 ? SAYS.atACost : SAYS.agrees;
    };
    const dear = drawn(seed, which, 6) < 0.3;
    return {
      name: `c${which}`,
      vars,
      judge,
      ...(dear ? { dear } : {}),
      ...(drawn(seed, which, 2) < 0.5 ? { plain: (options) => withoutWork(judge(options)) } : {}),
      floor: (options) => 10 * drawn(seed, which, 3, ...options),
    };
  });
  const takes = costs.map((each, at) => each.map((_, option) => Math.floor(drawn(seed, at, option, 8) * 20)));
  return {
    costs,
    constraints,
    budgets: budget === null ? [] : [{ name: 'money', most: budget, takes }],
    mostOpen,
    leaf: (selection) => {
      if (drawn(seed, 4, ...selection) < 0.15) return { refused: 'as a whole' };
      const own = selection.reduce((sum, option, at) => sum + (costs[at]?.[option] ?? 0), 0);
      const dear = constraints.map(({ vars, judge, floor }) => {
        const options = vars.map((at) => selection[at] ?? 0);
        return judge(options) === SAYS.atACost ? (floor?.(options) ?? 0) : 0;
      });
      // No less than the dearest: mostly more, as different things are paid one by one.
      const extra = Math.max(0, ...dear) + (ties ? 0 : 0.3 * dear.reduce((a, b) => a + b, 0));
      return { score: own + extra, key: keys ? selection.slice(0, 2).join() : selection.join() };
    },
  };
}

describe('branch and bound', () => {
  it('tells as it goes what it has and what it must still beat, and both only ever come nearer', () => {
    holds(
      fc.property(SMALL, fc.integer({ min: 1, max: 3 }), (drawnOne, answers) => {
        const problem = madeUp(drawnOne);
        const told: { readonly bound: number; readonly worst: number; readonly least: number }[] = [];
        const result = searchFor(problem, { answers, effort: Infinity }, (progress) => {
          const { best, bound } = progress();
          const scores = best.map(({ leaf }) => leaf.score);
          told.push({
            bound,
            least: scores[0] ?? Infinity,
            worst: scores.length < answers ? Infinity : (scores.at(-1) ?? Infinity),
          });
        });
        const final = result.best.map(({ leaf }) => leaf.score);
        return told.every(
          ({ bound, least, worst }, at) =>
            // Whatever is still to come scores no less than the bound said, unless it was there already.
            final.every((score) => score >= Math.min(bound, least) - 1e-9) &&
            bound <= worst &&
            least <= (told[at - 1]?.least ?? Infinity) &&
            worst <= (told[at - 1]?.worst ?? Infinity),
        );
      }),
      200,
    );
  });

  it('leaves out what scores as much as it was told to beat, and proves no less', () => {
    holds(
      fc.property(SMALL, fc.double({ min: 0, max: 60, noNaN: true }), (drawnOne, below) => {
        const problem = madeUp(drawnOne);
        const { best, proved } = searchFor(problem, { answers: 2, effort: Infinity, below });
        const plain = enumerated(problem, 2).filter(({ leaf }) => leaf.score < below);
        return proved && JSON.stringify(best) === JSON.stringify(plain);
      }),
      300,
    );
  });

  it('has told of its answers by the time it ends', () => {
    holds(
      fc.property(SMALL, (drawnOne) => {
        let last: readonly Chosen<Leaf>[] = [];
        const result = searchFor(madeUp(drawnOne), { answers: 2, effort: Infinity }, (progress) => {
          last = progress().best;
        });
        return JSON.stringify(last) === JSON.stringify(result.best);
      }),
      200,
    );
  });

  it('agrees with plain enumeration in the best, in the best few, and in their order', () => {
    holds(
      fc.property(SMALL, fc.integer({ min: 1, max: 6 }), (drawnOne, answers) => {
        const problem = madeUp(drawnOne);
        const { best, proved, bound } = searchFor(problem, { answers, effort: 1e6 });
        const plain = enumerated(problem, answers);
        expect(proved).toBeTrue();
        expect(best.map(({ selection }) => selection)).toEqual(plain.map(({ selection }) => selection));
        for (const [at, { leaf }] of best.entries()) expect(leaf.score).toBeCloseTo(plain[at]?.leaf.score ?? NaN, 9);
        if (best.length === answers) expect(bound).toBe(best.at(-1)?.leaf.score ?? NaN);
      }),
      500,
    );
  });

  it('stopped anywhere, tells a bound that no choice goes below, and no answer that does not hold', () => {
    holds(
      fc.property(SMALL, fc.integer({ min: 1, max: 40 }), (drawnOne, effort) => {
        const problem = madeUp(drawnOne);
        const { best, proved, bound, nodes } = searchFor(problem, { answers: 1, effort });
        const [plain] = enumerated(problem, 1);
        expect(nodes).toBeLessThanOrEqual(effort);
        if (proved) expect(best[0]?.selection).toEqual(plain?.selection);
        else if (plain) expect(Math.min(bound, best[0]?.leaf.score ?? Infinity)).toBeLessThanOrEqual(plain.leaf.score);
        if (best[0]) expect(best[0].leaf.score).toBeGreaterThanOrEqual((plain?.leaf.score ?? NaN) - 1e-9);
      }),
      300,
    );
  });

  it('told to stop before it has begun, looks at no leaf', () => {
    holds(
      fc.property(SMALL, (drawnOne) => {
        const { best, leaves } = searchFor(madeUp(drawnOne), { answers: 1, effort: 1e6, isStopped: () => true });
        expect([best.length, leaves]).toEqual([0, 0]);
      }),
      100,
    );
  });

  it('gives the same answer whatever else goes on: the order of what it is told changes nothing', () => {
    holds(
      fc.property(SMALL, (drawnOne) => {
        const problem = madeUp(drawnOne);
        const turned = { ...problem, constraints: [...problem.constraints].reverse() };
        const limits = { answers: 3, effort: 1e6 };
        expect(searchFor(turned, limits).best).toEqual(searchFor(problem, limits).best);
      }),
      100,
    );
  });

  it('looks at far fewer leaves than there are choices, where little goes together', () => {
    const size = 8;
    const costs = Array.from({ length: 6 }, () => Float64Array.from({ length: size }, (_, option) => option));
    // A chain: each goes with the one beside it that is one dearer.
    const constraints = Array.from({ length: 5 }, (_, at): Constraint => ({
      name: `step ${at}`,
      vars: [at, at + 1],
      judge: ([a = 0, b = 0]) => (b === a + 1 ? SAYS.agrees : SAYS.refuses),
    }));
    const { best, leaves, proved } = searchFor<Leaf>(
      {
        costs,
        constraints,
        budgets: [],
        mostOpen: 0,
        leaf: (selection) => ({ score: selection.reduce((a, b) => a + b, 0), key: selection.join() }),
      },
      { answers: 1, effort: 1e6 },
    );
    expect(best[0]?.selection).toEqual([0, 1, 2, 3, 4, 5]);
    expect(proved).toBeTrue();
    expect(leaves).toBe(1);
  });

  it('begins with what holds as it is, however much cheaper what wants work may look', () => {
    const costs = Array.from({ length: 3 }, () => Float64Array.from({ length: 20 }, (_, at) => at));
    const looked: string[] = [];
    const problem: SearchProblem<Leaf> = {
      costs,
      // Of two only the dearest go together as they are; all others would have to be worked on.
      constraints: [0, 1].map((at): Constraint => {
        const judge = ([a = 0, b = 0]: readonly number[]) => (a === 19 && b === 19 ? SAYS.agrees : SAYS.atACost);
        return { name: `${at}`, vars: [at, at + 1], judge, plain: (options) => withoutWork(judge(options)) };
      }),
      budgets: [],
      mostOpen: 0,
      leaf: (selection) => {
        looked.push(selection.join());
        const score = selection.reduce((a, b) => a + b, 0);
        return score > 50 ? { score, key: selection.join() } : { refused: 'the work does not come together' };
      },
    };
    const first = searchFor(problem, { answers: 1, effort: 1e6, first: true });
    expect(first.best[0]?.selection).toEqual([19, 19, 19]);
    expect(looked).toEqual(['19,19,19']);
    // And goes on to the best, which looks at none of them twice.
    looked.length = 0;
    expect(searchFor(problem, { answers: 1, effort: 1e6 }).best[0]?.leaf.score).toBe(51);
    expect(new Set(looked).size).toBe(looked.length);
  });

  it('says what refused where nothing holds', () => {
    const { best, proved, refusals } = searchFor<Leaf>(
      {
        costs: [Float64Array.of(1, 2), Float64Array.of(1)],
        constraints: [{ name: 'the spline', vars: [0, 1], judge: () => SAYS.refuses }],
        budgets: [],
        mostOpen: 0,
        leaf: () => ({ score: 0, key: '' }),
      },
      { answers: 1, effort: 100 },
    );
    expect([best.length, proved, [...refusals.keys()]]).toEqual([0, true, ['the spline']]);
  });
});
