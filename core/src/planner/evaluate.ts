import { sidesOf, weigh, type Weighed } from '../interchange/index.js';
import { OPERATIONS, type PlacedPart } from '../joints/index.js';
import type { Interval } from '../quantity/interval.js';
import { FigureTeller, type Reached } from './figureTeller.js';
import type { Option } from './options.js';
import type { Aim, PlanProblem } from './problem.js';
import type { Leaf } from './best.js';
import type { Refused } from './search.js';

/** What a figure that is aimed at comes to. */
export interface AimFound extends Reached {
  readonly aim: Aim;
  /** How many widths of its band it lies outside. */
  readonly outside: number;
}

/** A set that holds together, with all it takes. */
export interface SetFound extends Leaf {
  readonly options: readonly Option[];
  readonly weighed: Weighed;
  readonly aims: readonly AimFound[];
  readonly price: number;
  readonly hours: number;
  readonly buys: number;
  readonly irreversible: number;
  readonly open: number;
  /** Until all that is bought can be had, as far as anybody says. */
  readonly days: number;
  /** Of some of what is bought nobody says when it can be had. */
  readonly unpromised: boolean;
}

/** Figures that differ by less are the same. */
const SAME = 1e-9;

/** One width of a band: from end to end, or of an open one a twentieth of its end. */
const widthOf = ({ low, high }: Aim): number =>
  low !== undefined && high !== undefined
    ? Math.max(high - low, Math.abs(high) / 100, 1e-6)
    : Math.max(Math.abs(low ?? high ?? 0) / 20, 1e-6);

/** How many widths of its band a figure lies outside; nothing inside. */
export function outsideOf(aim: Aim, { low, high }: Interval): number {
  const off = Math.max((aim.low ?? -Infinity) - low, high - (aim.high ?? Infinity), 0);
  return off <= SAME * Math.max(1, Math.abs(low), Math.abs(high)) ? 0 : off / widthOf(aim);
}

/** A set of parts weighed by all joints, plainly: each meeting put together anew. */
export function weighPlainly(
  { choices, fixed, recipients, context, mayDo }: PlanProblem,
  options: readonly Option[],
): Weighed {
  const coming = options.map(({ part }, at): PlacedPart => ({ slot: choices[at]?.slot ?? '', part }));
  return weigh(sidesOf([...coming, ...fixed], recipients), context, mayDo);
}

/**
 * What a whole choice comes to, judged as the swap and the sheet of a build judge it; or why it does not hold.
 *
 * @param weighed the same set, weighed by whichever way
 * @param dearest what scores more is not wanted, and need not be looked at closely
 */
export function setOf(
  problem: PlanProblem,
  options: readonly Option[],
  figures: FigureTeller = new FigureTeller(problem),
  weighed: Weighed = weighPlainly(problem, options),
  dearest = Infinity,
): SetFound | Refused {
  const { weights, demands } = problem;
  if (weighed.verdict === 'doesNotFit') {
    const at = weighed.refusedAt;
    return { refused: at ? `${at.where.joint.name}: ${at.check.name.toLowerCase()}` : 'work together' };
  }
  const sum = (of: (option: Option) => number): number => options.reduce((so, option) => so + of(option), 0);
  const price = sum((each) => each.price) + weighed.price;
  const hours = sum((each) => each.hours) + weighed.hours;
  const buys = sum((each) => (each.buys ? 1 : 0));
  const { limits = {} } = demands;
  if (limits.price !== undefined && price > limits.price + SAME) return { refused: 'price' };
  if (limits.hours !== undefined && hours > limits.hours + SAME) return { refused: 'hours' };
  if (limits.buys !== undefined && buys > limits.buys) return { refused: 'parts to buy' };
  const days = Math.max(0, ...options.map((each) => each.days ?? 0));
  const done = weighed.work.filter(({ steps }) => steps.some((each) => !OPERATIONS[each].canUndo)).length;
  const least =
    sum(({ cost }) => cost) +
    weights.price * weighed.price +
    weights.hours * weighed.hours +
    weights.irreversible * done +
    weights.open * weighed.open.length +
    weights.days * Math.max(0, ...options.map((each) => each.days ?? problem.longest));
  if (least > dearest + SAME) return { refused: 'dearer than those that are known' };
  const aims = problem.aims.map((aim): AimFound => {
    const found = figures.told(aim.of, weighed.parts);
    return { aim, ...found, outside: found.reaches ? outsideOf(aim, found.reaches) : 0 };
  });
  const missed = aims.find(({ aim, outside }) => aim.weight === undefined && outside > 0);
  if (missed) return { refused: missed.aim.of.name };
  const untold = aims.filter(({ reaches }) => !reaches).length;
  const open = weighed.open.length + untold;
  if (open > problem.mostOpen) return { refused: 'too much is open' };
  const wished = aims.reduce((so, { aim, outside }) => so + (aim.weight ?? 0) * outside, 0);
  return {
    score: least + weights.open * untold + wished,
    key: options.map(({ key }) => key).join(' | '),
    options,
    weighed,
    aims,
    price,
    hours,
    buys,
    days,
    unpromised: options.some((each) => each.days === undefined),
    irreversible: sum((each) => each.irreversible) + done,
    open,
  };
}
