import type { Interval } from '../quantity/interval.js';
import { band, sentence, value, type Sentence } from '../quantity/sentence.js';
import type { QuantityKind } from '../quantity/unit.js';

/** Which ends of a figure count: both, the least, the most, or one figure that is aimed at. */
export type Bound = 'between' | 'atLeast' | 'atMost' | 'about';

/** A figure that practice goes by where nobody says what the maker asks for. */
export interface FigureOfThumb {
  /** Subject and name, as in `bearings.endFloat`; the shop's own figures are kept under it. */
  readonly id: string;
  readonly name: string;
  readonly bound: Bound;
  readonly quantity: QuantityKind;
  /** Where it is a share: of what. Its band is then a share of that, not a size. */
  readonly of?: string;
  /** Inside units. Both ends are alike where only one counts. */
  readonly band: Interval;
  /** How far one maker or another goes: outside it all of them refuse. */
  readonly leeway?: Interval;
  /** The rule in words, without its figure and without a full stop. */
  readonly says: string;
  /** Where it comes from. */
  readonly source: string;
}

/** A figure of which one end counts. */
export type LimitOfThumb = FigureOfThumb & { readonly bound: 'atLeast' | 'atMost' | 'about' };

type Ends = readonly [low: number, high: number];

interface More {
  readonly quantity?: QuantityKind;
  readonly of?: string;
  readonly leeway?: Ends;
  readonly source?: string;
}

/** A figure that has no id yet: `subject` gives it one. */
type Entry<B extends Bound> = Omit<FigureOfThumb, 'id' | 'bound'> & { readonly bound: B };

const COMMON_PRACTICE = 'Common practice';

function entry<B extends Bound>(bound: B, name: string, [low, high]: Ends, says: string, more: More): Entry<B> {
  return {
    name,
    bound,
    quantity: more.quantity ?? 'length',
    ...(more.of === undefined ? {} : { of: more.of }),
    band: { low, high },
    ...(more.leeway ? { leeway: { low: more.leeway[0], high: more.leeway[1] } } : {}),
    says,
    source: more.source ?? COMMON_PRACTICE,
  };
}

/** No less and no more. */
export const between = (name: string, ends: Ends, says: string, more: More = {}): Entry<'between'> =>
  entry('between', name, ends, says, more);
/** As much either way. */
export const within = (name: string, by: number, says: string, more: More = {}): Entry<'between'> =>
  entry('between', name, [-by, by], says, more);
/** No less; some makers go down to `leeway`. */
export const atLeast = (
  name: string,
  least: number,
  says: string,
  { leeway, ...more }: Omit<More, 'leeway'> & { readonly leeway?: number } = {},
): Entry<'atLeast'> =>
  entry('atLeast', name, [least, least], says, leeway === undefined ? more : { ...more, leeway: [leeway, least] });
/** No more. */
export const atMost = (name: string, most: number, says: string, more: More = {}): Entry<'atMost'> =>
  entry('atMost', name, [most, most], says, more);
/** What is aimed at, or reckoned with. */
export const about = (name: string, aim: number, says: string, more: More = {}): Entry<'about'> =>
  entry('about', name, [aim, aim], says, more);

/** Figures of one subject, each with its id. */
export const subject = <const T extends Readonly<Record<string, Entry<Bound>>>>(
  id: string,
  entries: T,
): { readonly [K in keyof T]: T[K] & { readonly id: string } } =>
  Object.fromEntries(Object.entries(entries).map(([name, each]) => [name, { id: `${id}.${name}`, ...each }])) as {
    readonly [K in keyof T]: T[K] & { readonly id: string };
  };

/** What a shop goes by instead, by id, in inside units. */
export type OwnFigures = Readonly<Record<string, Interval>>;

/** Whoever may have figures of their own. */
export interface HasFigures {
  readonly figures?: OwnFigures | undefined;
}

/** The band of a figure: the shop's own, where it has one. */
export const bandOf = ({ id, band: usual }: FigureOfThumb, { figures }: HasFigures): Interval => figures?.[id] ?? usual;

/** How far makers go: no further than the shop's own figure, where it has one. */
export const leewayOf = (figure: FigureOfThumb, { figures }: HasFigures): Interval =>
  figures?.[figure.id] ?? figure.leeway ?? figure.band;

/** The end of a figure that counts: the shop's own, where it has one. */
export function limitOf(figure: LimitOfThumb, rules: HasFigures): number {
  const { low, high } = bandOf(figure, rules);
  return figure.bound === 'atMost' ? high : low;
}

/** Shares are said in thousandths, as the trade does: a thou an inch. */
export const THOUSANDTHS = 1000;
const short = (share: number): string => String(Number((share * THOUSANDTHS).toPrecision(4)));

/** A share in thousandths: `0.7 to 1.05`. */
export const sayShareOf = ({ low, high }: Interval): string =>
  low === high ? short(low) : `${short(low)} to ${short(high)}`;

/** A band in figures, as that of a figure of thumb is given. */
const sayBand = ({ bound, quantity, of }: FigureOfThumb, ends: Interval): Sentence => {
  const words = { between: '', atLeast: 'at least ', atMost: 'at most ', about: 'about ' }[bound];
  if (of !== undefined) return [`${words}${sayShareOf(ends)} thousandths of ${of}`];
  return [
    words,
    bound === 'between' ? band(ends, quantity) : value(bound === 'atMost' ? ends.high : ends.low, quantity),
  ];
};

/** The figure by itself. */
export const sayFigure = (figure: FigureOfThumb, rules: HasFigures = {}): Sentence =>
  sayBand(figure, bandOf(figure, rules));

/** How far makers go, by itself; nothing where all go by the same. */
export const sayLeeway = (figure: FigureOfThumb): Sentence | undefined =>
  figure.leeway && sayBand(figure, figure.leeway);

/**
 * The rule with its figure and where it comes from, as it stands under a check, in the house rules and in the
 * documentation.
 */
export function cite(figure: FigureOfThumb, rules: HasFigures): Sentence {
  const source = rules.figures?.[figure.id] ? 'The shop’s own figure' : figure.source;
  return sentence`${figure.says}: ${sayFigure(figure, rules)}. ${source}.`;
}
