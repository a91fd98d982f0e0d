import { CATALOGUE } from '../testing/demo';
import { build, GROUND } from '../testing/plans';
import { OPERATION_IDS } from '../joints/index';
import type { Demands } from './demands';
import { linearProgramOf } from './linearProgram';
import { miniZincOf } from './miniZinc';
import { planFor } from './plan';
import { problemOf } from './problem';
import { NoTableModelError, solveTables, tableModelOf, type TableModel } from './tableModel';

const problem = (variant: string, slots: readonly string[], more: Partial<Demands> = {}) =>
  problemOf(
    build(variant),
    {
      places: slots.map((slot) => ({ slot, from: 'any' })),
      forbid: [...OPERATION_IDS],
      answers: 1,
      ...more,
    },
    { ...GROUND, shelf: [] },
  );

/** Two places of three and two options: the cheapest of each do not go together, and one pair is open. */
const SMALL: TableModel = {
  variables: [
    { name: 'crank', costs: Float64Array.of(10, 20, 40) },
    { name: 'rod', costs: Float64Array.of(5, 6.25) },
  ],
  tables: [
    {
      name: 'Big ends: oil clearance',
      vars: [0, 1],
      classes: [Int32Array.of(0, 1, 1), Int32Array.of(0, 1)],
      rows: [
        [0, 1, 1],
        [1, 0, 0],
        [1, 1, 0],
      ],
    },
  ],
  sums: [
    { name: 'Squish', vars: [0, 1], adds: [Float64Array.of(1, 2, 3), Float64Array.of(0, 0.5)], low: 1.2, high: 9 },
  ],
  mostOpen: 1,
  openCosts: 20,
};

describe('a plan as tables and sums', () => {
  it('has the optimum of the plan, for every engine whose bottom end can be bought whole', () => {
    let told = 0;
    for (const { id } of CATALOGUE.variants.filter((_, at) => at % 3 === 0)) {
      const here = problem(id, ['crank', 'mainShell', 'pin', 'piston', 'rings']);
      let model: TableModel;
      try {
        model = tableModelOf(here);
      } catch (error) {
        expect(error).withContext(id).toBeInstanceOf(NoTableModelError);
        continue;
      }
      const [plan, tables] = [planFor(here), solveTables(model)];
      expect([plan.proved, tables.proved]).withContext(id).toEqual([true, true]);
      if (!plan.best[0]) continue;
      const [best] = tables.best;
      const parts = here.choices.flatMap(({ options }, at) => options[best?.selection[at] ?? 0]?.part ?? []);
      // What a part wants besides is no table: then the set costs more.
      const wanting = parts.some(({ companions = [] }) => companions.length > 0);
      if (wanting) expect(best?.leaf.score).withContext(id).toBeLessThanOrEqual(plan.best[0].leaf.score);
      else {
        told++;
        expect(best?.leaf.score).withContext(id).toBeCloseTo(plan.best[0].leaf.score, 6);
      }
    }
    expect(told).toBeGreaterThan(3);
  });

  it('holds targets as sums over the places, and a ratio as two', () => {
    const slots = ['crank', 'rod', 'piston', 'headGasket', 'pin', 'rings', 'mainShell', 'rodShell'];
    const targets = [{ figure: 'squish', low: 0.9, high: 1.6 }];
    const here = problem('sluice-336', slots, { targets });
    const model = tableModelOf(here);
    expect(model.sums.map(({ name, low, high }) => [name, low, high])).toEqual([['Squish', 0.9, 1.6]]);
    const [plan] = planFor(here).best;
    expect(solveTables(model).best[0]?.leaf.score).toBeCloseTo(plan?.leaf.score ?? Number.NaN, 6);
  });

  it('is not made of what it cannot say', () => {
    const made = (more: Partial<Demands>) => () => tableModelOf(problem('sluice-336', ['piston'], more));
    expect(made({ limits: { price: 500 } })).toThrowError(NoTableModelError, /go by the whole set/);
    expect(made({ targets: [{ figure: 'squish', low: 1, weight: 100 }] })).toThrowError(
      NoTableModelError,
      /only wished/,
    );
  });

  it('is solved as by trying all of it', () => {
    // By hand: 10 + 6.25 and 20 for what is open are 36.25; 20 + 5 are 25 with a squish of 2.
    expect(solveTables(SMALL).best[0]).toEqual({ selection: [1, 0], leaf: { score: 25, key: '1,0' } });
    const tight = { ...SMALL, sums: SMALL.sums.map((sum) => ({ ...sum, high: 1.6 })) };
    expect(solveTables(tight).best[0]?.leaf.score).toBeCloseTo(36.25, 9);
    expect(solveTables({ ...tight, mostOpen: 0 }).best).toEqual([]);
  });
});

describe('a plan for other solvers', () => {
  it('is MiniZinc with an element for each class, a table for each check, and money in cents', () => {
    const lines = miniZincOf(SMALL).split('\n');
    for (const line of [
      'include "table.mzn";',
      'var 1..3: x0;',
      'array[1..2] of int: cost1 = [500,625];',
      'array[1..3] of int: k0_0 = [1,2,2];',
      'var 1..2: c0_0 = k0_0[x0];',
      'constraint table([c0_0, c0_1, o0], array2d(1..3, 1..3, [1,2,1,2,1,0,2,2,0]));',
      'constraint s0_0[x0] + s0_1[x1] >= 12000;',
      'constraint o0 <= 1;',
      'var int: total = cost0[x0] + cost1[x1] + 2000 * o0;',
    ])
      expect(lines).toContain(line);
    expect(miniZincOf({ ...SMALL, tables: SMALL.tables.map((table) => ({ ...table, rows: [] })) })).toContain(
      'constraint false;',
    );
  });

  it('is a linear program that chooses a row of each table', () => {
    const program = linearProgramOf(SMALL).replace(/\s+/g, ' ');
    for (const part of [
      'Minimize + 10 x0_0 + 20 x0_1 + 40 x0_2 + 5 x1_0 + 6.25 x1_1 + 20 y0_0',
      '+ 1 x0_0 + 1 x0_1 + 1 x0_2 = 1',
      '+ 1 y0_0 + 1 y0_1 + 1 y0_2 = 1',
      // The second and third crank are of one class, of which two rows are.
      '+ 1 y0_1 + 1 y0_2 - 1 x0_1 - 1 x0_2 = 0',
      '+ 1 x0_0 + 2 x0_1 + 3 x0_2 + 0.5 x1_1 >= 1.2',
      'Binaries x0_0 x0_1 x0_2 x1_0 x1_1 End',
    ])
      expect(program).toContain(part);
  });
});
