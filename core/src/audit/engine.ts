import type { CatalogueLookup } from '../catalogue/lookup.js';
import { monthOf } from '../catalogue/figure.js';
import type { Described, Fitment, Pattern, Variant } from '../catalogue/pattern.js';
import { sizeOf } from '../catalogue/value.js';
import type { Parameter } from '../dictionary/definition.js';
import { middle, type Interval } from '../quantity/interval.js';

/** The limits of a size as used; undefined where nobody states it. */
export const limitsOf = (described: Described | undefined, parameter: Parameter): Interval | undefined =>
  described && sizeOf(described, parameter)?.value.limits;

export const middleOf = (described: Described | undefined, parameter: Parameter): number | undefined => {
  const limits = limitsOf(described, parameter);
  return limits && middle(limits);
};

/** A pattern in one of a variant's places, with its fitment. */
export interface Fitted {
  readonly pattern: Pattern;
  readonly fitment: Fitment;
}

/** What a variant carried in a place, at any time. */
export const fittedAt = (catalogue: CatalogueLookup, variant: Variant, slot: string): Fitted[] =>
  variant.fitments.flatMap((fitment) => {
    const pattern = fitment.slot === slot ? catalogue.pattern(fitment.pattern) : undefined;
    return pattern ? [{ pattern, fitment }] : [];
  });

/** First and last month of a fitment, those of its variant where it says nothing. */
export function monthsOf(
  variant: Variant,
  { from, to }: Pick<Fitment, 'from' | 'to'>,
): readonly [first: number, last: number] {
  const first = from ?? variant.years?.from;
  const last = to ?? variant.years?.to;
  return [first === undefined ? -Infinity : monthOf(first), last === undefined ? Infinity : monthOf(last, true)];
}

/** Whether two fitments of a variant can have been in one engine. */
export function together(variant: Variant, a: Fitment, b: Fitment): boolean {
  const [aFirst, aLast] = monthsOf(variant, a);
  const [bFirst, bLast] = monthsOf(variant, b);
  return aFirst <= bLast && bFirst <= aLast;
}
