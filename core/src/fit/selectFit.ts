import type { Verdict } from '../joints/index.js';
import { hold } from '../joints/outcome.js';
import { middle, minus, type Interval } from '../quantity/interval.js';
import { sentence, value, type Sentence } from '../quantity/sentence.js';
import type { HouseRules } from '../shop/houseRules.js';
import { cylinders, limitOf } from '../thumb/index.js';
import { balancedAssignment } from './sets.js';

/** A piston in the cylinder it goes into. */
interface Seated {
  /** From the front. */
  readonly cylinder: number;
  /** Which of the pistons, from nought. */
  readonly piston: number;
  readonly clearance: Interval;
  /** As it is, before any honing. */
  readonly verdict: Verdict;
  /** What the cylinder is honed to, where its piston wants more room. */
  readonly honeTo?: Interval;
  readonly says?: Sentence;
}

interface SelectFit {
  readonly seated: readonly Seated[];
  /** Largest clearance less smallest, in the middle of what was measured. */
  readonly spread: number;
}

/**
 * Which piston goes into which bore, so that their clearances lie closest together, and what each cylinder is then
 * honed to. Bores are only made larger: where a piston is loose as it is, no hone helps.
 *
 * @param bores of each cylinder, millimetres
 * @param skirts of the pistons, as many or more
 * @param wanted clearance
 */
export function selectFit(
  bores: readonly Interval[],
  skirts: readonly Interval[],
  wanted: Interval,
  rules: HouseRules,
): SelectFit {
  const between = bores.map((bore) => skirts.map((skirt) => middle(bore) - middle(skirt)));
  const { columns, low, high } = balancedAssignment(between);
  const seated = bores.map((bore, row): Seated => {
    const piston = columns[row] ?? 0;
    const skirt = skirts[piston] ?? { low: Number.NaN, high: Number.NaN };
    const clearance = minus(bore, skirt);
    const { verdict } = hold(clearance, wanted);
    const place = { cylinder: row + 1, piston, clearance, verdict };
    const now = middle(clearance);
    if (now > wanted.high)
      return { ...place, says: sentence`Loose by ${value(now - wanted.high)}: it wants a larger piston.` };
    if (now >= wanted.low) return place;
    const honeTo = { low: middle(skirt) + wanted.low, high: middle(skirt) + wanted.high };
    const off = honeTo.low - middle(bore);
    return {
      ...place,
      honeTo,
      ...(off > limitOf(cylinders.honed, rules)
        ? { says: sentence`${value(off)} is more than a hone takes: bore it first.` }
        : {}),
    };
  });
  return { seated, spread: high - low };
}
