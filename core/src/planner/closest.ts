import type { Swap } from '../interchange/index.js';
import { middle, width, type Interval } from '../quantity/interval.js';
import type { QuantityKind } from '../quantity/unit.js';

/** A check that agrees: what was found, and between what it may lie. Inside unit. */
interface Closest {
  readonly joint: string;
  readonly check: string;
  readonly quantity: QuantityKind;
  readonly found: Interval;
  readonly required: Interval;
  /** More than enough is as good: only the low end of what is required counts. */
  readonly atLeast?: boolean;
}

/** So many are told of. */
const TOLD = 3;

/** How near the middle of what was found lies to a limit, as part of what is allowed: nought at the limit itself. */
function room({ found, required, atLeast }: Pick<Closest, 'found' | 'required' | 'atLeast'>): number {
  const at = middle(found);
  if (atLeast) return (at - required.low) / Math.max(Math.abs(required.low), width(found), Number.EPSILON);
  return Math.min(at - required.low, required.high - at) / Math.max(width(required) / 2, Number.EPSILON);
}

/**
 * The checks of a whole engine that agree by the least. What counts is the middle of what was found: the ends of two
 * makers' tolerances mostly just meet the limits that were drawn round them.
 *
 * @param judged all joints of it, judged; nothing where no two parts meet
 */
export function closestOf(judged: Swap | undefined): readonly Closest[] {
  const all = (judged?.joints ?? []).flatMap(({ name, checks }) =>
    checks.flatMap(({ name: check, verdict, quantity, found, required, atLeast }): readonly Closest[] =>
      verdict === 'fits' && found && required && width(required) > 0
        ? [{ joint: name, check, quantity, found, required, ...(atLeast ? { atLeast } : {}) }]
        : [],
    ),
  );
  return all.sort((a, b) => room(a) - room(b)).slice(0, TOLD);
}
