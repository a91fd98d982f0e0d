import { describedAs, isOptionOf } from '../dictionary/dictionary.js';
import type { Parameter } from '../dictionary/definition.js';
import { UNITS, type UnitId } from '../quantity/unit.js';
import { lookOf } from './lookWords.js';
import { find, type Phrase, type Phrases, type Read } from './phrases.js';
import { calledAfter, numberAt, placesOf, sizeInRow } from './positions.js';
import { sizeOf, unitMeant, type Figures } from './size.js';
import { figuresAtSpots } from './spots.js';
import { stepOf } from './step.js';
import { unread } from './unread.js';

/** Figures first: `8 weights`, `59.67 mic main`, `10 under main`, `M10 bolts`, `612 grams`. */
export function figuresFirst(phrases: Phrases, from: number): Read | undefined {
  const figures = phrases.figures(from) ?? threadAt(phrases, from);
  const after = figures && phrases.after(from, figures.length);
  if (!figures || after === undefined) return undefined;
  const phrase = phrases.at(after);
  const isCount = !figures.unit && figures.values.length === 1 && Number.isInteger(figures.values[0]);
  const count = isCount && !phrases.isBroken(from, after + 1) ? phrases.countAt(after) : undefined;
  const singular = count && find(phrase, 'count') === undefined;
  if (count && !(singular && !isOptionOf(count.feature, String(figures.values[0]))))
    return lookOf(phrases, count.feature, String(figures.values[0]), from, after + count.tokens);
  const step = stepFirst(phrases, figures, from, after);
  if (step) return step;
  return namedAfter(phrases, figures, from, after) ?? byUnit(phrases, figures, from, after);
}

/** `59.67 mic main`, `62cc chamber`, `3/8 bolts`. */
function namedAfter(phrases: Phrases, figures: Figures, from: number, after: number): Read | undefined {
  const { instrument: before, next } = phrases.instrument(after);
  const start = phrases.at(next) ? next : phrases.glued(next);
  const naming = phrases.at(start);
  const parameter = parameterNamed(phrases, naming, figures.unit);
  const end = start + (naming?.tokens ?? 0);
  if (!naming || !parameter || phrases.isBroken(from, start + 1)) return undefined;
  const isNext = phrases.figures(end) !== undefined || numberAt(phrases, end) !== undefined;
  if (isNext && !phrases.ends(end) && !isNamedBehind(phrases, end)) return undefined;
  const places = placesOf(parameter, phrases.source(start, end), { figures, spots: {} });
  const { instrument, next: told } = before ? { instrument: before, next: end } : phrases.instrument(end);
  return { is: sizeOf(parameter, figures, instrument, phrases.source(from, told), places), next: told };
}

/**
 * Whether figures at a token have their name behind them, and so have those that follow: `52 pin`, `2 seal grooves`. In
 * `59.6 main 52 pin` the figures then go with what stands behind them.
 */
function isNamedBehind(phrases: Phrases, at: number): boolean {
  const figures = phrases.figures(at);
  const after = figures && phrases.after(at, figures.length);
  if (!figures || after === undefined || phrases.ends(after)) return false;
  const { next } = phrases.instrument(after);
  const start = phrases.at(next) ? next : phrases.glued(next);
  const naming = phrases.at(start);
  if (!naming || !(parameterNamed(phrases, naming, figures.unit) ?? phrases.countAt(start))) return false;
  const end = start + naming.tokens;
  return phrases.ends(end) || !phrases.figures(end) || isNamedBehind(phrases, end);
}

/** The only size of a kind that has a unit of this sort: `612 grams` of a piston, `58cc` of a head, `10:1`. */
function byUnit(phrases: Phrases, figures: Figures, from: number, after: number): Read | undefined {
  const quantity = figures.unit && UNITS[figures.unit].quantity;
  const following = phrases.ends(after) ? undefined : phrases.at(after);
  if (!quantity || quantity === 'length' || find(following, 'parameter') || find(following, 'count')) return undefined;
  const [only, ...others] = Object.values(describedAs(phrases.kind).parameters).filter(
    (each) => UNITS[unitMeant(each, figures.unit) ?? 'mm'].quantity === each.quantity && each.quantity !== 'length',
  );
  if (!only || others.length > 0) return undefined;
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

/** The size that a phrase names; a unit tells which of two it is: `big end 430 g`, `big end 56 mm`. */
function parameterNamed(phrases: Phrases, phrase: Phrase | undefined, unit?: UnitId): Parameter | undefined {
  const named = phrase?.meanings.flatMap((meaning) => (meaning.is === 'parameter' ? [meaning.parameter] : [])) ?? [];
  const fits = unit && named.find(({ quantity }) => quantity === UNITS[unit].quantity);
  return fits ?? named[0] ?? calledAfter(phrases, phrase);
}

/** `undersize 0.50 mains`, `second oversize`, `std`: the way of a service size first. */
export function stepWords(phrases: Phrases, phrase: Phrase, from: number, after: number): Read | undefined {
  const way = find(phrase, 'step');
  if (!way) return undefined;
  const figures = phrases.figures(after);
  const end = figures && phrases.after(after, figures.length);
  if (way.sign === 0) {
    const only = figures ? undefined : (onlyServiced(phrases, 1) ?? onlyServiced(phrases, -1));
    return only && phrases.ends(from + phrase.tokens)
      ? { is: stepOf(only, undefined, 0, phrases.source(from, from + phrase.tokens)), next: from + phrase.tokens }
      : undefined;
  }
  if (!figures || end === undefined) return undefined;
  const start = phrases.glued(end);
  const list = namesOf(phrases, start);
  const parameters = list?.parameters ?? [onlyServiced(phrases, way.sign)].filter((each) => each !== undefined);
  const next = list?.next ?? end;
  return stepsOf(parameters, figures, way.sign, phrases.source(from, next), next);
}

/** `second oversize`, `1st undersize`: by the maker's steps, those in millimetres. */
export function stepInOrder(phrases: Phrases, from: number): Read | undefined {
  const at = ORDER.findIndex((word) => word.test(phrases.tokens[from]?.text ?? ''));
  const way = phrases.at(from + 1);
  const sign = find(way, 'step')?.sign;
  if (at < 0 || !way || !sign) return undefined;
  const end = from + 1 + way.tokens;
  const list = namesOf(phrases, phrases.glued(end));
  const parameter = list?.parameters[0] ?? onlyServiced(phrases, sign);
  const step = parameter?.service?.mm[at];
  if (!parameter || step === undefined) return undefined;
  const next = list?.next ?? end;
  return {
    is: { sort: 'step', text: phrases.source(from, next), parameter: parameter.id, offset: Number(step), unit: 'mm' },
    next,
  };
}

const ORDER = [/^(?:first|1st)$/i, /^(?:second|2nd)$/i, /^(?:third|3rd)$/i, /^(?:fourth|4th)$/i];

/** Names of sizes joined by `and` or `&`, one at least, and the first token after them. */
function namesOf(
  phrases: Phrases,
  from: number,
): { readonly parameters: readonly Parameter[]; readonly next: number } | undefined {
  const parameters: Parameter[] = [];
  let next = from;
  for (let at = from; ;) {
    const phrase = phrases.at(at);
    const parameter = parameterNamed(phrases, phrase);
    if (!phrase || !parameter) break;
    parameters.push(parameter);
    next = at + phrase.tokens;
    if (!/^(?:and|&|\+)$/i.test(phrases.tokens[next]?.text ?? '')) break;
    at = next + 1;
  }
  return parameters.length > 0 ? { parameters, next } : undefined;
}

/** `mains and pins 10 under`, `mains & rods std`, `10 under mains and pins`: the same of several sizes. */
function sizesAlike(phrases: Phrases, from: number): Read | undefined {
  const list = namesOf(phrases, from);
  if (!list || list.parameters.length < 2) return undefined;
  const at = phrases.glued(list.next);
  const following = phrases.at(at);
  if (find(following, 'step')?.sign === 0 && following)
    return stepsOf(list.parameters, undefined, 0, phrases.source(from, at + following.tokens), at + following.tokens);
  const figures = phrases.figures(at);
  const end = figures && phrases.after(at, figures.length);
  const way = end === undefined ? undefined : phrases.at(end);
  const sign = find(way, 'step')?.sign ?? (figures && signWritten(figures));
  if (!figures || end === undefined || !sign) return undefined;
  const next = find(way, 'step') && way ? end + way.tokens : end;
  return stepsOf(list.parameters, figures, sign, phrases.source(from, next), next);
}

function stepsOf(
  parameters: readonly Parameter[],
  figures: Figures | undefined,
  sign: 1 | 0 | -1,
  text: string,
  next: number,
): Read | undefined {
  const [is, ...also] = parameters.map((parameter) => stepOf(parameter, figures, sign, text));
  return is && { is, also, next };
}

/** `10 under main`, `+30` or `30 over` alone where the kind has one size with such steps. */
function stepFirst(phrases: Phrases, figures: Figures, from: number, after: number): Read | undefined {
  const way = phrases.at(after);
  const said = find(way, 'step');
  const sign = said?.sign ?? signWritten(figures);
  if (sign === undefined || sign === 0 || figures.values.length > 1) return undefined;
  const told = said && way ? after + way.tokens : after;
  const list = phrases.ends(told) ? undefined : namesOf(phrases, phrases.glued(told));
  const belongs = list && !phrases.figures(list.next);
  const only = belongs ? undefined : onlyServiced(phrases, sign);
  const parameters = belongs ? list.parameters : only ? [only] : [];
  const next = belongs ? list.next : told;
  if (parameters.length > 0) return stepsOf(parameters, figures, sign, phrases.source(from, next), next);
  if (!said) return undefined;
  const text = phrases.source(from, next);
  return {
    is: unread(text, [`Say which size is ${sign > 0 ? 'over' : 'under'}, like “main ${text}”.`]),
    next,
  };
}

/** The one size of this kind that is made in service sizes going that way; undefined where there are several. */
function onlyServiced({ kind }: Phrases, sign: 1 | -1): Parameter | undefined {
  const serviced = Object.values(describedAs(kind).parameters).filter((each) => each.service);
  const going = serviced.filter((each) => Math.sign(Number(each.service?.mm[0] ?? 0)) === sign);
  // Pistons and rings have one bore and follow it with every other size.
  const bore = going.find((each) => each.name.toLowerCase().startsWith('bore'));
  return (
    bore ?? (going.length === 1 ? going[0] : going.length === 0 && serviced.length === 1 ? serviced[0] : undefined)
  );
}

/** The name first: `main 59.67 mic`, `main 10 under`, `mains 5`, `main std`, `std mains`. */
export function sizeWords(phrases: Phrases, phrase: Phrase, from: number, after: number): Read | undefined {
  const standard = standardWords(phrases, phrase, from, after);
  if (standard) return standard;
  const alike = sizesAlike(phrases, from);
  if (alike) return alike;
  const inRow = sizeInRow(phrases, phrase, from, after, (at) => figuresFirst(phrases, at) !== undefined);
  if (inRow) return inRow;
  // `mains mic 2.3485`: the instrument before the figures.
  const before = phrases.figures(after) ? undefined : phrases.instrument(after);
  const found = figuresAtSpots(phrases, before?.instrument ? phrases.glued(before.next) : after);
  if (!found) return undefined;
  const { figures, next: end } = found;
  const count = find(phrase, 'count');
  const single = figures.values.length === 1 && !figures.unit ? String(figures.values[0]) : undefined;
  if (count && single !== undefined && isOptionOf(count.feature, single))
    return lookOf(phrases, count.feature, single, from, end);
  const parameter = parameterNamed(phrases, phrase, figures.unit);
  if (!parameter) return undefined;
  const way = phrases.at(end);
  const said = find(way, 'step');
  const sign = said?.sign ?? signWritten(figures);
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
    : here?.standard && there?.parameter?.service && !phrases.figures(next)
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

/** The way a service size goes by its sign: `+30`, `-0.25`. */
function signWritten(figures: Figures): 1 | -1 | undefined {
  if (figures.values.length > 1) return undefined;
  return figures.written.startsWith('+') ? 1 : figures.written.startsWith('-') ? -1 : undefined;
}
