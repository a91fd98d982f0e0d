import type { Making } from '../dictionary/definition.js';
import { characterSet, mayShare, type CharacterSet } from './characterSet.js';
import { ALPHABET, CHANCE, confusion, lookAlike } from './confusion.js';
import { LONGEST_MARK, type MarkPosition } from './markText.js';

/** One difference between what was read and what the catalogue says stands there. */
export type Slip =
  | { readonly kind: 'misread'; readonly truth: string; readonly read: string; readonly common: boolean }
  | { readonly kind: 'missed'; readonly truth: string }
  | { readonly kind: 'extra'; readonly read: string };

export interface Alignment {
  /** ln P(reading | this mark stands there). */
  readonly logLikelihood: number;
  readonly slips: readonly Slip[];
  /** How many characters of the mark lie before and after what was read. */
  readonly unread: number;
}

/** Chance that a character in the middle of a mark is passed over, or one seen that is not there. */
const MISSED = 0.01;
const EXTRA = 0.005;
/** Chance that only part of a mark was legible, spread over its lengths and the windows in which it could lie. */
const PARTIAL = 0.15;

/** ln P(reading | no relation to any mark): each character a draw from the alphabet. */
export function logChance(reading: readonly MarkPosition[]): number {
  let sum = 0;
  for (const position of reading) if (position.length > 0) sum += Math.log(position.length * CHANCE);
  return sum;
}

const LOG_MISSED = Math.log(MISSED);
const LOG_EXTRA = Math.log(EXTRA);
const LOG_WHOLE = Math.log(1 - PARTIAL);

/** A piece of a mark may have any length, and lie anywhere in it. */
const logPiece = (length: number, unread: number): number => Math.log(PARTIAL / Math.max(1, length - 1) / (unread + 1));

/** Codes of the characters that get a column of the table; others are rare enough to be worked out each time. */
const CODES = 128;

/** How a step of the alignment was made: a character read, one read that is not there, one passed over. */
const READ = 1;
const ADDED = 2;
const PASSED = 3;

/**
 * Holds one reading against many marks. A Viterbi alignment (Needleman and Wunsch, J. Mol. Biol. 48 (1970) 443) with
 * free ends, whose costs are the logarithms of the confusion table; the table is worked out once for the reading.
 */
export class Aligner {
  private readonly rows: number;
  /** ln P(position | true character), by position and character code. */
  private readonly table: Float64Array;
  private readonly extra: Float64Array;
  private readonly chance: number;
  /** By position: the characters read or easily taken for them, and how much better than any other those explain it. */
  private readonly likely: { readonly set: CharacterSet; readonly best: number; readonly other: number }[];
  private best = new Float64Array(0);
  private from = new Uint8Array(0);
  private end = 0;

  constructor(
    private readonly reading: readonly MarkPosition[],
    private readonly making: Making,
  ) {
    this.rows = reading.length + 1;
    this.chance = logChance(reading);
    this.table = new Float64Array(reading.length * CODES);
    this.extra = new Float64Array(reading.length);
    reading.forEach((position, row) => {
      this.extra[row] = LOG_EXTRA + (position.length > 0 ? Math.log(CHANCE * position.length) : 0);
      for (let code = 0; code < CODES; code++)
        this.table[row * CODES + code] = this.logMatch(position, String.fromCharCode(code));
    });
    this.likely = reading.map((position, row) => this.likelyAt(position, row));
    this.reserve(LONGEST_MARK + 1);
  }

  /**
   * Whether a mark with these characters could explain the reading better than chance, if each lay where it suits
   * best. False is certain; true is to be looked at.
   */
  mayExplain(letters: number, figures: number): boolean {
    let bound = 0;
    for (const { set, best, other } of this.likely) bound += mayShare(set, letters, figures) ? best : other;
    return bound >= this.chance;
  }

  /**
   * ln P(reading | this mark stands there), by the likeliest way in which the mark, worn and half hidden, came to be
   * read so; -Infinity where no way explains it better than chance does.
   *
   * @param mark normalised text of the catalogue
   */
  logLikelihood(mark: string): number {
    const { letters, figures } = characterSet(mark);
    if (!this.mayExplain(letters, figures)) return -Infinity;
    const score = this.run(mark);
    return score < this.chance ? -Infinity : score;
  }

  /** The alignment itself, with its slips; undefined where nothing relates the two. */
  align(mark: string): Alignment | undefined {
    const logLikelihood = this.logLikelihood(mark);
    return logLikelihood === -Infinity ? undefined : { logLikelihood, ...this.trace(mark) };
  }

  private likelyAt(position: MarkPosition, row: number) {
    const other = Math.max(this.extra[row] as number, this.logMatch(position, ''));
    const alike = Array.from(ALPHABET).filter(
      (truth) =>
        position.length === 0 || position.some((read) => read === truth || lookAlike(truth, read, this.making)),
    );
    const best = Math.max(other, ...alike.map((truth) => this.logMatch(position, truth)));
    return { set: characterSet(alike.join('')), best, other };
  }

  private match(row: number, mark: string, at: number): number {
    const code = mark.charCodeAt(at);
    return code < CODES
      ? (this.table[row * CODES + code] as number)
      : this.logMatch(this.reading[row] ?? [], mark.charAt(at));
  }

  private logMatch(position: MarkPosition, truth: string): number {
    if (position.length === 0) return 0;
    let sum = 0;
    for (const read of position) sum += confusion(truth, read, this.making);
    return Math.log(sum);
  }

  private run(mark: string): number {
    const columns = mark.length + 1;
    this.reserve(columns);
    const { best, from, rows } = this;
    for (let column = 0; column < columns; column++) best[column] = 0;
    for (let row = 1; row < rows; row++) {
      const extra = this.extra[row - 1] as number;
      for (let column = 0; column < columns; column++) {
        const here = row * columns + column;
        let top = (best[here - columns] as number) + extra;
        let way = ADDED;
        if (column > 0) {
          const step = (best[here - columns - 1] as number) + this.match(row - 1, mark, column - 1);
          if (step >= top) {
            top = step;
            way = READ;
          }
          const skip = (best[here - 1] as number) + LOG_MISSED;
          if (skip > top) {
            top = skip;
            way = PASSED;
          }
        }
        best[here] = top;
        from[here] = way;
      }
    }
    const last = (rows - 1) * columns;
    let end = 0;
    for (let column = 1; column < columns; column++)
      if ((best[last + column] as number) > (best[last + end] as number)) end = column;
    this.end = end;
    const unread = this.start(columns) + mark.length - end;
    return (best[last + end] as number) + (unread === 0 ? LOG_WHOLE : logPiece(mark.length, unread));
  }

  /** How many characters of the mark lie before the first one read. */
  private start(columns: number): number {
    let row = this.reading.length;
    let column = this.end;
    while (row > 0) {
      const way = this.from[row * columns + column];
      if (way !== PASSED) row--;
      if (way !== ADDED) column--;
    }
    return column;
  }

  private trace(mark: string): { readonly slips: Slip[]; readonly unread: number } {
    const columns = mark.length + 1;
    const slips: Slip[] = [];
    let row = this.reading.length;
    let column = this.end;
    while (row > 0) {
      const position = this.reading[row - 1] ?? [];
      const truth = mark.charAt(column - 1);
      const way = this.from[row * columns + column];
      if (way === READ && position[0] !== undefined && !position.includes(truth)) {
        slips.push({
          kind: 'misread',
          truth,
          read: position[0],
          common: position.some((each) => lookAlike(truth, each, this.making)),
        });
      } else if (way === ADDED) slips.push({ kind: 'extra', read: position.join('') || '?' });
      else if (way === PASSED) slips.push({ kind: 'missed', truth });
      if (way !== PASSED) row--;
      if (way !== ADDED) column--;
    }
    return { slips: slips.reverse(), unread: column + mark.length - this.end };
  }

  private reserve(columns: number): void {
    if (this.best.length >= this.rows * columns) return;
    this.best = new Float64Array(this.rows * columns);
    this.from = new Uint8Array(this.rows * columns);
  }
}
