import { describedAs, isOptionOf } from '../dictionary/dictionary.js';
import type { Parameter } from '../dictionary/definition.js';
import { contains, interval } from '../quantity/interval.js';
import { toInside, UNITS } from '../quantity/unit.js';
import { lookOf } from './lookWords.js';
import { find, isGlue, type Phrase, type Phrases, type Read } from './phrases.js';
import { isNamedBehind, mayCount, parameterNamed, runsElsewhere } from './namedSize.js';
import { isNumbered, numberAt, placesOf, sizeInRow } from './positions.js';
import { sizeOf, unitMeant, type Figures } from './size.js';
import { figuresAtSpots } from './spots.js';
import { stepOf } from './step.js';
import { signWritten, sizesAlike, stepFirst } from './stepWords.js';
import { numberOf } from './wordForms.js';

/** Figures first: `8 weights`, `59.67 mic main`, `10 under main`, `M10 bolts`, `612 grams`. */
export function figuresFirst(phrases: Phrases, from: number): Read | undefined {
  const figures = phrases.figures(from) ?? threadAt(phrases, from);
  const after = figures && phrases.after(from, figures.length);
  if (!figures || after === undefined) return undefined;
  if (isNumbered(phrases, from)) return undefined;
  const count = countFirst(phrases, figures, from, after);
  if (count) return count;
  if (isInWords(figures) || isInRow(phrases, from)) return undefined;
  const step = stepFirst(phrases, figures, from, after);
  if (step) return step;
  return namedAfter(phrases, figures, from, after) ?? byUnit(phrases, figures, from, after);
}

/** `8 weights`, `4 pins`; and not `52 pins`, which is a size. What can be no count and means nothing else is told. */
function countFirst(
  phrases: Phrases,
  { values, written, unit }: Figures,
  from: number,
  after: number,
): Read | undefined {
  const [value] = values;
  const isWhole = !unit && values.length === 1 && Number.isInteger(value) && !/^0\d/.test(written);
  const count = isWhole && !phrases.isBroken(from, after + 1) ? phrases.countAt(after) : undefined;
  if (!count) return undefined;
  const phrase = phrases.at(after);
  const isSizeToo = find(phrase, 'count') === undefined || find(phrase, 'parameter') !== undefined;
  return isSizeToo && !isOptionOf(count.feature, String(value))
    ? undefined
    : lookOf(phrases, count.feature, String(value), from, after + count.tokens);
}

/** Figures in words count, and are no size: `twin web lips`, `two valves`. */
const isInWords = ({ written }: Figures): boolean => numberOf(written) !== undefined;

/**
 * Whether figures are the last of a row of which nobody knows what the first is: the 80 of `95 x 80 bore stroke`, the
 * 60 of `59 or 60 on the mains`.
 */
const isInRow = (phrases: Phrases, from: number): boolean =>
  /^(?:[x×/]|by|or)$/i.test(phrases.tokens[from - 1]?.text ?? '') &&
  !phrases.isBroken(from - 2, from + 1) &&
  phrases.figures(from - 2) !== undefined &&
  (from < 3 || !phrases.at(from - 3));

/** `59.67 mic main`, `62cc chamber`, `3/8 bolts`. */
function namedAfter(phrases: Phrases, figures: Figures, from: number, after: number): Read | undefined {
  const { instrument: before, next } = phrases.instrument(after);
  const start = phrases.at(next) ? next : phrases.glued(next);
  const naming = phrases.at(start);
  const parameter = parameterNamed(phrases, naming, figures.unit);
  const end = start + (naming?.tokens ?? 0);
  if (!naming || !parameter || phrases.isBroken(from, start + 1)) return undefined;
  if (mayCount(phrases, figures, end)) return undefined;
  const isNext = phrases.figures(end) !== undefined || numberAt(phrases, end) !== undefined;
  if (isNext && !phrases.ends(end) && !isNamedBehind(phrases, end)) return undefined;
  const places = placesOf(parameter, phrases.source(start, end), { figures, spots: {} });
  const { instrument, next: told } = before ? { instrument: before, next: end } : phrases.instrument(end);
  return { is: sizeOf(parameter, figures, instrument, phrases.source(from, told), places), next: told };
}

/** A weight that papers state is that of something else: what a crank is balanced for. */
const isOfOthers = ({ quantity, instruments }: Parameter): boolean => quantity === 'mass' && instruments[0] === 'sheet';

/** What no such part has is a size of something else. */
const isPlausible = ({ plausible }: Parameter, { values, unit }: Figures): boolean =>
  values.every((each) => unit === undefined || contains(plausible, interval(toInside(each, unit))));

/** The only size of a kind that has a unit of this sort: `612 grams` of a piston, `58cc` of a head, `10:1`. */
function byUnit(phrases: Phrases, figures: Figures, from: number, after: number): Read | undefined {
  const quantity = figures.unit && UNITS[figures.unit].quantity;
  const following = phrases.ends(after) ? undefined : phrases.at(after);
  if (!quantity || quantity === 'length' || find(following, 'parameter') || find(following, 'count')) return undefined;
  const [only, ...others] = Object.values(describedAs(phrases.kind).parameters).filter(
    (each) =>
      UNITS[unitMeant(each, figures.unit) ?? 'mm'].quantity === each.quantity &&
      each.quantity !== 'length' &&
      !isOfOthers(each),
  );
  // Said of a block, a volume is what its engine sweeps.
  const isSwept = phrases.kind === 'block' && quantity === 'volume';
  if (!only || others.length > 0 || isSwept || !isPlausible(only, figures)) return undefined;
  const { instrument, next } = phrases.instrument(after);
  return { is: sizeOf(only, figures, instrument, phrases.source(from, next)), next };
}

const THREAD = /^M(\d{1,2}(?:\.\d)?)(?:[x×]\d(?:\.\d+)?)?$/;

/** The diameter of a metric thread: `M10`, `M12x1.75`. */
function threadAt(phrases: Phrases, at: number): Figures | undefined {
  const { text = '' } = phrases.tokens[at] ?? {};
  const thread = THREAD.exec(text);
  const next = phrases.at(at + 1);
  if (!thread || !find(next, 'parameter')?.parameter.thread) return undefined;
  return { values: [Number(thread[1])], written: thread[1] ?? '', unit: 'mm', crosses: [], length: text.length };
}

/** The name first: `main 59.67 mic`, `main 10 under`, `mains 5`, `main std`, `std mains`. */
export function sizeWords(phrases: Phrases, phrase: Phrase, from: number, after: number): Read | undefined {
  const standard = standardWords(phrases, phrase, from, after);
  if (standard) return standard;
  const alike = sizesAlike(phrases, from);
  if (alike) return alike;
  const inRow = sizeInRow(phrases, phrase, from, after, (at) => figuresFirst(phrases, at) !== undefined);
  if (inRow) return inRow;
  // `scored pin, 5 mains`: beyond a comma figures go with what stands behind them.
  if (phrases.isBroken(from, after + 1) && figuresFirst(phrases, after)) return undefined;
  // `mains mic 2.3485`: the instrument before the figures.
  const before = phrases.figures(after) ? undefined : phrases.instrument(after);
  const found = figuresAtSpots(phrases, before?.instrument ? phrases.glued(before.next) : after);
  if (!found) return undefined;
  const { figures, next: end } = found;
  const count = find(phrase, 'count');
  const single = figures.values.length === 1 && !figures.unit ? String(figures.values[0]) : undefined;
  if (count && single !== undefined && isOptionOf(count.feature, single) && !phrases.isBroken(from, after + 1))
    return lookOf(phrases, count.feature, single, from, end);
  const parameter = parameterNamed(phrases, phrase, figures.unit);
  if (!parameter || isInWords(figures) || mayCount(phrases, figures, end)) return undefined;
  if (runsElsewhere(phrases, parameter, figures, end)) return undefined;
  const way = phrases.at(end);
  const said = find(way, 'step');
  const named = find(way, 'parameter') ?? find(way, 'instrument') ?? said;
  // `pins .010 out of round` tells something else of them.
  const isAll = phrases.ends(end) || isGlue(phrases.tokens[end]) || (named ?? phrases.figures(end)) !== undefined;
  const sign = said?.sign ?? signWritten(figures, isAll ? parameter : undefined);
  if (sign === 1 || sign === -1) {
    const next = said && way ? end + way.tokens : end;
    return { is: stepOf(parameter, figures, sign, phrases.source(from, next)), next };
  }
  const { instrument = before?.instrument, next: told } = phrases.instrument(end);
  const next = beyondSame(phrases, parameter, told);
  const places = placesOf(parameter, phrases.source(from, from + phrase.tokens), found);
  return { is: sizeOf(parameter, figures, instrument, phrases.source(from, next), places), next };
}

/** Beyond the name of a size that is said once more behind its figures: `length 5.700 c/c`. */
function beyondSame(phrases: Phrases, parameter: Parameter, at: number): number {
  const phrase = phrases.ends(at) ? undefined : phrases.at(at);
  const end = at + (phrase?.tokens ?? 0);
  return phrase && find(phrase, 'parameter')?.parameter === parameter && (phrases.ends(end) || !phrases.figures(end))
    ? end
    : at;
}

/** `mic'd mains at 2.3485`: the instrument before the name. */
export function instrumentFirst(phrases: Phrases, phrase: Phrase, from: number): Read | undefined {
  const instrument = find(phrase, 'instrument')?.instrument;
  const at = from + phrase.tokens;
  const naming = phrases.at(at);
  if (!instrument || !naming || !parameterNamed(phrases, naming)) return undefined;
  const read = sizeWords(phrases, naming, at, phrases.glued(at + naming.tokens));
  if (read?.is.sort !== 'size' || !read.is.instrumentAssumed) return undefined;
  const { instrumentAssumed: _assumed, ...is } = read.is;
  return { ...read, is: { ...is, instrument, text: phrases.source(from, read.next) } };
}

function standardWords(phrases: Phrases, phrase: Phrase, from: number, after: number): Read | undefined {
  const following = phrases.at(after);
  if (!following) return undefined;
  const next = after + following.tokens;
  const [here, there] = [phrase, following].map((each) => ({
    parameter: parameterNamed(phrases, each),
    standard: find(each, 'step')?.sign === 0,
  }));
  const named = there?.standard
    ? here?.parameter
    : here?.standard && there?.parameter?.service && (!phrases.figures(next) || isNamedBehind(phrases, next))
      ? there.parameter
      : undefined;
  // `std bore 89` says both that it is standard and what that is.
  if (!named && here?.standard && there?.parameter?.service) {
    const size = sizeWords(phrases, following, after, phrases.glued(next));
    const is = stepOf(there.parameter, undefined, 0, phrases.source(from, next));
    return size?.is.sort === 'size' ? { is, also: [size.is], next: size.next } : undefined;
  }
  return named && { is: stepOf(named, undefined, 0, phrases.source(from, next)), next };
}
