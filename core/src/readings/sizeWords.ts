import { describedAs, isOptionOf } from '../dictionary/dictionary.js';
import type { Parameter } from '../dictionary/definition.js';
import { lookOf } from './lookWords.js';
import { find, type Phrase, type Phrases, type Read } from './phrases.js';
import { numberAt, placesOf, sizeInRow } from './positions.js';
import { sizeOf, type Figures } from './size.js';
import { figuresAtSpots } from './spots.js';
import { stepOf } from './step.js';
import { unread } from './unread.js';

/** Figures first: `8 weights`, `59.67 mic main`, `10 under main`. */
export function figuresFirst(phrases: Phrases, from: number): Read | undefined {
  const figures = phrases.figures(from);
  const after = figures && phrases.after(from, figures.length);
  if (!figures || after === undefined) return undefined;
  const phrase = phrases.at(after);
  const isCount = !figures.unit && figures.values.length === 1 && Number.isInteger(figures.values[0]);
  const count = isCount ? find(phrase, 'count') : undefined;
  if (count && phrase) return lookOf(phrases, count.feature, String(figures.values[0]), from, after + phrase.tokens);
  const step = stepFirst(phrases, figures, from, after);
  if (step) return step;
  const { instrument, next } = phrases.instrument(after);
  const naming = phrases.at(next);
  const named = find(naming, 'parameter');
  const end = next + (naming?.tokens ?? 0);
  if (!named || !naming || phrases.figures(end) || numberAt(phrases, end)) return undefined;
  const places = placesOf(named.parameter, phrases.source(next, end), { figures, spots: {} });
  return { is: sizeOf(named.parameter, figures, instrument, phrases.source(from, end), places), next: end };
}

/** `10 under main`, `+30` or `30 over` alone where the kind has one size with such steps. */
function stepFirst(phrases: Phrases, figures: Figures, from: number, after: number): Read | undefined {
  const way = phrases.at(after);
  const said = find(way, 'step');
  const sign = said?.sign ?? signWritten(figures);
  if (sign === undefined || sign === 0 || figures.values.length > 1) return undefined;
  const told = said && way ? after + way.tokens : after;
  const start = phrases.glued(told);
  const naming = phrases.at(start);
  const named = find(naming, 'parameter')?.parameter;
  const belongs = named && naming && !phrases.figures(start + naming.tokens);
  const parameter = belongs ? named : onlyServiced(phrases, sign);
  const next = belongs ? start + naming.tokens : told;
  if (parameter) return { is: stepOf(parameter, figures, sign, phrases.source(from, next)), next };
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
  const inRow = sizeInRow(phrases, phrase, from, after, (at) => figuresFirst(phrases, at) !== undefined);
  if (inRow) return inRow;
  const found = figuresAtSpots(phrases, after);
  if (!found) return undefined;
  const { figures, next: end } = found;
  const count = find(phrase, 'count');
  const single = figures.values.length === 1 && !figures.unit ? String(figures.values[0]) : undefined;
  if (count && single !== undefined && isOptionOf(count.feature, single))
    return lookOf(phrases, count.feature, single, from, end);
  const parameter = find(phrase, 'parameter')?.parameter;
  if (!parameter) return undefined;
  const way = phrases.at(end);
  const said = find(way, 'step');
  const sign = said?.sign ?? signWritten(figures);
  if (sign === 1 || sign === -1) {
    const next = said && way ? end + way.tokens : end;
    return { is: stepOf(parameter, figures, sign, phrases.source(from, next)), next };
  }
  const { instrument, next } = phrases.instrument(end);
  const places = placesOf(parameter, phrases.source(from, from + phrase.tokens), found);
  return { is: sizeOf(parameter, figures, instrument, phrases.source(from, next), places), next };
}

function standardWords(phrases: Phrases, phrase: Phrase, from: number, after: number): Read | undefined {
  const following = phrases.at(after);
  if (!following) return undefined;
  const next = after + following.tokens;
  const [here, there] = [phrase, following].map((each) => ({
    parameter: find(each, 'parameter')?.parameter,
    standard: find(each, 'step')?.sign === 0,
  }));
  const named = there?.standard
    ? here?.parameter
    : here?.standard && there?.parameter?.service && !phrases.figures(next)
      ? there.parameter
      : undefined;
  return named && { is: stepOf(named, undefined, 0, phrases.source(from, next)), next };
}

/** The way a service size goes by its sign: `+30`, `-0.25`. */
function signWritten(figures: Figures): 1 | -1 | undefined {
  if (figures.values.length > 1) return undefined;
  return figures.written.startsWith('+') ? 1 : figures.written.startsWith('-') ? -1 : undefined;
}
