import type { Catalogue } from '../catalogue/catalogue.js';
import { normalForm } from '../catalogue/facePattern.js';
import { monthOf } from '../catalogue/figure.js';
import type { Described, Mark, Pattern, Variant } from '../catalogue/pattern.js';
import type { Scheme } from '../catalogue/scheme.js';
import { sizeFrom, type Size } from '../catalogue/size.js';
import type { ClaimKind } from '../catalogue/claim.js';
import { optionOf, sizeOf, USUAL_SOURCE, type Derived } from '../catalogue/value.js';
import { aloneInFamily } from './aloneInFamily.js';
import { ASSUMED, type Assumed } from './assumptions.js';
import { describedAs, parameterOf, type DescribedId, type KindId } from '../dictionary/dictionary.js';
import { characterSet } from '../marks/characterSet.js';
import { normaliseMark } from '../marks/markText.js';
import { CodeIndex } from '../search/codeIndex.js';
import { ColumnBuilder, listsOf, type Column, type Lists } from './columns.js';

/** Marks and numbers, several a pattern, each distinct one once. */
export interface MarkColumn {
  /** By pattern: codes of its marks. */
  readonly ofPattern: Lists;
  /** By mark: the patterns that bear it. */
  readonly bearers: Lists;
  readonly distinct: readonly Mark[];
  /** Characters of each distinct mark, letters and figures in turn. */
  readonly characters: Uint32Array;
  /** By distinct text: the marks that read so. The texts stand in the order of `texts`. */
  readonly ofText: Lists;
  readonly texts: readonly string[];
  /** By text of a number that was replaced: what took its place, and since when. */
  readonly replaced: ReadonlyMap<string, string>;
  /** Patterns without any mark or number. */
  readonly unmarked: Uint32Array;
}

/** Where patterns were fitted, for what is claimed of an engine. */
export interface FitmentColumn {
  readonly variants: readonly Pick<Variant, 'id' | 'code' | 'name' | 'family' | 'machines' | 'serials' | 'years'>[];
  /** By pattern: its fitments, as places in the lists below. */
  readonly ofPattern: Lists;
  readonly variant: Uint32Array;
  readonly share: Float32Array;
  /** First and last month, counted from year 0; the last of one that goes on is far ahead. */
  readonly first: Int32Array;
  readonly last: Int32Array;
  /** Running numbers; the whole range where none is given. */
  readonly serialFrom: Float64Array;
  readonly serialTo: Float64Array;
}

/** A mark scheme and the patterns whose maker or family uses it. */
export interface SchemeColumn {
  readonly scheme: Scheme;
  readonly rows: Uint32Array;
}

/** All patterns of one kind, laid out for identification. Plain data: it can be kept and passed to a worker. */
export interface CatalogueIndex {
  readonly kind: DescribedId;
  readonly patterns: readonly string[];
  readonly sizes: ReadonlyMap<string, Column<Size>>;
  readonly looks: ReadonlyMap<string, Column<string>>;
  /** Patterns of faces; those that are one under two ways of writing are one. */
  readonly faces: ReadonlyMap<string, Column<string>>;
  readonly marks: MarkColumn;
  readonly fitments: FitmentColumn;
  readonly schemes: readonly SchemeColumn[];
  /** Schemes of engine serials, each with the families that use it. */
  readonly serials: readonly { readonly scheme: Scheme; readonly families: readonly string[] }[];
  /** What is taken for granted where nothing tells, with the shop's own numbers. */
  readonly assumed: Assumed;
  /** By family id: how it is called. */
  readonly families: ReadonlyMap<string, string>;
}

/** What an index is made of: a catalogue, or as much of one as there is. */
type Indexed = Pick<Catalogue, 'patterns'> & Partial<Pick<Catalogue, 'variants' | 'schemes' | 'families' | 'makers'>>;

function markColumn(patterns: readonly Pick<Pattern, 'marks' | 'numbers'>[]): MarkColumn {
  const codeOf = new Map<string, number>();
  const textOf = new Map<string, number>();
  const distinct: Mark[] = [];
  const borne: [number, number][] = [];
  const ofText: [number, number][] = [];
  patterns.forEach((pattern, row) => {
    const numbers: Mark[] = pattern.numbers.map(({ number }) => ({ text: number, making: 'tag' }));
    const seen = new Set<number>();
    for (const mark of [...pattern.marks, ...numbers]) {
      const text = normaliseMark(mark.text);
      const key = `${text} ${mark.making} ${mark.place ?? ''}`;
      let code = codeOf.get(key);
      if (code === undefined) {
        code =
          distinct.push({ text, making: mark.making, ...(mark.place === undefined ? {} : { place: mark.place }) }) - 1;
        codeOf.set(key, code);
        const known = textOf.get(text) ?? textOf.size;
        textOf.set(text, known);
        ofText.push([known, code]);
      }
      if (seen.has(code)) continue;
      seen.add(code);
      borne.push([row, code]);
    }
  });
  const replaced = new Map(
    patterns.flatMap(({ numbers }) =>
      numbers.flatMap(({ number, replacedBy, since }): [string, string][] =>
        replacedBy === undefined
          ? []
          : [[normaliseMark(number), since === undefined ? replacedBy : `${replacedBy} since ${since}`]],
      ),
    ),
  );
  const characters = new Uint32Array(2 * distinct.length);
  distinct.forEach((mark, at) => {
    const { letters, figures } = characterSet(mark.text);
    characters[2 * at] = letters;
    characters[2 * at + 1] = figures;
  });
  const ofPattern = listsOf(patterns.length, borne);
  return {
    ofPattern,
    bearers: listsOf(
      distinct.length,
      borne.map(([row, code]) => [code, row]),
    ),
    distinct,
    characters,
    ofText: listsOf(textOf.size, ofText),
    texts: [...textOf.keys()],
    replaced,
    unmarked: Uint32Array.from(patterns.keys()).filter((row) => ofPattern.starts[row] === ofPattern.starts[row + 1]),
  };
}

/** Far ahead of any month: what goes on has not ended. */
const GOES_ON = 12 * 9999;

function fitmentColumn(
  rowOf: ReadonlyMap<string, number>,
  patterns: number,
  variants: readonly Variant[],
): FitmentColumn {
  const ofPattern: [number, number][] = [];
  const variant: number[] = [];
  const [share, first, last, serialFrom, serialTo]: number[][] = [[], [], [], [], []];
  const kept: FitmentColumn['variants'][number][] = [];
  for (const each of variants) {
    const place = kept.length;
    let carries = false;
    for (const fitment of each.fitments) {
      const row = rowOf.get(fitment.pattern);
      if (row === undefined) continue;
      carries = true;
      ofPattern.push([row, variant.length]);
      variant.push(place);
      share?.push(fitment.share ?? 1);
      const [from, to] = [fitment.from ?? each.years?.from, fitment.to ?? each.years?.to];
      first?.push(from === undefined ? 0 : monthOf(from));
      last?.push(to === undefined ? GOES_ON : monthOf(to, true));
      serialFrom?.push(fitment.serialFrom === undefined ? 0 : Number(fitment.serialFrom));
      serialTo?.push(fitment.serialTo === undefined ? Infinity : Number(fitment.serialTo));
    }
    if (!carries) continue;
    const { id, code, name, family, machines, serials, years } = each;
    kept.push({
      id,
      code,
      family,
      ...(name ? { name } : {}),
      ...(machines ? { machines } : {}),
      ...(serials ? { serials } : {}),
      ...(years ? { years } : {}),
    });
  }
  return {
    variants: kept,
    ofPattern: listsOf(patterns, ofPattern),
    variant: Uint32Array.from(variant),
    share: Float32Array.from(share ?? []),
    first: Int32Array.from(first ?? []),
    last: Int32Array.from(last ?? []),
    serialFrom: Float64Array.from(serialFrom ?? []),
    serialTo: Float64Array.from(serialTo ?? []),
  };
}

function schemeColumns(
  kind: KindId,
  rows: readonly Pattern[],
  { schemes = [], families = [] }: Indexed,
): SchemeColumn[] {
  const makerOf = new Map(families.map((family) => [family.id, family.maker]));
  const uses = (scheme: Scheme, { family }: Pattern) =>
    family !== undefined &&
    (scheme.family === undefined
      ? scheme.maker !== undefined && makerOf.get(family) === scheme.maker
      : scheme.family === family);
  // A scheme without kinds is that of whole engines, and part of what is claimed.
  return schemes
    .filter((scheme) => scheme.kinds.includes(kind))
    .map((scheme) => ({
      scheme,
      rows: Uint32Array.from(rows.flatMap((pattern, row) => (uses(scheme, pattern) ? [row] : []))),
    }));
}

const serialSchemes = ({ schemes = [], families = [] }: Indexed): CatalogueIndex['serials'] =>
  schemes
    .filter(({ kinds }) => kinds.length === 0)
    .map((scheme) => ({
      scheme,
      families: families
        .filter(({ id, maker }) => (scheme.family === undefined ? maker === scheme.maker : id === scheme.family))
        .map(({ id }) => id),
    }));

const inOrder = <T extends { readonly id: string }>(records: readonly T[]): T[] =>
  [...records].sort((a, b) => (a.id < b.id ? -1 : 1));

/**
 * Lays out the patterns of one kind.
 *
 * @param before the index of an earlier state that had the same families, variants and schemes: what it tells of them
 *   is taken over where the patterns are the same by their ids
 * @throws RangeError where a pattern names a parameter the dictionary lacks
 */
export function indexCatalogue(kind: KindId, catalogue: Indexed, before?: CatalogueIndex): CatalogueIndex {
  // In the order of their ids, so that sums come out the same wherever the catalogue was loaded.
  const rows = inOrder(catalogue.patterns.filter((pattern) => pattern.kind === kind));
  const same =
    before?.patterns.length === rows.length && rows.every(({ id }, row) => id === before.patterns[row])
      ? before
      : undefined;
  return {
    ...described(kind, rows),
    marks: markColumn(rows),
    fitments:
      same?.fitments ??
      fitmentColumn(new Map(rows.map((pattern, row) => [pattern.id, row])), rows.length, catalogue.variants ?? []),
    schemes: schemeColumns(kind, rows, catalogue),
    serials: before?.serials ?? serialSchemes(catalogue),
    families: before?.families ?? familyNames(catalogue),
    assumed: ASSUMED,
  };
}

/**
 * Lays out the variants of engines in the same way: each is fitted to itself, so that what is claimed of an engine
 * counts for it.
 */
export function indexEngines(catalogue: Indexed): CatalogueIndex {
  const rows = inOrder(catalogue.variants ?? []);
  const itself = rows.map((variant): Variant => ({ ...variant, fitments: [{ slot: 'engine', pattern: variant.id }] }));
  return {
    ...described('variant', rows),
    marks: markColumn(rows.map(() => ({ marks: [], numbers: [] }))),
    fitments: fitmentColumn(new Map(rows.map((variant, row) => [variant.id, row])), rows.length, itself),
    schemes: [],
    serials: serialSchemes(catalogue),
    families: familyNames(catalogue),
    assumed: ASSUMED,
  };
}

const familyNames = (catalogue: Indexed): ReadonlyMap<string, string> =>
  new Map((catalogue.families ?? []).map((family) => [family.id, familyName(family.maker, family.name, catalogue)]));

const chanceWrong = (kind: ClaimKind): number => ASSUMED.recordWrong[kind];

/** A value that another voice contradicts is wrong as often as not the one or the other. */
const wrongOf = ({ disputed, voices }: Derived<unknown>): number =>
  disputed ? ASSUMED.disputedWrong : chanceWrong(voices[0]?.source.kind ?? USUAL_SOURCE.kind);

/** Sizes and looks of some records as columns. */
function described(
  kind: DescribedId,
  rows: readonly (Described & Partial<Pick<Pattern, 'interfaces' | 'family'>> & { readonly id: string })[],
): Pick<CatalogueIndex, 'kind' | 'patterns' | 'sizes' | 'looks' | 'faces'> {
  const known = describedAs(kind);
  const parameters = new Map(Object.values(known.parameters).map((parameter) => [parameter.id, parameter]));
  const features = new Set(Object.values(known.features).map((feature) => feature.id));
  const sizes = new Map<string, ColumnBuilder<Size>>();
  const looks = new Map<string, ColumnBuilder<string>>();
  const faces = new Map<string, ColumnBuilder<string>>();
  const column = <T>(columns: Map<string, ColumnBuilder<T>>, id: string): ColumnBuilder<T> => {
    const begun = columns.get(id) ?? new ColumnBuilder<T>(rows.length);
    columns.set(id, begun);
    return begun;
  };
  rows.forEach((record, row) => {
    const plain = chanceWrong(record.source?.kind ?? USUAL_SOURCE.kind);
    for (const [id, dimension] of Object.entries(record.dimensions)) {
      const key = `${dimension.low} ${dimension.high} ${dimension.unit} ${dimension.wearLimit ?? ''} ${dimension.service?.join(' ') ?? ''}`;
      column(sizes, id).set(row, key, plain, () => sizeFrom(dimension, parameterOf(id)));
    }
    for (const [id, option] of Object.entries(record.features)) column(looks, id).set(row, option, plain, () => option);
    for (const [id, name] of Object.entries(record.interfaces ?? {}))
      column(faces, id).set(row, normalForm(name), plain, () => name);
    // Few have more than one voice; what those say together takes the place of the plain value.
    for (const id of new Set(record.claims?.map((claim) => claim.about))) {
      const parameter = parameters.get(id);
      const size = parameter && sizeOf(record, parameter);
      if (size) column(sizes, id).set(row, `${record.id} ${id}`, wrongOf(size), () => size.value);
      const option = features.has(id) ? optionOf(record, id) : undefined;
      if (option) column(looks, id).set(row, option.value, wrongOf(option), () => option.value);
    }
  });
  const built = <T>(columns: Map<string, ColumnBuilder<T>>) =>
    new Map([...columns].map(([id, builder]) => [id, builder.build()]));
  // What an engine alone of its family has is what it is named by.
  const families = kind === 'variant' ? [] : rows.map(({ family }) => family);
  const inFamilies = new Map([...built(sizes)].map(([id, each]) => [id, aloneInFamily(each, families)]));
  return { kind, patterns: rows.map(({ id }) => id), sizes: inFamilies, looks: built(looks), faces: built(faces) };
}

const familyName = (maker: string, name: string, { makers = [] }: Indexed): string =>
  `${makers.find((each) => each.id === maker)?.name ?? maker} ${name}`;

/**
 * Below this many distinct texts every one is aligned; above, only those that share pairs of characters with the
 * reading.
 */
const ALIGN_ALL_BELOW = 2000;

const codeIndexes = new WeakMap<MarkColumn, CodeIndex>();

/** The index over the texts of a mark column; undefined where there are few enough to look at all. */
export function codeIndexOf(marks: MarkColumn): CodeIndex | undefined {
  if (marks.texts.length < ALIGN_ALL_BELOW) return undefined;
  const known = codeIndexes.get(marks) ?? new CodeIndex(marks.texts);
  codeIndexes.set(marks, known);
  return known;
}

/** Bytes of the typed arrays of an index. */
export function bytesOf(index: CatalogueIndex): number {
  const { marks, fitments } = index;
  const arrays: ArrayBufferView[] = [
    ...[...index.sizes.values(), ...index.looks.values(), ...index.faces.values()].flatMap(({ codes, counts }) => [
      codes,
      counts,
    ]),
    ...[marks.ofPattern, marks.bearers, marks.ofText, fitments.ofPattern].flatMap(({ starts, items }) => [
      starts,
      items,
    ]),
    marks.characters,
    marks.unmarked,
    fitments.variant,
    fitments.share,
    fitments.first,
    fitments.last,
    fitments.serialFrom,
    fitments.serialTo,
    ...index.schemes.map(({ rows }) => rows),
  ];
  return arrays.reduce((sum, array) => sum + array.byteLength, 0);
}
