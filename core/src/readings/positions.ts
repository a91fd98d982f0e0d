import { describedAs } from '../dictionary/dictionary.js';
import { crank } from '../dictionary/kinds/crank.js';
import type { Parameter } from '../dictionary/definition.js';
import { find, type Phrase, type Phrases, type Read } from './phrases.js';
import type { SizeReading } from './reading.js';
import { sizeOf } from './size.js';
import { figuresAtSpots, rowsOf, type FiguresAtSpots } from './spots.js';

/** More of one thing in a row than an engine has. */
const MOST = 16;
const NUMBERED = /^(?:#|no\.?|nr\.?)?(\d{1,2})$/i;
const ORDINAL = /^(\d{1,2})(?:st|nd|rd|th)$/i;
const NUMBER_WORD = /^(?:#|no\.?|nr\.?|number)$/i;

/** A place in a row, and the first token after it. */
interface Position {
  readonly position: number;
  readonly next: number;
}

const inRow = (digits: string | undefined, next: number): Position | undefined => {
  const position = Number(digits ?? 0);
  return position >= 1 && position <= MOST ? { position, next } : undefined;
};

/** Whether a whole number says which of several: the 3 of `cracked at no 3 pin`. */
export const isNumbered = (phrases: Phrases, at: number): boolean =>
  NUMBER_WORD.test(phrases.tokens[at - 1]?.text ?? '') &&
  !phrases.isBroken(at - 1, at + 1) &&
  inRow(/^\d{1,2}$/.exec(phrases.tokens[at]?.text ?? '')?.[0], at) !== undefined;

/** The number at a token: `3`, `#3`, `no.3`, `no 3`. */
export function numberAt(phrases: Phrases, at: number): Position | undefined {
  const token = phrases.tokens[at]?.text ?? '';
  // `1 15/16` is one figure.
  if ((phrases.figures(at)?.length ?? 0) > token.length) return undefined;
  if (NUMBER_WORD.test(token)) return inRow(/^\d{1,2}$/.exec(phrases.tokens[at + 1]?.text ?? '')?.[0], at + 2);
  return inRow(NUMBERED.exec(token)?.[1], at + 1);
}

/**
 * The size of which there is one at every place that a phrase names: the bore for `cyl`, its own for `main`, and on a
 * crank the pin for `rod 4`, which is called after what runs on it.
 */
function inRowOf(phrases: Phrases, phrase: Phrase | undefined): Parameter | undefined {
  const named = find(phrase, 'parameter')?.parameter;
  if (named) return named.per === 'part' ? undefined : named;
  const after = calledAfter(phrases, phrase);
  if (after) return after;
  const counted = find(phrase, 'count')?.feature.id;
  const per = COUNTED[counted ?? ''];
  return per && Object.values(describedAs(phrases.kind).parameters).find((parameter) => parameter.per === per);
}

/** The size of a part that is called after what runs on it: on a crank `rod 4` and `rods` are its pins. */
export function calledAfter(phrases: Phrases, phrase: Phrase | undefined): Parameter | undefined {
  const isRodOnCrank = phrases.kind === 'crank' && find(phrase, 'kind')?.kind === 'rod';
  return isRodOnCrank ? crank.parameters['crankpin.diameter'] : undefined;
}

/** What the counts of a part are counts of. */
const COUNTED: Readonly<Record<string, Parameter['per']>> = {
  'block.cylinders': 'cylinder',
  'block.mainCount': 'main',
  'crank.mainCount': 'main',
  'crank.crankpins': 'crankpin',
};

/**
 * A size at one of several places, the name first: `main 3 51.94 mic`, `cyl #2 95.05`. Figures that belong to what
 * stands after them are none of it: `bore 4 8 weights`.
 */
export function sizeInRow(
  phrases: Phrases,
  phrase: Phrase,
  from: number,
  after: number,
  belongsElsewhere: (at: number) => boolean,
): Read | undefined {
  const parameter = inRowOf(phrases, phrase);
  const place = parameter && numberAt(phrases, after);
  return parameter && place && !belongsElsewhere(phrases.glued(place.next))
    ? atPlace(phrases, parameter, place.position, from, phrases.glued(place.next))
    : undefined;
}

/** The same with the number first: `#3 main 51.94`, `no.1 main 51.98`, `1st main 51.98`. */
export function numberedFirst(
  phrases: Phrases,
  from: number,
  belongsElsewhere: (at: number) => boolean,
): Read | undefined {
  const token = phrases.tokens[from]?.text ?? '';
  const isNumber = !/^\d+$/.test(token);
  const place = isNumber ? (inRow(ORDINAL.exec(token)?.[1], from + 1) ?? numberAt(phrases, from)) : undefined;
  const naming = place && phrases.at(place.next);
  const parameter = inRowOf(phrases, naming);
  if (!place || !naming || !parameter) return undefined;
  const at = phrases.glued(place.next + naming.tokens);
  return belongsElsewhere(at) ? undefined : atPlace(phrases, parameter, place.position, from, at);
}

function atPlace(phrases: Phrases, parameter: Parameter, position: number, from: number, at: number): Read | undefined {
  const found = figuresAtSpots(phrases, at);
  if (!found) return undefined;
  const { instrument, next } = phrases.instrument(found.next);
  const is = sizeOf(parameter, found.figures, instrument, phrases.source(from, next), {
    ...found.spots,
    positions: found.figures.values.map(() => position),
  });
  return is.sort === 'size' ? { is, next } : undefined;
}

/** So many figures in a row are hardly repeats of one. */
const NO_REPEATS = 4;

/**
 * Where figures were taken that stand after a name without a number. Under a name in the plural they are one for each
 * place, `mains 51.99/51.98/51.965`, counted from the front. Otherwise two or three are repeats and more are one for
 * each place, which is assumed: `main 59.67/59.66/59.67`. With a cross they are of two directions.
 */
export function placesOf(
  parameter: Parameter,
  name: string,
  { figures, spots }: Pick<FiguresAtSpots, 'figures' | 'spots'>,
): Pick<SizeReading, 'positions' | 'positionsAssumed' | 'levels' | 'axes'> {
  const rows = rowsOf(figures);
  const isList =
    parameter.per !== 'part' && rows.length > 1 && rows.length <= MOST && /^[^/]+(?:\/[^/]+)+$/.test(figures.written);
  const isPlural = /[^s]s$/i.test(name.trim());
  if (!isList || (spots.levels && !isPlural)) return spots;
  const { levels: _levels, ...directions } = spots;
  if (!isPlural && rows.length < NO_REPEATS) return { ...directions, positionsAssumed: true };
  return {
    ...directions,
    positions: rows.flatMap((row, at) => row.map(() => at + 1)),
    ...(isPlural ? {} : { positionsAssumed: true }),
  };
}

/** Whether a size called after another part begins at a token; its name is no kind of part then: `rods 2.0995`. */
export function isCalledAfter(phrases: Phrases, at: number): boolean {
  const phrase = phrases.at(at);
  if (!phrase || !calledAfter(phrases, phrase)) return false;
  const next = phrases.glued(at + phrase.tokens);
  const isNamedBehind = at > 0 && /^[\d.]|^(?:and|&|std|standard)$/i.test(phrases.tokens[at - 1]?.text ?? '');
  return phrases.figures(next) !== undefined || find(phrases.at(next), 'step') !== undefined || isNamedBehind;
}
