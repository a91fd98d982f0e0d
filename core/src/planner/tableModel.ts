import type { PlacedPart } from '../joints/index.js';
import { middle } from '../quantity/interval.js';
import { random } from '../quantity/random.js';
import { FigureTeller } from './figureTeller.js';
import { searchProblemOf } from './plan.js';
import type { Aim, PlanProblem } from './problem.js';
import type { Leaf } from './best.js';
import { SAYS, type Constraint, type Says } from './constraint.js';
import { searchFor, type SearchResult } from './search.js';

/** What some variables must agree in, class by class. */
export interface Table {
  readonly name: string;
  /** Indexes of variables. */
  readonly vars: readonly number[];
  /** For each of them the class of each option, from nought. */
  readonly classes: readonly Int32Array[];
  /** Classes that go together, with 1 at the end where that cannot be told yet, else 0. */
  readonly rows: readonly (readonly number[])[];
}

/** A sum over variables that must come to lie between two ends. */
export interface Sum {
  readonly name: string;
  readonly vars: readonly number[];
  /** For each of them what each option adds. */
  readonly adds: readonly Float64Array[];
  readonly low: number;
  readonly high: number;
}

/** A plan as plain tables and sums, as one would hand it to any solver. */
export interface TableModel {
  readonly variables: readonly { readonly name: string; readonly costs: Float64Array }[];
  readonly tables: readonly Table[];
  readonly sums: readonly Sum[];
  readonly mostOpen: number;
  /** What each open row adds to the cost. */
  readonly openCosts: number;
}

/** A plan that tables and sums do not say. */
export class NoTableModelError extends Error {
  override readonly name = 'NoTableModelError';
}

/** More rows than this are no table any more. */
const MOST_ROWS = 2_000_000;

/**
 * A plan as tables and sums. That is the whole of it where no work is allowed and everything that goes in anew is among
 * the places: what a set then costs is what its parts cost, and so much for each check that is open. Companions that a
 * part wants besides cost more than the tables know of.
 *
 * @throws NoTableModelError where a check wants work, or a target is no sum over the places
 */
export function tableModelOf(problem: PlanProblem): TableModel {
  const { constraints, costs } = searchProblemOf(problem);
  if (problem.demands.limits?.price !== undefined || problem.demands.limits?.hours !== undefined)
    throw new NoTableModelError('Limits of money and hours go by the whole set.');
  return {
    variables: problem.choices.map(({ slot }, at) => ({ name: slot, costs: costs[at] ?? new Float64Array() })),
    tables: constraints.filter(({ dear }) => !dear).flatMap((each) => tableOf(each, costs)),
    sums: problem.aims.flatMap((aim) => sumsOf(problem, aim)),
    mostOpen: problem.mostOpen,
    openCosts: problem.weights.open,
  };
}

/** The rows of a constraint; none where everything goes with everything. */
function tableOf({ name, vars, classes, judge }: Constraint, costs: readonly Float64Array[]): readonly Table[] {
  const own = vars.map((at, place) => classes?.[place] ?? Int32Array.from(costs[at] ?? [], (_, option) => option));
  /** An option that speaks for its class. */
  const speaking = own.map((each) => {
    const first: number[] = [];
    each.forEach((number, option) => (first[number] ??= option));
    return first;
  });
  const count = speaking.reduce((so, each) => so * each.length, 1);
  if (count > MOST_ROWS) throw new NoTableModelError(`${name}: ${count} rows are no table.`);
  const rows: number[][] = [];
  let [whole, open] = [true, false];
  for (let which = 0; which < count; which++) {
    const row: number[] = [];
    for (let place = speaking.length - 1, left = which; place >= 0; place--) {
      const size = speaking[place]?.length ?? 1;
      row.unshift(left % size);
      left = Math.floor(left / size);
    }
    const says = judge(row.map((number, place) => speaking[place]?.[number] ?? 0));
    if (says === SAYS.atACost) throw new NoTableModelError(`${name} wants work.`);
    if (says === SAYS.refuses) whole = false;
    else rows.push([...row, says === SAYS.open ? 1 : 0]);
    open ||= says === SAYS.open;
  }
  return whole && !open ? [] : [{ name, vars, classes: own, rows }];
}

/** How often it is tried whether a figure is the sum it looks like. */
const TRIED = 80;
/** Sums and figures that differ by less are the same. */
const SAME = 1e-6;

/** A target as a sum; that of a ratio as two: what is swept less so many times what is left over the piston. */
function sumsOf(problem: PlanProblem, { of, low, high, weight }: Aim): readonly Sum[] {
  if (weight !== undefined) throw new NoTableModelError(`${of.name} is only wished.`);
  const { name } = of;
  if (of.id !== 'ratio') return [{ ...addsOf(problem, of), name, ...ends(low, high) }];
  const [swept, clearance] = ['swept', 'clearance'].map((id) => addsOf(problem, figureNamed(of, id)));
  if (!swept || !clearance) return [];
  const less = (times: number): Pick<Sum, 'vars' | 'adds'> => ({
    vars: swept.vars,
    adds: swept.adds.map((each, at) =>
      each.map((value, option) => value - times * (clearance.adds[at]?.[option] ?? 0)),
    ),
  });
  return [
    ...(low === undefined ? [] : [{ ...less(low - 1), name: `${name}, least`, ...ends(0, undefined) }]),
    ...(high === undefined ? [] : [{ ...less(high - 1), name: `${name}, most`, ...ends(undefined, 0) }]),
  ];
}

const ends = (low = -Infinity, high = Infinity) => ({ low, high });

function figureNamed({ of, name }: Aim['of'], id: string): Aim['of'] {
  const input = of[id];
  if (input?.reads !== 'figure') throw new NoTableModelError(`${name} does not go by ${id}.`);
  return input.figure;
}

/** What each option adds to a figure, if it is a sum over the places. */
function addsOf(problem: PlanProblem, figure: Aim['of']): Pick<Sum, 'vars' | 'adds'> {
  const { choices, fixed, recipients } = problem;
  const figures = new FigureTeller(problem);
  const value = (selection: readonly number[]): number => {
    const parts = choices.flatMap(({ slot, options }, at): readonly PlacedPart[] => {
      const option = options[selection[at] ?? 0];
      return option ? [{ slot, part: option.part }] : [];
    });
    const taken = new Set(parts.map(({ slot }) => slot));
    const { reaches } = figures.told(figure, [
      ...parts,
      ...fixed,
      ...recipients.filter(({ slot }) => !taken.has(slot)),
    ]);
    if (!reaches) throw new NoTableModelError(`${figure.name} cannot be told of every choice.`);
    return middle(reaches);
  };
  const base = choices.map(() => 0);
  const from = value(base);
  const adds = choices.map(({ options }, at) =>
    Float64Array.from(options, (_, option) => {
      const one = [...base];
      one[at] = option;
      return value(one) - from;
    }),
  );
  const next = random(7);
  for (let turn = 0; turn < TRIED; turn++) {
    const selection = choices.map(({ options }) => Math.floor(next() * options.length));
    const sum = selection.reduce((so, option, at) => so + (adds[at]?.[option] ?? 0), from);
    if (Math.abs(sum - value(selection)) > SAME * Math.max(1, Math.abs(from)))
      throw new NoTableModelError(`${figure.name} is no sum over the places.`);
  }
  // What it comes to at the start is added by the first.
  const [first] = adds;
  if (first) adds[0] = first.map((each) => each + from);
  return { vars: choices.map((_, at) => at), adds };
}

/** The sum that options of its variables come to. */
const sumOf = ({ vars, adds }: Sum, selection: readonly number[]): number =>
  vars.reduce((so, at, place) => so + (adds[place]?.[selection[at] ?? 0] ?? 0), 0);

/** A table as a constraint: what stands in no row is refused. */
function constraintOf({ name, vars, classes, rows }: Table): Constraint {
  const sizes = classes.map((each) => each.reduce((so, number) => Math.max(so, number), 0) + 1);
  const keyOf = (numbers: readonly number[]): number =>
    sizes.reduce((so, size, place) => so * size + (numbers[place] ?? 0), 0);
  const said = new Uint8Array(sizes.reduce((so, size) => so * size, 1)).fill(SAYS.refuses);
  for (const row of rows) said[keyOf(row)] = row[sizes.length] === 1 ? SAYS.open : SAYS.agrees;
  return {
    name,
    vars,
    classes,
    judge: (options) => {
      let key = 0;
      for (let place = 0; place < sizes.length; place++)
        key = key * (sizes[place] ?? 1) + (classes[place]?.[options[place] ?? 0] ?? 0);
      return (said[key] ?? SAYS.refuses) as Says;
    },
  };
}

/** A sum as a constraint over those of its variables that change it. */
function boundOf(sum: Sum, count: number): Constraint {
  const places = sum.vars.flatMap((_, place) =>
    (sum.adds[place] ?? []).some((each, _at, all) => each !== all[0]) ? [place] : [],
  );
  const vars = places.flatMap((place) => sum.vars[place] ?? []);
  return {
    name: sum.name,
    vars,
    dear: true,
    judge: (options) => {
      const selection = Array.from({ length: count }, () => 0);
      vars.forEach((at, which) => (selection[at] = options[which] ?? 0));
      const is = sumOf(sum, selection);
      return is < sum.low - SAME || is > sum.high + SAME ? SAYS.refuses : SAYS.agrees;
    },
  };
}

/** The best choice that tables and sums leave, by the planner's own search: with nothing but what others are handed. */
export function solveTables(model: TableModel, effort = 2_000_000): SearchResult<Leaf> {
  const tables = model.tables.map(constraintOf);
  return searchFor(
    {
      costs: model.variables.map(({ costs }) => costs),
      constraints: [...tables, ...model.sums.map((sum) => boundOf(sum, model.variables.length))],
      budgets: [],
      mostOpen: model.mostOpen,
      leaf: (selection) => {
        const missed = model.sums.find((sum) => {
          const is = sumOf(sum, selection);
          return is < sum.low - SAME || is > sum.high + SAME;
        });
        if (missed) return { refused: missed.name };
        const open = tables.filter(
          ({ vars, judge }) => judge(vars.map((at) => selection[at] ?? 0)) === SAYS.open,
        ).length;
        const costs = selection.reduce((so, option, at) => so + (model.variables[at]?.costs[option] ?? 0), 0);
        return { score: costs + model.openCosts * open, key: selection.join() };
      },
    },
    { answers: 1, effort },
  );
}
