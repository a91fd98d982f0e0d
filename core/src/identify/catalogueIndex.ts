import { KINDS, parameterOf, type KindId } from '../dictionary/dictionary.js';
import type { Mark, Pattern } from '../catalogue/pattern.js';
import { sizeFrom, type Size } from '../catalogue/size.js';
import { optionOf, sizeOf } from '../catalogue/value.js';
import { characterSet } from '../marks/characterSet.js';
import { normaliseMark } from '../marks/markText.js';

/**
 * One column of the catalogue, dictionary encoded: patterns share few distinct values, so the likelihood is worked
 * out once a value and looked up once a pattern.
 */
export interface Column<T> {
  /** By pattern: which distinct value it has, counted from 1; 0 where it states none. */
  readonly codes: Uint32Array;
  readonly distinct: readonly T[];
  /** By code: how many patterns have it. */
  readonly counts: Uint32Array;
}

/** Marks, several a pattern: those of pattern i are `codes[offsets[i]]` up to `codes[offsets[i + 1]]`, from 0. */
export interface MarkColumn {
  readonly offsets: Uint32Array;
  readonly codes: Uint32Array;
  readonly distinct: readonly Mark[];
  /** Characters of each distinct mark, letters and figures in turn. */
  readonly characters: Uint32Array;
}

/** All patterns of one kind, laid out for identification. */
export interface CatalogueIndex {
  readonly kind: KindId;
  readonly patterns: readonly string[];
  readonly sizes: ReadonlyMap<string, Column<Size>>;
  readonly looks: ReadonlyMap<string, Column<string>>;
  readonly marks: MarkColumn;
}

class ColumnBuilder<T> {
  private readonly codeOf = new Map<string, number>();
  private readonly distinct: T[] = [];
  private readonly codes: Uint32Array;

  constructor(length: number) {
    this.codes = new Uint32Array(length);
  }

  set(row: number, key: string, make: () => T): void {
    let code = this.codeOf.get(key);
    if (code === undefined) {
      this.distinct.push(make());
      code = this.distinct.length;
      this.codeOf.set(key, code);
    }
    this.codes[row] = code;
  }

  build(): Column<T> {
    const counts = new Uint32Array(this.distinct.length + 1);
    for (const code of this.codes) counts[code] = (counts[code] ?? 0) + 1;
    return { codes: this.codes, distinct: this.distinct, counts };
  }
}

function markColumn(patterns: readonly Pattern[]): MarkColumn {
  const codeOf = new Map<string, number>();
  const distinct: Mark[] = [];
  const codes: number[] = [];
  const offsets = new Uint32Array(patterns.length + 1);
  patterns.forEach((pattern, row) => {
    const numbers: Mark[] = pattern.numbers.map(({ number }) => ({ text: number, making: 'tag' }));
    for (const mark of [...pattern.marks, ...numbers]) {
      const text = normaliseMark(mark.text);
      const key = `${text} ${mark.making} ${mark.place ?? ''}`;
      let code = codeOf.get(key);
      if (code === undefined) {
        code = distinct.push({ ...mark, text }) - 1;
        codeOf.set(key, code);
      }
      codes.push(code);
    }
    offsets[row + 1] = codes.length;
  });
  const characters = new Uint32Array(2 * distinct.length);
  distinct.forEach((mark, at) => {
    const { letters, figures } = characterSet(mark.text);
    characters[2 * at] = letters;
    characters[2 * at + 1] = figures;
  });
  return { offsets, codes: Uint32Array.from(codes), distinct, characters };
}

/** Lays out the patterns of one kind. Throws a RangeError where a pattern names a parameter the dictionary lacks. */
export function indexCatalogue(kind: KindId, patterns: readonly Pattern[]): CatalogueIndex {
  // In the order of their ids, so that sums come out the same to the last bit wherever the catalogue was loaded.
  const rows = patterns.filter((pattern) => pattern.kind === kind).sort((a, b) => (a.id < b.id ? -1 : 1));
  const parameters = new Map(Object.values(KINDS[kind].parameters).map((parameter) => [parameter.id, parameter]));
  const features = new Set(Object.values(KINDS[kind].features).map((feature) => feature.id));
  const sizes = new Map<string, ColumnBuilder<Size>>();
  const looks = new Map<string, ColumnBuilder<string>>();
  const column = <T>(columns: Map<string, ColumnBuilder<T>>, id: string): ColumnBuilder<T> => {
    const known = columns.get(id) ?? new ColumnBuilder<T>(rows.length);
    columns.set(id, known);
    return known;
  };
  rows.forEach((pattern, row) => {
    for (const [id, dimension] of Object.entries(pattern.dimensions)) {
      const key = `${dimension.low} ${dimension.high} ${dimension.unit} ${dimension.wearLimit ?? ''} ${dimension.service?.join(' ') ?? ''}`;
      column(sizes, id).set(row, key, () => sizeFrom(dimension, parameterOf(id)));
    }
    for (const [id, option] of Object.entries(pattern.features)) column(looks, id).set(row, option, () => option);
    // Few patterns have more than one voice; what those say together takes the place of the plain value.
    for (const id of new Set(pattern.claims?.map((claim) => claim.about))) {
      const parameter = parameters.get(id);
      const size = parameter && sizeOf(pattern, parameter)?.value;
      if (size) column(sizes, id).set(row, `${pattern.id} ${id}`, () => size);
      const option = features.has(id) ? optionOf(pattern, id)?.value : undefined;
      if (option !== undefined) column(looks, id).set(row, option, () => option);
    }
  });
  const built = <T>(columns: Map<string, ColumnBuilder<T>>) => new Map([...columns].map(([id, builder]) => [id, builder.build()]));
  return { kind, patterns: rows.map((pattern) => pattern.id), sizes: built(sizes), looks: built(looks), marks: markColumn(rows) };
}
