import type { Size } from '../catalogue/size.js';

/** Codes of a column: two bytes a pattern where they suffice, so that more of the column fits into a cache line. */
export type Codes = Uint16Array | Uint32Array;

/** What the family of a pattern says of a value in which the pattern stands alone. */
export interface Otherwise {
  /** Where the value is wrong, how often it should be one of those. */
  readonly share: number;
  /** Values that several of the family have, each with the share that has it; together 1. */
  readonly usual: readonly { readonly size: Size; readonly share: number }[];
}

/**
 * One column of the catalogue, dictionary encoded: patterns share few distinct values, so the likelihood is worked
 * out once a value and looked up once a pattern.
 */
export interface Column<T> {
  /** By pattern: which distinct value it has, counted from 1; 0 where it states none. */
  readonly codes: Codes;
  readonly distinct: readonly T[];
  /** By code: how many patterns have it. */
  readonly counts: Uint32Array;
  /** By code: chance that the catalogue is wrong about it, by who says so. What two sources say alike has two codes. */
  readonly wrong: Float64Array;
  /** By code, of values that stand alone in their family: what the others of it have. */
  readonly otherwise?: ReadonlyMap<number, Otherwise>;
}

const TWO_BYTES = 65_536;

/** Builds a column a pattern at a time. */
export class ColumnBuilder<T> {
  private readonly codeOf = new Map<string, number>();
  private readonly distinct: T[] = [];
  private readonly wrong: number[] = [];
  private readonly codes: Uint32Array;

  constructor(length: number) {
    this.codes = new Uint32Array(length);
  }

  /** @param wrong chance that the catalogue is wrong about it */
  set(row: number, key: string, wrong: number, make: () => T): void {
    const said = `${key} ${wrong}`;
    let code = this.codeOf.get(said);
    if (code === undefined) {
      this.distinct.push(make());
      this.wrong.push(wrong);
      code = this.distinct.length;
      this.codeOf.set(said, code);
    }
    this.codes[row] = code;
  }

  build(): Column<T> {
    const counts = new Uint32Array(this.distinct.length + 1);
    for (const code of this.codes) counts[code] = (counts[code] ?? 0) + 1;
    return {
      codes: this.distinct.length < TWO_BYTES ? Uint16Array.from(this.codes) : this.codes,
      distinct: this.distinct,
      wrong: Float64Array.of(0, ...this.wrong),
      counts,
    };
  }
}

const inverted = new WeakMap<Codes, Lists>();

/** The patterns that have a value of a column, ascending; all values are laid out when the first is asked for. */
export function rowsWith({ codes, counts }: Pick<Column<unknown>, 'codes' | 'counts'>, code: number): Uint32Array {
  let lists = inverted.get(codes);
  if (!lists) {
    const starts = new Uint32Array(counts.length + 1);
    for (let at = 0; at < counts.length; at++) starts[at + 1] = (starts[at] ?? 0) + (counts[at] ?? 0);
    const next = starts.slice();
    const items = new Uint32Array(codes.length);
    codes.forEach((each, row) => {
      const at = next[each] ?? 0;
      items[at] = row;
      next[each] = at + 1;
    });
    lists = { starts, items };
    inverted.set(codes, lists);
  }
  return listAt(lists, code);
}

/** Lists of numbers laid end to end: those of `i` are `items[starts[i]]` up to `items[starts[i + 1]]`. */
export interface Lists {
  readonly starts: Uint32Array;
  readonly items: Uint32Array;
}

/** Lays out pairs of (list, item) as lists, in the order of the pairs. */
export function listsOf(count: number, pairs: readonly (readonly [list: number, item: number])[]): Lists {
  const starts = new Uint32Array(count + 1);
  for (const [list] of pairs) starts[list + 1] = (starts[list + 1] ?? 0) + 1;
  for (let at = 0; at < count; at++) starts[at + 1] = (starts[at + 1] ?? 0) + (starts[at] ?? 0);
  const next = starts.slice();
  const items = new Uint32Array(pairs.length);
  for (const [list, item] of pairs) {
    const at = next[list] ?? 0;
    items[at] = item;
    next[list] = at + 1;
  }
  return { starts, items };
}

/** The items of one list. */
export const listAt = ({ starts, items }: Lists, list: number): Uint32Array =>
  items.subarray(starts[list] ?? 0, starts[list + 1] ?? 0);
