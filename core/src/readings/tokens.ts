import { unitOf } from '../quantity/unit.js';
import type { Meaning } from './vocabulary.js';
import { lookedUp } from './wordForms.js';

/** A run of characters between spaces and separators, and where it stands in the text. */
export interface Token {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

/** Between spaces, commas, semicolons, colons and equals signs; a ratio keeps its colon, a decimal its comma. */
const RUNS = /(?:\[[^\]]*\]|(?<=\d):(?=1(?!\d))|,(?=\d)|[^\s,;:=])+/g;
/** A diameter sign is the word. */
const DIAMETER_SIGN = /^[Ø⌀ø](?=[\d.])/;
const NOT_JOINED = /^(non)-(.+)$/i;
/** `main/pin`, `bore/stroke`: two names. */
const TWO_WORDS = /^([a-z]{3,})\/([a-z]{3,})$/i;
/** `86ish`: about so much. */
const ABOUT = /^([\d.,/]+)-?ish$/i;
/** `4-bolt`, `8cyl`, `4V`: figures that count what is named right after them. */
const COUNTED = /^(\d{1,3})(-?)([a-z][a-z-]*)$/i;

/**
 * Cuts a text into tokens.
 *
 * @param vocabulary the phrases of the kind of part by their looked-up forms: only a word of it is cut off its figures
 */
export function tokensOf(text: string, vocabulary: ReadonlyMap<string, readonly Meaning[]>): readonly Token[] {
  const begins = firstWordsOf(vocabulary);
  return [...text.matchAll(RUNS)].flatMap((match) => {
    const whole: Token = { text: match[0], start: match.index, end: match.index + match[0].length };
    const sign = DIAMETER_SIGN.exec(whole.text);
    if (sign) return [part(whole, 0, sign[0].length), part(whole, sign[0].length, whole.text.length)];
    const joined = NOT_JOINED.exec(whole.text);
    if (joined) return [part(whole, 0, 3), part(whole, 4, whole.text.length)];
    const two = vocabulary.has(lookedUp(whole.text)) ? undefined : TWO_WORDS.exec(whole.text);
    const [, one = '', other = ''] = two ?? [];
    if (two && [one, other].every((word) => isBegun(begins, word)))
      return [part(whole, 0, one.length), part(whole, one.length + 1, whole.text.length)];
    const about = ABOUT.exec(whole.text)?.[1]?.length;
    if (about) return [part(whole, 0, about), part(whole, whole.text.length - 3, whole.text.length)];
    const counted = COUNTED.exec(whole.text);
    const [, figures = '', hyphen = '', word = ''] = counted ?? [];
    const isWord = word.length > 1 ? isBegun(begins, word) : vocabulary.has(lookedUp(word));
    return counted && isWord && !unitOf(word)
      ? [part(whole, 0, figures.length), part(whole, figures.length + hyphen.length, whole.text.length)]
      : [whole];
  });
}

/** Whether a phrase begins with a word, or with several of it. */
function isBegun(begins: ReadonlySet<string>, word: string): boolean {
  const first = lookedUp(word).split(' ')[0] ?? '';
  return begins.has(first) || begins.has(`${first}s`) || (first.endsWith('s') && begins.has(first.slice(0, -1)));
}

const known = new WeakMap<object, ReadonlySet<string>>();

function firstWordsOf(vocabulary: ReadonlyMap<string, unknown>): ReadonlySet<string> {
  const words = known.get(vocabulary) ?? new Set([...vocabulary.keys()].map((phrase) => phrase.split(' ')[0] ?? ''));
  known.set(vocabulary, words);
  return words;
}

const part = (token: Token, from: number, to: number): Token => ({
  text: token.text.slice(from, to),
  start: token.start + from,
  end: token.start + to,
});
