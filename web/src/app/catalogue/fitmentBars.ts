import {
  isException,
  monthOf,
  sayShare,
  spanOf,
  STILL_MADE,
  type CatalogueLookup,
  type Fitment,
  type Variant,
} from '@which-bore/core';

/** A fitment as a bar of the chart: from the beginning of one year (or month) to the end of another. */
export interface FitmentBar {
  readonly variant: Variant;
  readonly fitment: Fitment;
  readonly name: string;
  readonly from: number;
  readonly to: number;
  /** Only a short time, or only some of the engines. */
  readonly exception: boolean;
  readonly says: string;
}

const MONTHS = 12;

/** Every bar of a place over the variants of a family. */
export function barsOf(catalogue: CatalogueLookup, variants: readonly Variant[], slot: string): FitmentBar[] {
  const until = untilOf(variants);
  return variants.flatMap((variant) =>
    variant.fitments
      .filter((fitment) => fitment.slot === slot)
      .flatMap((fitment): FitmentBar[] => {
        const span = spanOf(variant, fitment, until);
        if (!span) return [];
        const name = catalogue.pattern(fitment.pattern)?.name ?? fitment.pattern;
        const [begins, ends] = [fitment.from ?? variant.years?.from ?? '', fitment.to ?? variant.years?.to ?? 'now'];
        const share =
          fitment.share === undefined
            ? ''
            : `, ${sayShare(fitment.share)} of them (${Math.round(fitment.share * 100)} %)`;
        return [
          {
            variant,
            fitment,
            name,
            from: span.from / MONTHS,
            to: span.to / MONTHS,
            exception: isException(variant, fitment),
            says: `${variant.code}: ${name}, ${begins} to ${ends}${share}.${fitment.note === undefined ? '' : ` ${fitment.note}`}`,
          },
        ];
      }),
  );
}

/** How many exceptions there are in each place that a family fills. */
export function exceptionsBySlot(variants: readonly Variant[]): ReadonlyMap<string, number> {
  const until = untilOf(variants);
  const counts = new Map<string, number>();
  for (const variant of variants)
    for (const fitment of variant.fitments)
      counts.set(
        fitment.slot,
        (counts.get(fitment.slot) ?? 0) + (spanOf(variant, fitment, until) && isException(variant, fitment) ? 1 : 0),
      );
  return counts;
}

/** The month up to which what is still made is drawn. */
const untilOf = (variants: readonly Variant[]): number =>
  Math.max(
    ...variants.flatMap((variant) => spanOf(variant, {}, variant.years ? monthOf(variant.years.from) : 0)?.to ?? []),
  ) + STILL_MADE;
