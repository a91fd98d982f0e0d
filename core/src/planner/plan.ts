import type { Verdict } from '../joints/index.js';
import { SAYS, type Constraint, type Says } from './constraint.js';
import { USUAL_EFFORT } from './usual.js';
import { setOf, type SetFound } from './evaluate.js';
import { figureConstraintsOf } from './figureConstraints.js';
import { groundworkOf, type Groundwork, type Groundworks } from './groundwork.js';
import type { PlanProblem } from './problem.js';
import {
  searchFor,
  type Budget,
  type SearchLimits,
  type SearchProblem,
  type SearchResult,
  type SearchTold,
} from './search.js';

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
export function searchProblemOf(
  problem: PlanProblem,
  groundwork: Groundwork = groundworkOf(problem),
): SearchProblem<SetFound> {
  const { choices, demands, mostOpen } = problem;
  const { checks, weigh, figures } = groundwork;
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
      ...figureConstraintsOf(problem, groundwork),
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
        weigh(selection),
        threshold,
      ),
  };
}

/**
 * The best sets there are, proved or with how far it came.
 *
 * @param groundworks where this is one plan of several, what was worked out for the others
 */
export function planFor(
  problem: PlanProblem,
  limits: Partial<SearchLimits> = {},
  told?: SearchTold<SetFound>,
  groundworks?: Groundworks,
): SearchResult<SetFound> {
  const { answers = USUAL_ANSWERS, effort = USUAL_EFFORT } = problem.demands;
  return searchFor(searchProblemOf(problem, groundworks?.of(problem)), { answers, effort, ...limits }, told);
}
