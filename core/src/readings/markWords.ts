import type { Making, MarkPlace } from '../dictionary/definition.js';
import { MarkTextError, normaliseMark, readMark } from '../marks/markText.js';
import { find, type Phrase, type Phrases, type Read } from './phrases.js';
import { readFigures } from './size.js';
import { unread } from './unread.js';

interface Where {
  readonly making: Making | undefined;
  readonly place: MarkPlace | undefined;
}
const ANYWHERE: Where = { making: undefined, place: undefined };

/** `cast 41?7`, `stamped flange H72`, `main class dot`, `no mark on web`. */
export function markWords(phrases: Phrases, phrase: Phrase, from: number, after: number): Read | undefined {
  const begun: Where = { making: find(phrase, 'making')?.making, place: find(phrase, 'place')?.place };
  if (find(phrase, 'absent')) return absentWords(phrases, phrase, from, after);
  if (!begun.making && !begun.place) return undefined;
  const { where, at } = whereWords(phrases, begun, after);
  const sign = phrases.at(at);
  const signed = find(sign, 'sign');
  if (signed && sign) return markOf(phrases, signed.characters, where, from, at + sign.tokens);
  const token = phrases.tokens[at];
  if (!token || isCount(phrases, at) || !isMark(phrases, at)) return undefined;
  // `flange 52.05` or `nose 35 mm` is a size of that name, not a mark.
  if (!where.making && find(phrase, 'parameter') && phrases.figures(at)) return undefined;
  const characters = token.text.replace(/^["“]|["”]$/g, '');
  const following = phrases.at(at + 1);
  const place = where.place ? undefined : find(following, 'place')?.place;
  if (!place || !following || phrases.figures(at + 1 + following.tokens))
    return markOf(phrases, characters, where, from, at + 1);
  return markOf(phrases, characters, { ...where, place }, from, at + 1 + following.tokens);
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
  const plain = normaliseMark(text);
  const designation = phrases.kind === 'rollingBearing' && /^\d{4,5}$/.test(plain);
  const marked = plain.length >= 3 && /^[A-Z0-9?[\]]+$/.test(plain) && /\d/.test(plain) && /[A-Z?[]/.test(plain);
  if (!designation && (!marked || isSize(text))) return undefined;
  return markOf(phrases, text, ANYWHERE, from, from + 1);
}

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
