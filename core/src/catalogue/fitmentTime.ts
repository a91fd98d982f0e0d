import { limitOf, records, type HasFigures } from '../thumb/index.js';
import { monthOf } from './figure.js';
import type { Fitment, Variant } from './pattern.js';

/** Months from the first in which something held to the one after the last. */
interface Span {
  readonly from: number;
  readonly to: number;
}

/** What is still made is reckoned this many months past the last that is known. */
export const STILL_MADE = 24;

/**
 * When a variant carried a fitment: by its own years, else by those of the variant; undefined where neither has any.
 *
 * @param until the month up to which what is still made is reckoned; that after the last known of the variant where
 * nothing is said
 */
export function spanOf(
  variant: Variant,
  fitment: Pick<Fitment, 'from' | 'to'>,
  until: number = lastKnown(variant) + STILL_MADE,
): Span | undefined {
  const begins = fitment.from ?? variant.years?.from;
  if (begins === undefined) return undefined;
  const ends = fitment.to ?? variant.years?.to;
  return { from: monthOf(begins), to: ends === undefined ? until : monthOf(ends, true) + 1 };
}

/** The month after the last that is told of a variant or of anything it carried. */
function lastKnown({ years, fitments }: Variant): number {
  const told = [years?.from, years?.to, ...fitments.flatMap(({ from, to }) => [from, to])].flatMap((each) =>
    each === undefined ? [] : [monthOf(each, true) + 1],
  );
  return told.length === 0 ? 0 : Math.max(...told);
}

/**
 * Whether a fitment is an exception among those of its variant: only in some of the engines, between two serials, or
 * for a short time. A part that was carried longer was the usual one until the variant was changed over.
 */
export function isException(variant: Variant, fitment: Fitment, rules: HasFigures = {}): boolean {
  if (fitment.share !== undefined || (fitment.serialFrom !== undefined && fitment.serialTo !== undefined)) return true;
  const [carried, made] = [spanOf(variant, fitment), variant.years && spanOf(variant, {})];
  return (
    carried !== undefined &&
    made !== undefined &&
    carried.to - carried.from < limitOf(records.shortTime, rules) * (made.to - made.from)
  );
}
