import { isGlue, type Phrases } from './phrases.js';
import type { Words } from './unread.js';
import { numberOf } from './wordForms.js';

/** Some tokens of the line, and what they say; undefined where they are not understood. */
export interface Piece {
  readonly from: number;
  readonly to: number;
  readonly says: readonly Words[] | undefined;
  /** What of it would be understood by itself, and is not taken for what stands beside it. */
  readonly held?: string;
}

/**
 * What hangs on a word that nobody understood is not taken: in `full floater` the skirt is not full, in
 * `cracked at no 3 pin` no pin is of 3 in. Then it is asked for in other words, which costs less than a wrong reading.
 */
export function withCaution(phrases: Phrases, pieces: readonly Piece[]): readonly Piece[] {
  const cautious = pieces.map((piece, at) => held(phrases, piece, [pieces[at - 1], pieces[at + 1]]));
  return joined(phrases, cautious);
}

/** A piece, not taken where it hangs on one beside it that is not understood. */
function held(phrases: Phrases, piece: Piece, [before, after]: readonly (Piece | undefined)[]): Piece {
  const beside = [
    ...(before && !before.says && isBeside(phrases, before.to, piece.from) ? [before] : []),
    ...(after && !after.says && isBeside(phrases, piece.to, after.from) ? [after] : []),
  ];
  if (!piece.says || beside.length === 0) return piece;
  const { says: _says, ...open } = piece;
  if (beside.some(({ from, to }) => isDoubted(phrases.source(from, to)))) return { ...open, says: undefined };
  return piece.says.every((is) => isSlight(is))
    ? { ...open, says: undefined, held: phrases.source(piece.from, piece.to) }
    : piece;
}

/** Whether words make of figures or looks none of this part as it lies there: `book says 59.66`, `min 59.62`. */
export const isDoubted = (text: string): boolean => DOUBTED.test(text);

const DOUBTED =
  /\b(?:book|manual|specs?|specification|nominal|should|supposed|min|minimum|max|maximum|limit|half|double|twice|wants?|wanted|needs?|needed|looking|maybe|perhaps|possibly|might|could|think|guess|unsure|if)\b/i;

/** Pieces that are not understood and stand beside each other as one. */
function joined(phrases: Phrases, pieces: readonly Piece[]): readonly Piece[] {
  const all: Piece[] = [];
  for (const piece of pieces) {
    const last = all.at(-1);
    if (last && !last.says && !piece.says && isBeside(phrases, last.to, piece.from))
      all.splice(-1, 1, { ...piece, ...last, to: piece.to });
    else all.push(piece);
  }
  return all;
}

/** Whether nothing but fillers, and no comma, stands between what ends before one token and what begins at another. */
function isBeside(phrases: Phrases, from: number, to: number): boolean {
  for (let at = from; at <= to; at++) if (phrases.ends(at) || (at < to && !isGlue(phrases.tokens[at]))) return false;
  return true;
}

/** Whether a reading rests on common words or on few figures alone. */
function isSlight(is: Words): boolean {
  if (is.sort === 'size') return is.unitAssumed === true && !/[.,]\d/.test(is.figures ?? '');
  // `8 weights` says of what they are; `5 bolt` may be of what follows.
  if (is.sort === 'look') return !/s$/i.test(is.text) || (!/^\d/.test(is.text) && !isNumberWord(is.text));
  if (is.sort !== 'mark') return false;
  return is.characters.length > 0 && is.characters.length <= ((is.making ?? is.place) ? 2 : 4);
}

const isNumberWord = (text: string): boolean => numberOf(text.split(' ')[0] ?? '') !== undefined;
