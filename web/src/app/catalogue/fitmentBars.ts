import { monthOf, sayShare, type CatalogueLookup, type Fitment, type Variant } from '@which-bore/core';

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
/** An engine still made is drawn this far past the last known year. */
const STILL = 2;
/** A part carried for less than this share of a variant's time is an exception; for more, the variant was changed over. */
const EXCEPTION = 0.25;

const year = (month: number): number => month / MONTHS;

/** Every bar of a place over the variants of a family. */
export function barsOf(catalogue: CatalogueLookup, variants: readonly Variant[], slot: string): FitmentBar[] {
  const last = Math.max(
    ...variants.map(({ years }) => (years?.to === undefined ? (years ? year(monthOf(years.from)) : 0) : year(monthOf(years.to, true) + 1))),
  );
  return variants.flatMap((variant) =>
    variant.fitments
      .filter((fitment) => fitment.slot === slot)
      .flatMap((fitment): FitmentBar[] => {
        const begins = fitment.from ?? variant.years?.from;
        if (begins === undefined) return [];
        const ends = fitment.to ?? variant.years?.to;
        const from = year(monthOf(begins));
        const to = ends === undefined ? last + STILL : year(monthOf(ends, true) + 1);
        const made = variant.years
          ? (variant.years.to === undefined ? last + STILL : year(monthOf(variant.years.to, true) + 1)) - year(monthOf(variant.years.from))
          : 0;
        const exception = fitment.share !== undefined || to - from < EXCEPTION * made;
        const name = catalogue.pattern(fitment.pattern)?.name ?? fitment.pattern;
        const share = fitment.share === undefined ? '' : `, ${sayShare(fitment.share)} of them (${Math.round(fitment.share * 100)} %)`;
        return [
          {
            variant,
            fitment,
            name,
            from,
            to,
            exception,
            says: `${variant.code}: ${name}, ${begins} to ${ends ?? 'now'}${share}.${fitment.note === undefined ? '' : ` ${fitment.note}`}`,
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
