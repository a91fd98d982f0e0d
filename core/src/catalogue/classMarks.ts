import { readMark, type MarkPosition } from '../marks/markText.js';
import { interval, shifted, type Interval } from '../quantity/interval.js';
import { toInside } from '../quantity/unit.js';
import type { KindId } from '../dictionary/dictionary.js';
import type { Scheme, Segment } from './scheme.js';

/** A size that class marks narrow: what each position may be, in the order in which the mark names them. */
interface ClassedSize {
  readonly parameter: string;
  readonly positions: readonly Interval[];
}

type Narrows = NonNullable<Segment['narrows']>;

const BAND = /^(\d+(?:\.\d+)?) to (\d+(?:\.\d+)?)$/;

/** What a class leaves of a size whose limits as made are `standard`; nothing where the class has no band. */
function bandOf({ from, unit, bands }: Narrows, text: string, standard: Interval): Interval | undefined {
  const written = BAND.exec(bands[text] ?? '');
  if (!written) return undefined;
  const [least, most] = [toInside(Number(written[1]), unit), toInside(Number(written[2]), unit)];
  return from === 'smallest'
    ? shifted(interval(least, most), standard.low)
    : shifted(interval(-most, -least), standard.high);
}

/**
 * Texts that a segment can only be: those of its table, those that have a band, or the one that always stands there.
 */
export function textsOf({ characters, text, table, narrows }: Segment): readonly string[] {
  if (characters === 'exactly') return [text ?? ''];
  return Object.keys(table ?? narrows?.bands ?? {});
}

/** Whether what was read may be this text: an unreadable character may be any, a doubtful one any of those named. */
const mayBe = (positions: readonly MarkPosition[], at: number, text: string): boolean =>
  at + text.length <= positions.length &&
  Array.from(text.toUpperCase()).every(
    (character, ahead) => (positions[at + ahead]?.length ?? 0) === 0 || positions[at + ahead]?.includes(character),
  );

/** Every way to read a mark by a scheme whose segments are all told by their texts: what each segment may be. */
export function waysToRead(
  segments: readonly Segment[],
  positions: readonly MarkPosition[],
): readonly (readonly (readonly [Segment, string])[])[] {
  const ways: (readonly (readonly [Segment, string])[])[] = [];
  const walk = (at: number, index: number, taken: readonly (readonly [Segment, string])[]): void => {
    const segment = segments[index];
    if (!segment) {
      if (at === positions.length) ways.push(taken);
      return;
    }
    for (const text of textsOf(segment))
      if (mayBe(positions, at, text)) walk(at + text.length, index + 1, [...taken, [segment, text]]);
    if (segment.least === 0) walk(at, index + 1, taken);
  };
  walk(0, 0, []);
  return ways;
}

/** More ways than this to read a mark, and it says nothing: nearly all of it is unreadable. */
export const MOST_POSITIONS = 24;

/**
 * Sizes that the class marks on a part narrow, position by position. What is unreadable, or may be read in several
 * ways, leaves all of them open; ways that differ in how many positions there are say nothing.
 *
 * @param marks as read, doubts and all: `M?BCBA`
 * @param standard limits as made, by parameter id, from which the classes are counted
 */
export function classedSizes(
  schemes: readonly Scheme[],
  kind: KindId,
  family: string | undefined,
  marks: readonly string[],
  standard: Readonly<Record<string, Interval>>,
): readonly ClassedSize[] {
  const found = new Map<string, readonly Interval[]>();
  for (const scheme of schemes) {
    if (!scheme.kinds.includes(kind) || (scheme.family !== undefined && scheme.family !== family)) continue;
    if (!scheme.segments.some(({ narrows }) => narrows)) continue;
    for (const mark of marks)
      for (const size of sizesOf(scheme, mark, standard)) found.set(size.parameter, size.positions);
  }
  return [...found].map(([parameter, positions]) => ({ parameter, positions }));
}

function sizesOf(scheme: Scheme, mark: string, standard: Readonly<Record<string, Interval>>): readonly ClassedSize[] {
  const positions = readMark(mark);
  if (positions.length > MOST_POSITIONS) return [];
  const open = new Map<string, Interval[]>();
  let count: number | undefined;
  for (const way of waysToRead(scheme.segments, positions)) {
    const told = way.filter(([{ narrows }]) => narrows);
    if (count !== undefined && told.length !== count) return [];
    count = told.length;
    const places = new Map<string, number>();
    for (const [{ narrows }, text] of told) {
      const made = narrows && standard[narrows.of];
      const band = made && bandOf(narrows, text, made);
      if (!band) return [];
      const at = places.get(narrows.of) ?? 0;
      places.set(narrows.of, at + 1);
      const each = open.get(narrows.of) ?? [];
      const before = each[at];
      each[at] = before ? { low: Math.min(before.low, band.low), high: Math.max(before.high, band.high) } : band;
      open.set(narrows.of, each);
    }
  }
  return [...open].map(([parameter, each]) => ({ parameter, positions: each }));
}
