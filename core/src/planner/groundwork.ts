import type { Figure } from '../build/index.js';
import type { Part } from '../catalogue/part.js';
import { block } from '../dictionary/kinds/block.js';
import { head } from '../dictionary/kinds/head.js';
import { liner } from '../dictionary/kinds/liner.js';
import { piston } from '../dictionary/kinds/piston.js';
import { givingWay, type Sides, type Weighed } from '../interchange/index.js';
import type { PlacedPart } from '../joints/index.js';
import type { Interval } from '../quantity/interval.js';
import { cylinders, limitOf } from '../thumb/index.js';
import { FigureTeller } from './figureTeller.js';
import type { MovesAround } from './moves.js';
import type { PlanProblem } from './problem.js';
import { structureOf, type PlannedCheck } from './structure.js';
import { Weigher } from './weigher.js';

/** What is worked out of the parts of a plan, whatever is aimed at and whatever they cost. */
export interface Groundwork {
  readonly checks: readonly PlannedCheck[];
  readonly figures: FigureTeller;
  /** One option of each choice, weighed by all joints. */
  readonly weigh: (selection: readonly number[]) => Weighed;
  readonly spreadOf: (figure: Figure) => Spread;
  /** What work may go as far as; a plan over some of the parts goes by the same, so that spreads hold for both. */
  readonly around: MovesAround;
}

/** Between what a figure lies after all work that may be done, for parts that are alike in all it goes by. */
export interface Spread {
  /** Numbers of the classes of parts that are alike, by what they are alike in. */
  readonly classes: Map<string, number>;
  /** By the classes of the parts; undefined where it cannot be told. */
  readonly lies: Map<string, Interval | undefined>;
}

/** Lays a plan out. */
export function groundworkOf(problem: PlanProblem): Groundwork {
  const { choices, fixed } = problem;
  // Whatever may be chosen: where one option brings its own pin, the engine's gives way to any.
  const every = choices.flatMap(({ slot, options }) => options.map(({ part }) => ({ slot, part })));
  const givesWay = ({ staying }: Sides): Sides['givingWay'] => givingWay([...every, ...fixed], staying);
  const weigher = new Weigher(problem);
  const spreads = new Map<Figure, Spread>();
  return {
    checks: structureOf(problem, givesWay).checks,
    figures: new FigureTeller(problem),
    weigh: (selection) => weigher.weigh(selection),
    spreadOf: (figure) => {
      const spread = spreads.get(figure) ?? { classes: new Map<string, number>(), lies: new Map<string, Interval>() };
      spreads.set(figure, spread);
      return spread;
    },
    around: aroundOf(problem),
  };
}

/** The largest bores and valves of all that may be chosen: what may be milled and cut goes by them. */
function aroundOf({ choices, fixed, recipients, context, may }: PlanProblem): MovesAround {
  const all = [
    ...choices.flatMap(({ options }) => options.map(({ part }) => part)),
    ...[...fixed, ...recipients].map(({ part }) => part),
  ];
  const greatest = (ids: readonly string[]): number | undefined => {
    const found = all.flatMap((part) => ids.flatMap((id) => part.values[id]?.interval.high ?? []));
    return found.length === 0 ? undefined : Math.max(...found);
  };
  const { rules, stock } = context;
  const bore = greatest([block.parameters.bore.id, liner.parameters.bore.id, piston.parameters.bore.id]);
  const valve = greatest([head.parameters['valve.intake'].id, head.parameters['valve.exhaust'].id]);
  return {
    rules,
    may,
    liners: stock.liner ?? [],
    ...(bore === undefined ? {} : { bore: bore + limitOf(cylinders.bored, rules) }),
    ...(valve === undefined ? {} : { valve }),
  };
}

/** Plans one after another: what was worked out for one serves those over the same parts. */
export class Groundworks {
  private readonly laid: { readonly problem: PlanProblem; readonly groundwork: Groundwork }[] = [];

  of(problem: PlanProblem): Groundwork {
    for (const { problem: known, groundwork } of this.laid) {
      const order = orderIn(known, problem);
      if (order) return inOrderOf(order, groundwork);
    }
    const groundwork = remembering(groundworkOf(problem));
    this.laid.push({ problem, groundwork });
    return groundwork;
  }
}

/** Sets that one search looks at closely are mostly those that the next does. */
function remembering(groundwork: Groundwork): Groundwork {
  const known = new Map<string, Weighed>();
  const weigh = (selection: readonly number[]): Weighed => {
    const key = selection.join();
    const weighed = known.get(key) ?? groundwork.weigh(selection);
    known.set(key, weighed);
    return weighed;
  };
  return { ...groundwork, weigh };
}

/**
 * Where the options of a plan stand among those of one that was laid out; nothing where it has others, other parts
 * around them, or may do something else to them. The order is by cost, and so another with other prices.
 */
function orderIn(known: PlanProblem, problem: PlanProblem): readonly Int32Array[] | undefined {
  const isSame =
    known.build === problem.build &&
    known.ground === problem.ground &&
    known.demands.reversible === problem.demands.reversible &&
    (known.demands.forbid ?? []).join() === (problem.demands.forbid ?? []).join() &&
    areSame(known.fixed, problem.fixed) &&
    areSame(known.recipients, problem.recipients) &&
    known.choices.length === problem.choices.length &&
    known.choices.every(
      ({ slot, free }, at) => slot === problem.choices[at]?.slot && free === problem.choices[at].free,
    );
  if (!isSame) return undefined;
  const order = problem.choices.map(({ options }, at) => {
    const places = new Map<Part, number>(known.choices[at]?.options.map(({ part }, place) => [part, place]));
    return Int32Array.from(options, ({ part }) => places.get(part) ?? -1);
  });
  return order.some((places) => places.includes(-1)) ? undefined : order;
}

const areSame = (some: readonly PlacedPart[], others: readonly PlacedPart[]): boolean =>
  some.length === others.length &&
  some.every(({ slot, part }, at) => others[at]?.slot === slot && others[at].part === part);

function inOrderOf(order: readonly Int32Array[], groundwork: Groundwork): Groundwork {
  const { checks, weigh } = groundwork;
  const placed = (option: number, at: number): number => order[at]?.[option] ?? 0;
  return {
    ...groundwork,
    weigh: (selection) => weigh(selection.map(placed)),
    checks: checks.map((check): PlannedCheck => {
      const { vars, classes, verdict, leastLabour } = check;
      const there = (options: readonly number[]): readonly number[] =>
        options.map((option, place) => placed(option, vars[place] ?? 0));
      return {
        ...check,
        classes: vars.map((at, place) => Int32Array.from(order[at] ?? [], (option) => classes[place]?.[option] ?? 0)),
        verdict: (options) => verdict(there(options)),
        leastLabour: (options) => leastLabour(there(options)),
      };
    }),
  };
}
