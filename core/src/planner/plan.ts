import { givingWay } from '../interchange/index.js';
import type { Verdict } from '../joints/index.js';
import { SAYS, type Constraint, type Says } from './constraint.js';
import { USUAL_EFFORT } from './usual.js';
import { setOf, type SetFound } from './evaluate.js';
import { FigureTeller } from './figureTeller.js';
import { figureConstraintsOf } from './figureConstraints.js';
import type { PlanProblem } from './problem.js';
import {
  searchFor,
  type Budget,
  type SearchLimits,
  type SearchProblem,
  type SearchResult,
  type SearchTold,
} from './search.js';
import { structureOf } from './structure.js';
import { Weigher } from './weigher.js';

/** Answers where nobody says how many. */
const USUAL_ANSWERS = 4;

const SAID: Readonly<Record<Verdict, Says>> = {
  fits: SAYS.agrees,
  fitsWithWork: SAYS.atACost,
  cannotTell: SAYS.open,
  doesNotFit: SAYS.refuses,
};

/** Where nothing is to be done to any part. */
const SAID_PLAINLY: typeof SAID = { ...SAID, fitsWithWork: SAYS.refuses };

/** What comes too late is not chosen, and days count by the last of all that is waited for. */
function daysConstraintsOf({ choices, demands, weights, longest }: PlanProblem): readonly Constraint[] {
  const most = demands.limits?.days;
  if (most === undefined && weights.days === 0) return [];
  return choices.map(({ options }, at): Constraint => {
    const days = ([option = 0]: readonly number[]): number =>
      options[option]?.days ?? (most === undefined ? longest : Infinity);
    return {
      name: 'days',
      vars: [at],
      judge: (option) =>
        days(option) > (most ?? Infinity) ? SAYS.refuses : days(option) > 0 ? SAYS.atACost : SAYS.agrees,
      floor: (option) => weights.days * days(option),
    };
  });
}

/** What is looked for, as the search has it. */
export function searchProblemOf(problem: PlanProblem): SearchProblem<SetFound> {
  const { choices, fixed, demands, mostOpen } = problem;
  // Whatever may be chosen: where one option brings its own pin, the engine's gives way to any.
  const every = choices.flatMap(({ slot, options }) => options.map(({ part }) => ({ slot, part })));
  const { checks } = structureOf(problem, ({ staying }) => givingWay([...every, ...fixed], staying));
  const weigher = new Weigher(problem);
  const figures = new FigureTeller(problem);
  const { limits = {} } = demands;
  const budget = (name: string, most: number | undefined, of: 'price' | 'hours' | 'buys'): readonly Budget[] =>
    most === undefined
      ? []
      : [
          {
            name,
            most,
            takes: choices.map(({ options }) => Float64Array.from(options, (option) => Number(option[of]))),
          },
        ];
  return {
    costs: choices.map(({ options }) => Float64Array.from(options, ({ cost }) => cost)),
    constraints: [
      ...checks
        .filter(({ vars }) => vars.length > 0)
        .map(({ name, vars, classes, verdict, leastLabour }): Constraint => ({
          name,
          vars,
          classes,
          judge: (options) => SAID[verdict(options) ?? 'fits'],
          plain: (options) => SAID_PLAINLY[verdict(options) ?? 'fits'],
          floor: (options) => problem.weights.price * leastLabour(options),
        })),
      ...figureConstraintsOf(problem, figures),
      ...daysConstraintsOf(problem),
    ],
    budgets: [
      ...budget('price', limits.price, 'price'),
      ...budget('hours', limits.hours, 'hours'),
      ...budget('parts to buy', limits.buys, 'buys'),
    ],
    mostOpen,
    leaf: (selection, threshold) =>
      setOf(
        problem,
        selection.flatMap((option, at) => choices[at]?.options[option] ?? []),
        figures,
        weigher.weigh(selection),
        threshold,
      ),
  };
}

/** The best sets there are, proved or with how far it came. */
export function planFor(
  problem: PlanProblem,
  limits: Partial<SearchLimits> = {},
  told?: SearchTold<SetFound>,
): SearchResult<SetFound> {
  const { answers = USUAL_ANSWERS, effort = USUAL_EFFORT } = problem.demands;
  return searchFor(searchProblemOf(problem), { answers, effort, ...limits }, told);
}
