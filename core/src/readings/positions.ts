import { describedAs } from '../dictionary/dictionary.js';
import type { Parameter } from '../dictionary/definition.js';
import { find, type Phrase, type Phrases, type Read } from './phrases.js';
import { sizeOf, type Figures } from './size.js';

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

/** The number at a token: `3`, `#3`, `no.3`, `no 3`. */
export function numberAt(phrases: Phrases, at: number): Position | undefined {
  const token = phrases.tokens[at]?.text ?? '';
  // `1 15/16` is one figure.
  if ((phrases.figures(at)?.length ?? 0) > token.length) return undefined;
  if (NUMBER_WORD.test(token)) return inRow(/^\d{1,2}$/.exec(phrases.tokens[at + 1]?.text ?? '')?.[0], at + 2);
  return inRow(NUMBERED.exec(token)?.[1], at + 1);
}

/** The size of which there is one at every place that a phrase names: the bore for `cyl`, its own for `main`. */
function inRowOf(phrases: Phrases, phrase: Phrase | undefined): Parameter | undefined {
  const named = find(phrase, 'parameter')?.parameter;
  if (named) return named.per === 'part' ? undefined : named;
  const counted = find(phrase, 'count')?.feature.id;
  const per = COUNTED[counted ?? ''];
  return per && Object.values(describedAs(phrases.kind).parameters).find((parameter) => parameter.per === per);
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
export function numberedFirst(phrases: Phrases, from: number): Read | undefined {
  const token = phrases.tokens[from]?.text ?? '';
  const isNumber = !/^\d+$/.test(token);
  const place = isNumber ? (inRow(ORDINAL.exec(token)?.[1], from + 1) ?? numberAt(phrases, from)) : undefined;
  const naming = place && phrases.at(place.next);
  const parameter = inRowOf(phrases, naming);
  return place && naming && parameter
    ? atPlace(phrases, parameter, place.position, from, phrases.glued(place.next + naming.tokens))
    : undefined;
}

function atPlace(phrases: Phrases, parameter: Parameter, position: number, from: number, at: number): Read | undefined {
  const figures = phrases.figures(at);
  const end = figures && phrases.after(at, figures.length);
  if (!figures || end === undefined) return undefined;
  const { instrument, next } = phrases.instrument(end);
  const is = sizeOf(
    parameter,
    figures,
    instrument,
    phrases.source(from, next),
    figures.values.map(() => position),
  );
  return is.sort === 'size' ? { is, next } : undefined;
}

/** So many figures in a row are hardly repeats of one. */
const NO_REPEATS = 4;

/**
 * The places of a list of figures, counted from the front: `mains 51.99/51.98/51.965`, or four and more. Two or three
 * under a name in the singular are repeats, `main 59.67/59.66/59.67`.
 */
export function placesOf(parameter: Parameter, name: string, { values, written }: Figures): number[] | undefined {
  const isList = parameter.per !== 'part' && values.length > 1 && values.length <= MOST;
  if (!isList || !/^[^/]+(?:\/[^/]+)+$/.test(written)) return undefined;
  return /[^s]s$/i.test(name.trim()) || values.length >= NO_REPEATS ? values.map((_, at) => at + 1) : undefined;
}
