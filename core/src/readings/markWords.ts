import { describedAs } from '../dictionary/dictionary.js';
import type { Making, MarkPlace, Parameter } from '../dictionary/definition.js';
import { MarkTextError, normaliseMark, readMark } from '../marks/markText.js';
import { designationWords } from './designationWords.js';
import { find, isGlue, type Phrase, type Phrases, type Read } from './phrases.js';
import { readFigures } from './size.js';
import { stepsSaid } from './step.js';
import { unread } from './unread.js';

const NUMBER_WORD = /^(?:#|nos?\.?|nr\.?|num\.?|numbers?|marks?)$/i;

interface Where {
  readonly making: Making | undefined;
  readonly place: MarkPlace | undefined;
}
const ANYWHERE: Where = { making: undefined, place: undefined };

/** `cast 41?7`, `casting no. 3 858 174`, `stamped flange H72`, `main class dot`, `number ground off`, `no mark`. */
export function markWords(phrases: Phrases, phrase: Phrase, from: number, after: number): Read | undefined {
  const begun: Where = { making: find(phrase, 'making')?.making, place: find(phrase, 'place')?.place };
  if (find(phrase, 'absent')) return absentWords(phrases, phrase, from, after);
  if (!begun.making && !begun.place) return undefined;
  const { where, at } = whereWords(phrases, begun, after);
  const lost = goneWords(phrases, where, from, from + phrase.tokens) ?? goneWords(phrases, where, from, at);
  if (lost) return lost;
  if (phrases.isBroken(from, at + 1) && !where.making) return undefined;
  const sign = phrases.at(at);
  const signed = find(sign, 'sign');
  if (signed && sign) return markOf(phrases, signed.characters, where, from, at + sign.tokens);
  const token = phrases.tokens[at];
  // `no 3 journal` says which, and is no number of a part.
  if (
    /^(?:no\.?|nr\.?|number)$/i.test(phrases.source(from, from + phrase.tokens)) &&
    /^\d{1,2}$/.test(token?.text ?? '')
  ) {
    const read = markBefore(phrases, at);
    return read && { ...read, is: { ...read.is, text: phrases.source(from, read.next) } };
  }
  if (!token || isCount(phrases, at) || !isMark(phrases, at)) return undefined;
  // `flange 52.05` or `nose 35 mm` is a size of that name, not a mark.
  if (!where.making && find(phrase, 'parameter') && phrases.figures(at)) return undefined;
  // `flange 78`, `outside 95/100`: by a place alone nobody knows whether it is a size there.
  if (!where.making && SIZE_LIKE.test(token.text) && !isStep(phrases, token.text)) return undefined;
  // `cap, 7/16 bolts`: figures that belong to what stands after them.
  if (!where.making && !phrases.at(at) && namedAfterFigures(phrases, at)) return undefined;
  const { characters, next } = charactersAt(phrases, at, where.making !== undefined);
  if (/^or$/i.test(phrases.tokens[next]?.text ?? '') && /\d/.test(phrases.tokens[next + 1]?.text ?? ''))
    return {
      is: unread(phrases.source(from, next + 2), [
        'Write what may be one or the other in brackets, like 41[82]7, or enter what is read for certain.',
      ]),
      next: next + 2,
    };
  // `cast 41 7? on web`: one number or two?
  if (!phrases.ends(next) && /^[\d?]*\?[\d?]*$/.test(phrases.tokens[next]?.text ?? ''))
    return {
      is: unread(phrases.source(from, next + 1), [
        'Write the number without blanks: ? stands for what cannot be read.',
      ]),
      next: next + 1,
    };
  const start = phrases.at(next) ? next : phrases.glued(next);
  const following = phrases.at(start);
  const place = where.place ? undefined : find(following, 'place')?.place;
  if (!place || !following || phrases.isBroken(at, start + 1) || phrases.figures(start + following.tokens))
    return markOf(phrases, characters, where, from, next);
  return markOf(phrases, characters, { ...where, place }, from, start + following.tokens);
}

/** Figures too few for a number, or with a point or strokes in them. */
const SIZE_LIKE = /^(?:[1-9]\d{0,2}|\d*[.,]\d+|\d+(?:[.,]\d+)?(?:[/x×]\d+(?:[.,]\d+)?)+)$/i;

/** Whether figures are a usual step of some size of the kind, which is stamped as it is said: `crown .040`. */
const isStep = ({ kind }: Phrases, text: string): boolean =>
  Object.values<Parameter>(describedAs(kind).parameters).some(({ service }) =>
    stepsSaid(service).some((step) => step > 0 && Math.abs(step - Number(text.replace(',', '.'))) < 1e-9),
  );

const namedAfterFigures = (phrases: Phrases, at: number): boolean => {
  const figures = phrases.figures(at);
  const after = figures && phrases.after(at, figures.length);
  const named = after === undefined ? undefined : phrases.at(after);
  return (
    named !== undefined &&
    !phrases.isBroken(at, (after ?? at) + 1) &&
    (find(named, 'parameter') ?? find(named, 'count')) !== undefined
  );
};

/** Figures of a number are written in groups of three, letters and figures apart: `3 858 174`, `HV 8421`. */
function charactersAt(
  phrases: Phrases,
  at: number,
  isNumber: boolean,
): { readonly characters: string; readonly next: number } {
  const { text = '' } = phrases.tokens[at] ?? {};
  if (/^["“]/.test(text) && !/.["”]$/.test(text)) {
    const next = phrases.afterName(at, () => false);
    return { characters: phrases.name(at, next), next };
  }
  let next = at + 1;
  const token = (place: number) => phrases.tokens[place]?.text ?? '';
  const joins = (pattern: RegExp) => !phrases.ends(next) && pattern.test(token(next)) && !phrases.at(next);
  if (isNumber && /^[A-Z]{1,3}$/i.test(text) && joins(/^\d{3,}$/)) next++;
  else if (isNumber && /^\d{1,3}$/.test(text)) while (joins(/^\d{3}$/) && !phrases.countAt(next + 1)) next++;
  else if (isNumber && /^\d{4}$/.test(text) && joins(/^\d{3}$/) && phrases.ends(next + 1)) next++;
  return {
    characters: writtenDown(
      phrases
        .source(at, next)
        .replace(/^["“#]|["”]$/g, '')
        .replace(/\s/g, ''),
    ),
    next,
  };
}

/** `41_7`, `41..7` and `41x7` leave room for what cannot be read. */
const writtenDown = (characters: string): string =>
  characters
    .replace(/(?<=\w)\.\.(?=\w)/g, '??')
    .replace(/(?<=\d)_+(?=\d)/g, (gap) => '?'.repeat(gap.length))
    .replace(/(?<=\d)x(?=\d)/g, '?');

const GONE = /^(?:ground|machined|worn|filed|milled|decked|chiselled|skimmed|rusted|rubbed|peened)$/i;
const GONE_BY = /^(?:off|away|out|over)$/i;
const ILLEGIBLE = /^(?:illegible|unreadable)$/i;
/** Said of a number; of a place it may be the flange that is not there. */
const LOST = /^(?:gone|missing|lost)$/i;

/** `number ground off`, `stamp pad decked off`, `casting number illegible`: a mark that stands there no more. */
function goneWords(phrases: Phrases, { making, place }: Where, from: number, at: number): Read | undefined {
  const text = (place: number) => phrases.tokens[place]?.text ?? '';
  const next =
    GONE.test(text(at)) && GONE_BY.test(text(at + 1))
      ? at + 2
      : ILLEGIBLE.test(text(at)) || (making && LOST.test(text(at)))
        ? at + 1
        : undefined;
  if (next === undefined) return undefined;
  const { is } = markOf(phrases, '', { making: making === 'tag' ? undefined : making, place }, from, next);
  return { is: is.sort === 'mark' ? { ...is, gone: true } : is, next };
}

/** How it was made, or where it stands, after the characters: `0.50 stamped on crown`, `41x7 cast`, `.010 on back`. */
export function markBefore(phrases: Phrases, from: number): Read | undefined {
  const { text = '' } = phrases.tokens[from] ?? {};
  if (!/\d|^["“]/.test(text) || phrases.at(from) || phrases.ends(from + 1)) return undefined;
  const { characters, next } = charactersAt(phrases, from, true);
  const phrase = phrases.at(next);
  const making = find(phrase, 'making')?.making;
  // `59.6 cast` is a figure before a look; `4187 cast` is a number.
  const isNumber = making !== undefined && (making !== 'cast' || /^[A-Z\d?\s]{3,}$/i.test(characters));
  const isPlaced = !making && /^on\b/i.test(phrases.tokens[next]?.text ?? '') && find(phrase, 'place') !== undefined;
  if (!phrase || !(isNumber || isPlaced)) return undefined;
  const { where, at } = whereWords(phrases, ANYWHERE, next);
  const end = whereEnds(phrases, next, at);
  // What stands after the place belongs to it: `59.6 on main 2`.
  return phrases.figures(end) && !phrases.ends(end) ? undefined : markOf(phrases, characters, where, from, end);
}

/** Without the fillers at its end. */
function whereEnds(phrases: Phrases, from: number, at: number): number {
  let end = at;
  while (end > from && isGlue(phrases.tokens[end - 1]) && !phrases.at(end - 1)) end--;
  return end;
}

/** The finding that nothing is marked, in a place or anywhere. */
function absentWords(phrases: Phrases, phrase: Phrase, from: number, after: number): Read {
  const following = phrases.at(after);
  const place = find(following, 'place')?.place;
  return markOf(
    phrases,
    '',
    { making: find(phrase, 'making')?.making, place },
    from,
    place && following ? after + following.tokens : from + phrase.tokens,
  );
}

/** How it was made and where it stands, in either order. */
function whereWords(phrases: Phrases, begun: Where, after: number): { readonly where: Where; readonly at: number } {
  let { making, place } = begun;
  let at = after;
  // `casting # 4127`, `cast no. 4127`.
  while (making && NUMBER_WORD.test(phrases.tokens[at]?.text ?? '') && phrases.tokens[at + 1]) at++;
  for (let more = phrases.at(at); more; more = phrases.at(at)) {
    const [madeSo, foundAt] = [find(more, 'making')?.making, find(more, 'place')?.place];
    if (!(madeSo && !making) && !(foundAt && !place)) break;
    making ??= madeSo;
    place ??= foundAt;
    at = phrases.glued(at + more.tokens);
  }
  return { where: { making, place }, at };
}

/**
 * Whether a token after the name of a mark is the mark: figures or doubts in it, capitals, a circled letter, or in
 * quotes.
 */
function isMark(phrases: Phrases, at: number): boolean {
  const { text = '' } = phrases.tokens[at] ?? {};
  if (/[\d?[]/.test(text) || /^["“].+["”]$/.test(text) || /^\([A-Za-z0-9]\)$/.test(text)) return true;
  return /^[A-Z][A-Z?[\]./-]*$/.test(text) && !find(phrases.at(at), 'option');
}

const isCount = (phrases: Phrases, at: number): boolean =>
  /^\d{1,2}$/.test(phrases.tokens[at]?.text ?? '') && find(phrases.at(at + 1), 'count') !== undefined;

/**
 * A number with letters or doubts in it, without a word before: `BS41?7`; or four or five figures on a rolling bearing.
 */
export function looseMark(phrases: Phrases, from: number): Read | undefined {
  const { text = '' } = phrases.tokens[from] ?? {};
  // By itself it is said of the number: `decked off`.
  const gone = phrases.ends(from) || from === 0 ? goneWords(phrases, ANYWHERE, from, from) : undefined;
  if (gone && GONE.test(text) && phrases.ends(gone.next)) return gone;
  const designation = phrases.kind === 'rollingBearing' ? designationWords(phrases, from) : undefined;
  if (designation !== undefined) return markOf(phrases, phrases.source(from, designation), ANYWHERE, from, designation);
  // A size with a figure that cannot be read is no number.
  if (/^\d+[.,][\d?]*$/.test(text)) return undefined;
  if (isBareNumber(phrases, from)) return markOf(phrases, text, ANYWHERE, from, from + 1);
  const plain = normaliseMark(text);
  const marked = plain.length >= 3 && /^[A-Z0-9?[\]]+$/.test(plain) && /\d/.test(plain) && /[A-Z?[]/.test(plain);
  return !marked || isSize(text) || NO_MARK.test(text) ? undefined : markOf(phrases, text, ANYWHERE, from, from + 1);
}

/** Four figures and more by themselves are no size: `4187`. A year might be anything. */
const BARE_NUMBER = /^(?!(?:19|20)\d\d$)\d{4,9}$/;
const isBareNumber = (phrases: Phrases, at: number): boolean =>
  BARE_NUMBER.test(phrases.tokens[at]?.text ?? '') && (at === 0 || phrases.ends(at)) && phrases.ends(at + 1);

/** A thread, sizes with crosses between them, a place in a row, a count: `M12x1.75`, `25x52x15`, `1st`, `no.1`. */
const NO_MARK =
  /^(?:M\d+(?:\.\d+)?(?:[x×][\d.]+)*|[\d.]+(?:[x×][\d.]+)+|\d+(?:st|nd|rd|th|-?pcs?)|no\.\d+|\d+[-/]\d+)$/i;

function isSize(text: string): boolean {
  const figures = readFigures(text);
  return figures !== undefined && (figures.length === text.length || figures.unit !== undefined);
}

function markOf(phrases: Phrases, characters: string, { making, place }: Where, from: number, next: number): Read {
  const text = phrases.source(from, next);
  try {
    if (characters) readMark(characters);
  } catch (error) {
    if (error instanceof MarkTextError) return { is: unread(text, [error.message]), next };
    throw error;
  }
  return {
    is: {
      sort: 'mark',
      text,
      characters: characters.toUpperCase(),
      ...(making ? { making } : {}),
      ...(place ? { place: place.id } : {}),
    },
    next,
  };
}
