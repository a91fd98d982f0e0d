import { isException, monthOf, sayShare, spanOf, STILL_MADE, type CatalogueLookup, type Fitment, type Variant } from '@which-bore/core';

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
  const until = Math.max(...variants.flatMap((variant) => spanOf(variant, {}, variant.years ? monthOf(variant.years.from) : 0)?.to ?? [])) + STILL_MADE;
  return variants.flatMap((variant) =>
    variant.fitments
      .filter((fitment) => fitment.slot === slot)
      .flatMap((fitment): FitmentBar[] => {
        const span = spanOf(variant, fitment, until);
        if (!span) return [];
        const name = catalogue.pattern(fitment.pattern)?.name ?? fitment.pattern;
        const [begins, ends] = [fitment.from ?? variant.years?.from ?? '', fitment.to ?? variant.years?.to ?? 'now'];
        const share = fitment.share === undefined ? '' : `, ${sayShare(fitment.share)} of them (${Math.round(fitment.share * 100)} %)`;
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

/** Places that a family fills, those with the most exceptions first told. */
export function slotsWithExceptions(catalogue: CatalogueLookup, variants: readonly Variant[]): ReadonlyMap<string, number> {
  const slots = new Set(variants.flatMap((variant) => variant.fitments.map((fitment) => fitment.slot)));
  return new Map([...slots].map((slot) => [slot, barsOf(catalogue, variants, slot).filter((bar) => bar.exception).length]));
}
