import type { Making } from '../../dictionary/definition.js';
import type { MarkPosition } from '../../marks/markText.js';

/** A mark as one reading gives it. */
export interface ReadMark {
  readonly text: string;
  /** Empty where it was found that nothing is marked. */
  readonly positions: readonly MarkPosition[];
  readonly making: Making | undefined;
  readonly place: string | undefined;
}

/** Characters that must have been read for a piece of a mark to be taken for one of a longer reading. */
const PIECE = 2;

/**
 * Marks with those taken together that are one mark read twice, or said in other words: the same characters as far as
 * both were read, or a piece of them, and nowhere said to be made otherwise or to stand elsewhere. What one reading
 * leaves open the other fills in. In an order of their own, whatever order they come in.
 */
export function withoutRepeats(marks: readonly ReadMark[]): ReadMark[] {
  const kept: ReadMark[] = [];
  // The fullest first, so that pieces find what they are pieces of.
  for (const mark of [...marks].sort((a, b) => known(b) - known(a) || (keyOf(a) < keyOf(b) ? -1 : 1))) {
    const at = kept.findIndex((other) => isOneMark(other, mark));
    const other = kept[at];
    if (other) kept[at] = together(other, mark);
    else kept.push(mark);
  }
  return kept;
}

export const keyOf = ({ positions, making, place }: ReadMark): string =>
  `${positions.map((each) => (each.length === 1 ? each[0] : `[${each.join('')}]`)).join('')} ${making ?? ''} ${place ?? ''}`;

const known = ({ positions }: ReadMark): number => positions.filter(({ length }) => length > 0).length;

function isOneMark(full: ReadMark, other: ReadMark): boolean {
  if (full.making !== undefined && other.making !== undefined && full.making !== other.making) return false;
  if (full.place !== undefined && other.place !== undefined && full.place !== other.place) return false;
  return offsetOf(full, other) !== undefined;
}

/** Where in a reading another fits, character by character; undefined where it does not. */
function offsetOf(full: ReadMark, other: ReadMark): number | undefined {
  const room = full.positions.length - other.positions.length;
  if (room < 0 || (full.positions.length === 0) !== (other.positions.length === 0)) return undefined;
  if (room > 0 && known(other) < PIECE) return undefined;
  for (let from = 0; from <= room; from++)
    if (other.positions.every((position, at) => mayBeSame(full.positions[from + at] ?? [], position))) return from;
  return undefined;
}

const mayBeSame = (a: MarkPosition, b: MarkPosition): boolean =>
  a.length === 0 || b.length === 0 || a.some((character) => b.includes(character));

function together(full: ReadMark, other: ReadMark): ReadMark {
  const from = offsetOf(full, other) ?? 0;
  const positions = full.positions.map((position, at): MarkPosition => {
    const there = other.positions[at - from] ?? [];
    if (position.length === 0) return there;
    return there.length === 0 ? position : position.filter((character) => there.includes(character));
  });
  return {
    text: full.text === other.text ? full.text : `${full.text}, ${other.text}`,
    positions,
    making: full.making ?? other.making,
    place: full.place ?? other.place,
  };
}
