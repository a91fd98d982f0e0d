import type { Making } from '../dictionary/definition.js';
import { CHANCE, confusion, lookAlike } from './confusion.js';
import type { MarkPosition } from './markText.js';

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
/** Chance that only part of a mark was legible, spread over the windows in which it could lie. */
const PARTIAL = 0.15;

/** ln P(reading | no relation to any mark): each character a draw from the alphabet. */
export function logChance(reading: readonly MarkPosition[]): number {
  let sum = 0;
  for (const position of reading) if (position.length > 0) sum += Math.log(position.length * CHANCE);
  return sum;
}

function matches(position: MarkPosition, truth: string, making: Making): number {
  if (position.length === 0) return 1;
  let sum = 0;
  for (const read of position) sum += confusion(truth, read, making);
  return sum;
}

/**
 * Aligns a reading with a mark: the likeliest way in which the mark, worn and half hidden, came to be read so.
 * A Viterbi alignment (Needleman and Wunsch, J. Mol. Biol. 48 (1970) 443) with free ends, whose costs are the
 * logarithms of the confusion table. Undefined when not even half of the readable characters can be matched.
 *
 * @param mark normalised text of the catalogue
 */
export function align(reading: readonly MarkPosition[], mark: string, making: Making): Alignment | undefined {
  if (!halfShared(reading, mark)) return undefined;
  const rows = reading.length + 1;
  const columns = mark.length + 1;
  const best = new Float64Array(rows * columns).fill(-Infinity);
  const from = new Uint8Array(rows * columns);
  for (let column = 0; column < columns; column++) best[column] = 0;
  for (let row = 1; row < rows; row++) {
    const position = reading[row - 1] ?? [];
    for (let column = 0; column < columns; column++) {
      const here = row * columns + column;
      let top = (best[here - columns] ?? -Infinity) + Math.log(EXTRA) + (position.length > 0 ? Math.log(CHANCE * position.length) : 0);
      let way = 2;
      if (column > 0) {
        const step = (best[here - columns - 1] ?? -Infinity) + Math.log(matches(position, mark.charAt(column - 1), making));
        if (step >= top) [top, way] = [step, 1];
        const skip = (best[here - 1] ?? -Infinity) + Math.log(MISSED);
        if (skip > top) [top, way] = [skip, 3];
      }
      best[here] = top;
      from[here] = way;
    }
  }
  let end = 0;
  const lastRow = (rows - 1) * columns;
  for (let column = 1; column < columns; column++) if ((best[lastRow + column] ?? 0) > (best[lastRow + end] ?? 0)) end = column;
  const { slips, start } = trace(reading, mark, making, from, columns, end);
  const unread = start + (mark.length - end);
  const windows = Math.max(1, unread);
  const whole = unread === 0 ? Math.log(1 - PARTIAL) : Math.log(PARTIAL / windows);
  return { logLikelihood: (best[lastRow + end] ?? -Infinity) + whole, slips, unread };
}

function trace(reading: readonly MarkPosition[], mark: string, making: Making, from: Uint8Array, columns: number, end: number) {
  const slips: Slip[] = [];
  let row = reading.length;
  let column = end;
  while (row > 0) {
    const position = reading[row - 1] ?? [];
    const way = from[row * columns + column];
    if (way === 1) {
      const truth = mark.charAt(column - 1);
      const read = position[0];
      if (read !== undefined && !position.includes(truth)) {
        slips.push({ kind: 'misread', truth, read, common: position.some((each) => lookAlike(truth, each, making)) });
      }
      row--;
      column--;
    } else if (way === 2) {
      slips.push({ kind: 'extra', read: position.join('') || '?' });
      row--;
    } else {
      slips.push({ kind: 'missed', truth: mark.charAt(column - 1) });
      column--;
    }
  }
  return { slips: slips.reverse(), start: column };
}

/** Whether at least half of the readable characters occur in the mark at all: a cheap test before the alignment. */
function halfShared(reading: readonly MarkPosition[], mark: string): boolean {
  let readable = 0;
  let shared = 0;
  for (const position of reading) {
    if (position.length === 0) continue;
    readable++;
    for (const each of position) {
      if (mark.includes(each)) {
        shared++;
        break;
      }
    }
  }
  return shared * 2 >= readable && shared > 0;
}
