import { monthOf } from '../catalogue/figure.js';
import type { Fitment, Variant } from '../catalogue/pattern.js';
import type { KindId } from '../dictionary/dictionary.js';
import { SLOTS } from '../dictionary/slots.js';
import { LONGEST_RUN, WRONG_YEARS, YEAR_SLACK, OFF_BY_A_YEAR } from '../identify/claimed.js';
import type { Months } from '../readings/claim.js';

/** A pattern that engines carry, and how many of them. */
export interface Carried {
  readonly fitment: Fitment;
  readonly share: number;
}

/** A stretch of a variant's run in which it carried the same in every place. */
export interface Era {
  /** First and last month, counted from year 0; undefined where nobody says when it was built. */
  readonly months: Months | undefined;
  /** How many of the engines of the variant are of this stretch, after the year that is claimed. */
  readonly share: number;
  /** What it carries, by kind; over all places of the kind. */
  readonly carries: ReadonlyMap<KindId, readonly Carried[]>;
}

const KIND_OF_SLOT: ReadonlyMap<string, KindId> = new Map(SLOTS.map(({ id, kind }) => [id, kind]));

/** What is fitted in the places of one kind. */
export const fitmentsOf = ({ fitments }: Variant, kind: KindId): readonly Fitment[] =>
  fitments.filter(({ slot }) => KIND_OF_SLOT.get(slot) === kind);

/**
 * The stretches of a variant's run, from one change of its parts to the next. Each counts by its length, and more where
 * the year claimed lies in it.
 *
 * @param claimed the year that papers or people say, and how surely
 */
export function erasOf(
  variant: Variant,
  claimed?: { readonly months: Months; readonly right: number },
): readonly Era[] {
  const stretches = stretchesOf(variant);
  const weights = stretches.map(({ months }) => (months ? weightOf(months, claimed) : 1));
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  return stretches.map((stretch, at) => ({ ...stretch, share: (weights[at] ?? 0) / all }));
}

type Stretch = Omit<Era, 'share'>;

/** Records do not change: what was made of one holds as long as it is there. */
const known = new WeakMap<Variant, readonly Stretch[]>();

function stretchesOf(variant: Variant): readonly Stretch[] {
  const before = known.get(variant);
  if (before) return before;
  const stretches = cutUp(variant);
  known.set(variant, stretches);
  return stretches;
}

function cutUp({ years, fitments }: Variant): readonly Stretch[] {
  if (years === undefined) return [{ months: undefined, carries: carriedIn(fitments) }];
  const first = monthOf(years.from);
  const last = years.to === undefined ? first + LONGEST_RUN - 1 : monthOf(years.to, true);
  const spans = fitments.map((fitment) => ({
    fitment,
    from: Math.max(first, fitment.from === undefined ? first : monthOf(fitment.from)),
    to: Math.min(last, fitment.to === undefined ? last : monthOf(fitment.to, true)),
  }));
  const starts = [...new Set([first, ...spans.flatMap(({ from, to }) => [from, to + 1])])]
    .filter((month) => month >= first && month <= last)
    .sort((a, b) => a - b);
  return starts.map((from, at) => {
    const months = { first: from, last: (starts[at + 1] ?? last + 1) - 1 };
    const there = spans.filter((span) => span.from <= months.first && span.to >= months.last);
    return { months, carries: carriedIn(there.map(({ fitment }) => fitment)) };
  });
}

/** How much a stretch counts: its months, and P(the year claimed | an engine of that month) for each. */
function weightOf(era: Months, claimed: { readonly months: Months; readonly right: number } | undefined): number {
  const length = monthsShared(era, era);
  if (!claimed) return length;
  const { months, right } = claimed;
  const about = { first: months.first - YEAR_SLACK, last: months.last + YEAR_SLACK };
  const base = monthsShared(months, months) / WRONG_YEARS;
  return (
    right *
      ((1 - OFF_BY_A_YEAR) * monthsShared(era, months) +
        (OFF_BY_A_YEAR * monthsShared(era, about) * monthsShared(months, months)) / monthsShared(about, about)) +
    (1 - right) * length * base
  );
}

const monthsShared = (a: Months, b: Months): number =>
  Math.max(0, Math.min(a.last, b.last) - Math.max(a.first, b.first) + 1);

/** What stands in each place at one time, by kind. What only some engines carry takes its share from the others. */
function carriedIn(fitments: readonly Fitment[]): ReadonlyMap<KindId, readonly Carried[]> {
  const bySlot = new Map<string, Fitment[]>();
  for (const fitment of fitments) bySlot.set(fitment.slot, [...(bySlot.get(fitment.slot) ?? []), fitment]);
  const byKind = new Map<KindId, Carried[]>();
  for (const [slot, there] of bySlot) {
    const kind = KIND_OF_SLOT.get(slot);
    if (!kind) continue;
    const some = there.reduce((sum, { share }) => sum + (share ?? 0), 0);
    const usual = there.filter(({ share }) => share === undefined).length;
    const rest = Math.max(0, 1 - some) / Math.max(1, usual);
    const carried = there.map((fitment): Carried => ({ fitment, share: fitment.share ?? rest }));
    byKind.set(kind, [...(byKind.get(kind) ?? []), ...carried]);
  }
  return new Map(
    [...byKind].map(([kind, carried]) => {
      const all = carried.reduce((sum, { share }) => sum + share, 0);
      return [kind, carried.map(({ fitment, share }) => ({ fitment, share: all > 0 ? share / all : 0 }))];
    }),
  );
}
