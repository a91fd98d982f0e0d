import { find, type Phrases } from './phrases.js';
import type { Figures } from './size.js';
import { LEVELS, type Level } from './level.js';
import type { Spots } from './spot.js';

const LEVEL_WORDS: Readonly<Record<string, Level>> = {
  top: 'top',
  upper: 'top',
  front: 'top',
  mid: 'middle',
  middle: 'middle',
  centre: 'middle',
  center: 'middle',
  bottom: 'bottom',
  lower: 'bottom',
  rear: 'bottom',
};

/** Directions square to each other: the first along the engine or upright, the second across. */
const AXIS_WORDS: Readonly<Record<string, 1 | 2>> = {
  along: 1,
  lengthwise: 1,
  vertical: 1,
  across: 2,
  crosswise: 2,
  thrust: 2,
  horizontal: 2,
};

/** Figures with where on the bore or journal they were taken, and the first token after them. */
export interface FiguresAtSpots {
  readonly figures: Figures;
  readonly spots: Spots;
  readonly next: number;
}

/** More figures than this of one bore or journal nobody writes down at once. */
const MOST = 12;

/**
 * `95.06`, `95.06x95.04` in two directions, `top 95.06 bottom 95.03`, `95.06x95.04/95.05x95.03` at two heights: what
 * stands at a token and goes on with more heights.
 */
export function figuresAtSpots(phrases: Phrases, from: number): FiguresAtSpots | undefined {
  const values: number[] = [];
  const levels: (Level | undefined)[] = [];
  const axes: (1 | 2 | undefined)[] = [];
  let last: Figures | undefined;
  let written = '';
  let next = from;
  for (let at = from; values.length < MOST;) {
    const level = LEVEL_WORDS[phrases.tokens[at]?.text.toLowerCase() ?? ''];
    if (level) at++;
    const axis = AXIS_WORDS[phrases.tokens[at]?.text.toLowerCase() ?? ''];
    if (axis) at++;
    const figures = phrases.figures(at);
    const end = figures && phrases.after(at, figures.length);
    if (!figures || end === undefined || (last && figures.unit !== last.unit && last.unit)) break;
    // Only what says its height or direction goes on from what stands before it, or one more like it.
    if (last && !level && !axis) {
      if (levels.some((each) => each) || !isOneMore(phrases, last, figures, at, end)) break;
      written += '/';
    }
    const rows = rowsOf(figures);
    const heights = level ? rows.map(() => level) : heightsOf(rows);
    rows.forEach((row, height) => {
      for (const [place, value] of row.entries()) {
        values.push(value);
        levels.push(heights?.[height]);
        axes.push(row.length > 1 ? (place === 0 ? 1 : 2) : axis);
      }
    });
    written = written.endsWith('/')
      ? `${written}${figures.written}`
      : at > from
        ? `${phrases.source(from, at)} ${figures.written}`
        : figures.written;
    last = figures;
    next = at = end;
  }
  if (!last) return undefined;
  const all = <T>(list: readonly (T | undefined)[]): T[] | undefined => {
    const known = list.filter((each) => each !== undefined);
    return known.length === list.length ? known : undefined;
  };
  const [knownLevels, knownAxes] = [all(levels), all(axes)];
  return {
    figures: { ...last, values, written },
    spots: { ...(knownLevels ? { levels: knownLevels } : {}), ...(knownAxes ? { axes: knownAxes } : {}) },
    next,
  };
}

/** Readings of one size, or of several that are made alike, differ by less than this share of it. */
const ALIKE = 0.01;

/** Whether figures behind a blank are one more of the same, as fine and without a name: `bore 96.01 95.99 96.00`. */
function isOneMore(
  phrases: Phrases,
  last: Figures,
  { values, written, unit }: Figures,
  at: number,
  end: number,
): boolean {
  const [before, value] = [last.values.at(-1) ?? 0, values[0] ?? 0];
  const decimals = (text: string) => /[.,](\d+)$/.exec(text)?.[1]?.length;
  return (
    values.length === 1 &&
    (unit === undefined || last.unit === unit || last.unit === undefined) &&
    Math.abs(value - before) <= ALIKE * before &&
    decimals(written) !== undefined &&
    Math.abs((decimals(written) ?? 0) - (decimals(last.written) ?? 0)) <= 1 &&
    !phrases.ends(at) &&
    (phrases.ends(end) || phrases.figures(end) !== undefined || beginsNext(phrases, end))
  );
}

/** Whether a token is no name of what stands before it, but an instrument or a name with its own figures. */
function beginsNext(phrases: Phrases, at: number): boolean {
  const phrase = phrases.at(at);
  return (
    find(phrase, 'instrument') !== undefined || phrases.figures(phrases.glued(at + (phrase?.tokens ?? 1))) !== undefined
  );
}

/** Values by the strokes between them: those with a cross between them are of one row. */
export const rowsOf = ({ values, crosses }: Figures): readonly (readonly number[])[] => {
  const rows: number[][] = [];
  values.forEach((value, at) => {
    const row = rows.at(-1);
    if (row && crosses[at - 1]) row.push(value);
    else rows.push([value]);
  });
  return rows;
};

/** Two or three rows in two directions are taken from the top down. */
function heightsOf(rows: readonly (readonly number[])[]): readonly Level[] | undefined {
  if (!rows.every((row) => row.length === 2)) return undefined;
  return rows.length === 2 ? ['top', 'bottom'] : rows.length === 3 ? LEVELS : undefined;
}
