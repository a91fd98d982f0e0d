import { ALPHABET } from './confusion.js';

/**
 * Which characters occur in a mark, as bits: letters in the first number, figures in the second. Bit 31 of the second
 * stands for anything outside the alphabet. Two marks can be told to be unrelated from these alone.
 */
export interface CharacterSet {
  readonly letters: number;
  readonly figures: number;
}

const LETTERS = 26;
const OUTSIDE = 1 << 31;

export function characterSet(text: string): CharacterSet {
  let letters = 0;
  let figures = 0;
  for (let at = 0; at < text.length; at++) {
    const place = ALPHABET.indexOf(text.charAt(at));
    if (place < 0) figures |= OUTSIDE;
    else if (place < LETTERS) letters |= 1 << place;
    else figures |= 1 << (place - LETTERS);
  }
  return { letters, figures };
}

/** Whether the two share a character, or either has one outside the alphabet, of which nothing is known. */
export const mayShare = (a: CharacterSet, letters: number, figures: number): boolean =>
  ((a.letters & letters) | (a.figures & figures) | (figures & OUTSIDE)) !== 0;
