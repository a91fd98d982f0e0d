import { bisector } from 'd3-array';
import type { Catalogue, RecordType } from '../catalogue/catalogue.js';
import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { Described } from '../catalogue/pattern.js';
import { optionOf, sizeOf, valueIds } from '../catalogue/value.js';
import { isIdOf, KINDS, parameterOf, sayLook, type KindId } from '../dictionary/dictionary.js';
import { MarkTextError, normaliseMark } from '../marks/markText.js';
import { difference, sentence, value, type Sentence } from '../quantity/sentence.js';
import { CodeIndex } from './codeIndex.js';
import { kindNames, readQuery, type Query, type Term } from './query.js';
import { findSizes, indexSizes, type SizeEntry, type SizeIndex } from './sizeIndex.js';

/** A record that answers a search, and why. */
export interface SearchHit {
  readonly type: RecordType;
  readonly id: string;
  readonly kind?: KindId;
  readonly score: number;
  readonly because: readonly Sentence[];
}

export interface SearchResult {
  readonly hits: readonly SearchHit[];
  /** How many there are in all. */
  readonly count: number;
  /** Words of the search that none of the hits answers, where no record answers all. */
  readonly without: readonly string[];
  /** What the line was taken for. */
  readonly says: string;
}

interface Row {
  readonly type: RecordType;
  readonly id: string;
  readonly kind: KindId | undefined;
}

/** Where a code stands. */
interface CodePlace {
  readonly row: number;
  readonly says: string;
}

/** A catalogue laid out for its search. */
export interface SearchIndex {
  readonly rows: readonly Row[];
  readonly codes: CodeIndex;
  readonly codePlaces: ReadonlyMap<number, readonly CodePlace[]>;
  /** Words of names, sorted, with the rows that bear them. */
  readonly words: readonly (readonly [word: string, rows: readonly number[]])[];
  readonly sizes: SizeIndex;
  readonly looks: ReadonlyMap<string, readonly number[]>;
}

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}.]+/u)
    .filter(Boolean);

/**
 * Lays records of a catalogue out for their search. Some seconds for some hundred thousand patterns: for a worker or a
 * thread of the server.
 *
 * @param records which of them; all where nothing is said
 */
export function indexSearch(
  catalogue: CatalogueLookup,
  records: Omit<Catalogue, 'format' | 'version'> = catalogue.catalogue,
): SearchIndex {
  const rows: Row[] = [];
  const words = new Map<string, Set<number>>();
  const codes = new Map<string, CodePlace[]>();
  const sizes: SizeEntry[] = [];
  const looks = new Map<string, number[]>();
  const add = (type: RecordType, id: string, names: readonly string[], kind?: KindId): number => {
    const row = rows.push({ type, id, kind }) - 1;
    for (const word of new Set(names.flatMap(wordsOf))) {
      const known = words.get(word);
      if (known) known.add(row);
      else words.set(word, new Set([row]));
    }
    return row;
  };
  const addCode = (code: string, row: number, says: string) => {
    const normal = normaliseMark(code);
    const known = codes.get(normal);
    if (known) known.push({ row, says });
    else codes.set(normal, [{ row, says }]);
  };
  const addValues = (described: Described, row: number) => {
    for (const id of valueIds(described)) {
      if (isIdOf('parameter', id)) {
        const size = sizeOf(described, parameterOf(id))?.value;
        if (size) sizes.push({ row, id, size });
      } else {
        const key = `${id}=${optionOf(described, id)?.value ?? ''}`;
        const known = looks.get(key);
        if (known) known.push(row);
        else looks.set(key, [row]);
      }
    }
  };
  const { makers, families, patterns, variants, schemes } = records;
  for (const maker of makers) add('maker', maker.id, [maker.name, ...(maker.aliases ?? [])]);
  for (const family of families)
    add('family', family.id, [catalogue.familyLabel(family.id), ...(family.aliases ?? [])]);
  for (const variant of variants) {
    const row = add('variant', variant.id, [
      catalogue.variantLabel(variant.id),
      variant.name ?? '',
      ...(variant.machines ?? []),
    ]);
    addCode(variant.code, row, 'designation');
    for (const { prefix } of variant.serials ?? []) if (prefix !== undefined) addCode(prefix, row, 'serial prefix');
    addValues(variant, row);
  }
  for (const pattern of patterns) {
    const kind = KINDS[pattern.kind];
    const row = add('pattern', pattern.id, [catalogue.label(pattern.id), kind.name, kind.plural], pattern.kind);
    for (const { number, replacedBy } of pattern.numbers)
      addCode(
        number,
        row,
        replacedBy === undefined ? `part number ${number}` : `old part number ${number}, now ${replacedBy}`,
      );
    for (const { text, making } of pattern.marks) addCode(text, row, `${text}, ${making}`);
    addValues(pattern, row);
  }
  for (const scheme of schemes) add('scheme', scheme.id, [scheme.name]);
  const codeIndex = new CodeIndex(codes.keys());
  return {
    rows,
    codes: codeIndex,
    codePlaces: new Map(codeIndex.codes.map((code, at) => [at, codes.get(code) ?? []])),
    words: [...words].sort(([a], [b]) => (a < b ? -1 : 1)).map(([word, at]) => [word, [...at]] as const),
    sizes: indexSizes(sizes),
    looks,
  };
}

interface Answer {
  readonly score: number;
  readonly because: Sentence;
}
type Answers = Map<number, Answer>;

const MOST_CODES = 60;
/** A code's gain at which it is as good as certain, ln. */
const SURE_GAIN = 14;
const WHOLE_WORD = 0.8;
const BEGUN_WORD = 0.55;
/** Marks and names of one or two characters say too little to be looked for inside others. */
const SHORTEST_CODE = 3;
/** Patterns before engines before the rest, where they answer alike. */
const TYPE_WEIGHT: Readonly<Record<RecordType, number>> = {
  pattern: 0.03,
  variant: 0.04,
  family: 0.05,
  maker: 0.05,
  scheme: 0,
  swap: 0,
};

/** A part of what is searched: records laid out together, of which some may no longer hold. */
export interface SearchSection {
  readonly index: SearchIndex;
  /** Rows that are told elsewhere as they are now, or not at all. */
  readonly gone?: ReadonlySet<number>;
}

interface Found {
  readonly row: Row;
  score: number;
  readonly terms: Set<number>;
  readonly because: Sentence[];
}

/**
 * Searches a catalogue by number, mark, name, synonym, look and size in one line: `piston 97 +0.5`, `BS 104 187`,
 * `41?7`.
 */
export const searchCatalogue = (index: SearchIndex, text: string, most = 40): SearchResult =>
  searchSections([{ index }], text, most);

/** The same over records that were laid out in several goes. */
export function searchSections(sections: readonly SearchSection[], text: string, most = 40): SearchResult {
  const query = readQuery(text);
  if (query.terms.length === 0 && query.kinds.size === 0) return { hits: [], count: 0, without: [], says: '' };
  const found = sections.flatMap((section) => foundIn(section, query));
  let best = 0;
  for (const { terms } of found) best = Math.max(best, terms.size);
  const answered = found.filter(({ terms }) => terms.size === best);
  const hits = answered
    .map(({ row: { type, id, kind }, score, because }): SearchHit => ({
      type,
      id,
      ...(kind ? { kind } : {}),
      score: score + TYPE_WEIGHT[type],
      because: because.filter((each) => each.length > 0),
    }))
    .sort((a, b) => b.score - a.score || (a.id < b.id ? -1 : 1));
  const answeredTerms = new Set<number>();
  for (const { terms } of answered) for (const term of terms) answeredTerms.add(term);
  return {
    hits: hits.slice(0, most),
    count: hits.length,
    without:
      best < query.terms.length
        ? query.terms.filter((_, at) => hits.length === 0 || !answeredTerms.has(at)).map((term) => term.text)
        : [],
    says: saysOf(query),
  };
}

/** Records of a section that answer some term of a query. */
function foundIn({ index, gone }: SearchSection, query: Query): readonly Found[] {
  const found = new Map<number, Found>();
  const note = (at: number, term: number | undefined, { score, because }: Answer) => {
    const row = index.rows[at];
    if (!row || gone?.has(at) || (query.kinds.size > 0 && (row.kind === undefined || !query.kinds.has(row.kind))))
      return;
    const known = found.get(at) ?? { row, score: 0, terms: new Set<number>(), because: [] };
    known.score += score;
    known.because.push(because);
    if (term === undefined) query.terms.forEach((_, each) => known.terms.add(each));
    else known.terms.add(term);
    found.set(at, known);
  };
  query.terms.forEach((term, at) => answersTo(index, term).forEach((answer, row) => note(row, at, answer)));
  const whole = query.joined === undefined ? new Map<number, Answer>() : codeAnswers(index, query.joined);
  for (const [row, answer] of whole) note(row, undefined, { ...answer, score: answer.score * query.terms.length });
  if (query.terms.length === 0)
    index.rows.forEach(
      (row, at) => row.kind && query.kinds.has(row.kind) && note(at, undefined, { score: 0, because: [] }),
    );
  return [...found.values()];
}

const saysOf = (query: Query): string =>
  [query.kinds.size > 0 ? kindNames(query.kinds) : 'anything', ...query.terms.map((term) => term.text)].join(' · ');

function answersTo(index: SearchIndex, term: Term): Answers {
  const answers: Answers = new Map();
  const better = (row: number, answer: Answer) => {
    if ((answers.get(row)?.score ?? 0) < answer.score) answers.set(row, answer);
  };
  if (term.code !== undefined) codeAnswers(index, term.code).forEach((answer, row) => better(row, answer));
  if (term.word !== undefined) wordAnswers(index, term.word, better);
  if (term.look)
    for (const row of index.looks.get(`${term.look.feature.id}=${term.look.option}`) ?? [])
      better(row, { score: 0.9, because: [sayLook(term.look.feature, term.look.option)] });
  if (term.size) sizeAnswers(index, term, better);
  return answers;
}

function codeAnswers(index: SearchIndex, text: string): Answers {
  const answers: Answers = new Map();
  const exact = index.codes.exactly(text);
  for (const { row, says } of exact === undefined ? [] : (index.codePlaces.get(exact) ?? []))
    answers.set(row, { score: 1.2, because: [says] });
  if (normaliseMark(text).length < SHORTEST_CODE || !/[\d?[]/.test(text)) return answers;
  try {
    for (const { code, gain, alignment } of index.codes.find(text, MOST_CODES)) {
      if (code === exact) continue;
      const read = alignment.slips.length === 0 ? '' : ', read with a slip';
      for (const { row, says } of index.codePlaces.get(code) ?? []) {
        const score = Math.min(1, gain / SURE_GAIN) - 0.1 * alignment.slips.length;
        if ((answers.get(row)?.score ?? 0) < score) answers.set(row, { score, because: [says + read] });
      }
    }
  } catch (error) {
    if (!(error instanceof MarkTextError)) throw error;
  }
  return answers;
}

function wordAnswers(index: SearchIndex, text: string, better: (row: number, answer: Answer) => void): void {
  const parts = wordsOf(text).map((word) => rowsWithWord(index, word));
  const [first, ...others] = parts;
  for (const [row, score] of first ?? []) {
    if (others.every((other) => other.has(row))) better(row, { score, because: [] });
  }
}

const byWord = bisector(([word]: SearchIndex['words'][number]) => word);

/** Rows that bear a word, or one that begins with it, with how well. */
function rowsWithWord(index: SearchIndex, word: string): ReadonlyMap<number, number> {
  const rows = new Map<number, number>();
  for (let at = byWord.left(index.words, word); index.words[at]?.[0].startsWith(word); at++) {
    const [found, bearers] = index.words[at] ?? ['', []];
    for (const row of bearers) rows.set(row, Math.max(rows.get(row) ?? 0, found === word ? WHOLE_WORD : BEGUN_WORD));
  }
  return rows;
}

/** Earlier parameters of a kind are what people mean by a bare figure: a piston's bore before its ring groove. */
const RANK: ReadonlyMap<string, number> = new Map(
  Object.values(KINDS).flatMap((kind) =>
    Object.values(kind.parameters).map((parameter, at): [string, number] => [parameter.id, at]),
  ),
);
const BY_RANK = 0.03;

function sizeAnswers(index: SearchIndex, term: Term, better: (row: number, answer: Answer) => void): void {
  const { size } = term;
  if (!size) return;
  for (const { row, id, score, step } of findSizes(index.sizes, size)) {
    const parameter = parameterOf(id);
    const at = size.values[0];
    const because =
      step === undefined
        ? sentence`${parameter.name.toLowerCase()}${at ? '' : ' of that step'}`
        : sentence`${parameter.name.toLowerCase()}, service size ${difference(step, parameter.quantity)}`;
    better(row, {
      score: 0.9 * score - BY_RANK * Math.min(20, RANK.get(id) ?? 20),
      because:
        at && step === undefined
          ? sentence`${because} ${value(nearest(size.values, parameter.plausible), parameter.quantity)}`
          : because,
    });
  }
}

/** Of the ways to take a figure, the one that such a part can have. */
const nearest = (
  values: readonly { readonly value: number }[],
  plausible: { readonly low: number; readonly high: number },
): number =>
  (values.find(({ value: each }) => each >= plausible.low && each <= plausible.high) ?? values[0])?.value ?? 0;
