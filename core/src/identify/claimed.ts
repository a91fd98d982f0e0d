import { normaliseMark } from '../marks/markText.js';
import { monthsOf } from '../readings/claim.js';
import type { Years } from '../catalogue/figure.js';
import { decode, type Scheme } from '../catalogue/scheme.js';
import type { CatalogueIndex, FitmentColumn } from './catalogueIndex.js';
import type { ClaimEvidence } from './evidence.js';

/** How a claim agrees with fitments. */
export interface Claimed {
  /** P(the claim | the part was fitted so, and the claim is right), by fitment. */
  readonly chance: (fitment: number) => number;
  /** P(the claim | it is wrong). */
  readonly base: number;
}

/** Months of a year either way by which a machine's year misses its engine's. */
export const YEAR_SLACK = 12;
/** Share of engines whose year is off by that. */
export const OFF_BY_A_YEAR = 0.1;
/** What goes on is taken to have run at most this long, months, so that it does not thin out to nothing. */
export const LONGEST_RUN = 12 * 30;
/** Months over which a wrong year may lie. */
export const WRONG_YEARS = 12 * 60;

/** Marks a fitment without a date: it agrees with a year as well as any. */
const UNDATED = -1;

/** How the fitments of a catalogue agree with a claim; undefined where none of them has anything to do with it. */
export function claimedOf(
  { fitments, families, serials }: CatalogueIndex,
  claim: Pick<ClaimEvidence, 'about' | 'value'>,
): Claimed | undefined {
  switch (claim.about) {
    case 'year':
      return yearClaimed(fitments, claim.value);
    case 'serial':
      return byVariant(fitments, serialMatches(fitments, serials, claim.value), runningNumber(claim.value));
    case 'machine':
      return byVariant(
        fitments,
        fitments.variants.map(({ machines = [] }) =>
          Math.max(0, ...machines.map((machine) => nameMatch(machine, claim.value))),
        ),
      );
    case 'tag':
    case 'engine':
      return byVariant(
        fitments,
        fitments.variants.map(({ code, name, family }) => {
          const label = families.get(family) ?? family;
          return Math.max(
            ...[
              code,
              `${label} ${code}`,
              `${label.split(' ').slice(1).join(' ')} ${code}`,
              ...(name ? [name] : []),
            ].map((each) => nameMatch(each, claim.value)),
            0.3 * nameMatch(label, claim.value),
          );
        }),
      );
  }
}

function yearClaimed(fitments: FitmentColumn, value: string): Claimed | undefined {
  const months = monthsOf(value);
  if (!months) return undefined;
  const length = months.last - months.first + 1;
  const within = (first: number, last: number) => {
    const from = Math.max(first, last - LONGEST_RUN);
    const overlap = Math.min(last, months.last) - Math.max(from, months.first) + 1;
    return overlap <= 0 ? 0 : overlap / (last - from + 1);
  };
  const chances = Float64Array.from(fitments.variant, (_variant, at) => {
    const [first = 0, ends = 0] = [fitments.first[at], fitments.last[at]];
    if (first === 0) return UNDATED;
    const last = Math.min(ends, first + LONGEST_RUN);
    return (1 - OFF_BY_A_YEAR) * within(first, last) + OFF_BY_A_YEAR * within(first - YEAR_SLACK, last + YEAR_SLACK);
  });
  const base = length / WRONG_YEARS;
  if (!chances.some((chance) => chance > 0)) return undefined;
  return {
    chance: (fitment) => {
      const chance = chances[fitment] ?? 0;
      return chance === UNDATED ? base : chance;
    },
    base,
  };
}

/** Chances by variant, cut by the running numbers of a fitment where a number is known. */
function byVariant(fitments: FitmentColumn, matches: readonly number[], running?: number): Claimed | undefined {
  if (!matches.some((match) => match > 0)) return undefined;
  const chance = (fitment: number) => {
    const match = matches[fitments.variant[fitment] ?? 0] ?? 0;
    if (running === undefined) return match;
    return running >= (fitments.serialFrom[fitment] ?? 0) && running <= (fitments.serialTo[fitment] ?? Infinity)
      ? match
      : 0;
  };
  return { chance, base: 1 / Math.max(2, matches.length) };
}

/** The running number a serial ends with. */
const runningNumber = (serial: string): number | undefined => {
  const figures = /(\d+)$/.exec(normaliseMark(serial))?.[1];
  return figures === undefined ? undefined : Number(figures);
};

/** By variant, whether a serial is one of its. */
function serialMatches(fitments: FitmentColumn, schemes: CatalogueIndex['serials'], serial: string): number[] {
  const text = normaliseMark(serial);
  return fitments.variants.map(({ serials = [], family, years }) => {
    const listed = serials.some(({ prefix = '', from, to }) => {
      const begun = normaliseMark(prefix);
      if (!text.startsWith(begun)) return false;
      const rest = text.slice(begun.length);
      if (from === undefined && to === undefined) return begun !== '';
      if (!/^\d+$/.test(rest)) return false;
      return Number(rest) >= Number(from ?? 0) && Number(rest) <= Number(to ?? Infinity);
    });
    if (listed) return 1;
    return schemes.some(({ scheme, families }) => families.includes(family) && readsInYears(scheme, text, years))
      ? BY_SCHEME
      : 0;
  });
}

/**
 * A serial that only reads as one of the maker's scheme, in the variant's years, is worth less than one of its own
 * list.
 */
const BY_SCHEME = 0.8;

function readsInYears(scheme: Scheme, text: string, years: Years | undefined): boolean {
  const { readings } = decode(scheme, text, years);
  return readings.some((reading) => reading.years.length > 0 || years === undefined);
}

/** How well a name said agrees with one of the catalogue: 1 the same, less where one only holds the other. */
export function nameMatch(recorded: string, said: string): number {
  const [a, b] = [normaliseMark(recorded), normaliseMark(said)];
  if (a === b) return 1;
  if (a.length < 3 || b.length < 3) return 0;
  if (a.includes(b)) return 0.6;
  return b.includes(a) ? 0.5 : 0;
}
