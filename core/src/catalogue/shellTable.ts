import type { KindId } from '../dictionary/dictionary.js';
import { readMark } from '../marks/markText.js';
import { MOST_POSITIONS, waysToRead } from './classMarks.js';
import { NO_MARK, type Scheme } from './scheme.js';

/** A mark as it was read on a part; without characters where none stands. */
export interface MarkRead {
  readonly characters: string;
  /** Mark place of the dictionary, where it was said. */
  readonly place?: string;
  /** One stood there and cannot be read any more. */
  readonly gone?: boolean;
}

/** What each position may be of, by the marks of one part; the same at all of them where it bears none. */
type Classes = (position: number) => readonly string[];

/**
 * Reads which class each position of a part is of. Nothing where no such mark was looked for, it is gone, or it may be
 * read in ways that differ in how many positions there are.
 */
function classesOf(scheme: Scheme, marks: readonly MarkRead[]): Classes | undefined {
  for (const { characters, gone } of marks) {
    if (characters === '' || gone) continue;
    const read = readMark(characters);
    if (read.length > MOST_POSITIONS) continue;
    const ways = waysToRead(scheme.segments, read).map((way) =>
      way.flatMap(([{ gives }, text]) => (gives === 'sizeClass' ? [text] : [])),
    );
    const [first] = ways;
    if (!first || first.length === 0 || ways.some(({ length }) => length !== first.length)) continue;
    return (position) => [...new Set(ways.flatMap((way) => way[position - 1] ?? []))];
  }
  const isBare = marks.some(
    ({ characters, place, gone }) => characters === '' && !gone && place !== undefined && place === scheme.place,
  );
  return isBare ? () => [NO_MARK] : undefined;
}

/** Marks that were read on the parts of a kind: of one part, or of several that lie in a row. */
export interface MarkedParts {
  readonly kind: KindId;
  readonly family: string | undefined;
  readonly marks: readonly (readonly MarkRead[])[];
}

/** Which class each position is of by the marks of its part; nothing where they do not tell. */
function entryOf(
  scheme: Scheme | undefined,
  parts: readonly MarkedParts[],
): { readonly kind: KindId; readonly at: (position: number) => readonly string[] | undefined } | undefined {
  const part = parts.find(
    ({ kind, family }) => scheme?.kinds.includes(kind) && (scheme.family === undefined || scheme.family === family),
  );
  if (!scheme || !part) return undefined;
  const each = part.marks.map((marks) => classesOf(scheme, marks));
  const [one] = each;
  // Pieces in a row have a mark each; one part has them all.
  return { kind: part.kind, at: each.length > 1 ? (at) => each[at - 1]?.(1) : (at) => one?.(at) };
}

/** A maker's table of shells, entered by the marks round a bearing. */
interface ShellTable {
  readonly name: string;
  /**
   * Shells for one bearing, one or two halves each: several where marks leave it open. Nothing where a mark was not
   * looked at, or the table has no such pair.
   *
   * @param position of the bearing on each kind of part round it, from the front
   */
  readonly at: (position: (kind: KindId) => number) => readonly (readonly string[])[];
}

/**
 * The tables of a catalogue for the shells that may go round a journal, those that can be entered at all.
 *
 * @param shells ids of the patterns that are made for the housing
 */
export function shellTables(
  schemes: readonly Scheme[],
  parts: readonly MarkedParts[],
  shells: ReadonlySet<string>,
): readonly ShellTable[] {
  return schemes.flatMap((scheme): readonly ShellTable[] => {
    const { shellsBy, shells: rows = [] } = scheme;
    const here = rows.filter(({ takes }) => shells.has(takes));
    if (!shellsBy || here.length === 0) return [];
    const ids = [scheme.id, shellsBy.second, ...(shellsBy.third === undefined ? [] : [shellsBy.third])];
    const entries = ids.flatMap(
      (id) =>
        entryOf(
          schemes.find((each) => each.id === id),
          parts,
        ) ?? [],
    );
    if (entries.length < ids.length) return [];
    const at: ShellTable['at'] = (position) => {
      const classes = entries.map((entry) => entry.at(position(entry.kind)) ?? []);
      const chosen = here.flatMap(({ own, second, third, takes, half }) =>
        [own, second, ...(third === undefined ? [] : [third])].every((mark, input) => classes[input]?.includes(mark))
          ? [[takes, ...(half === undefined ? [] : [half])]]
          : [],
      );
      return [...new Map(chosen.map((patterns) => [patterns.join(), patterns])).values()];
    };
    return [{ name: scheme.name, at }];
  });
}
