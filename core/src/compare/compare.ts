import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { Feature, Interface, Parameter } from '../dictionary/definition.js';
import { sayLook } from '../dictionary/dictionary.js';
import { SLOTS } from '../dictionary/slots.js';
import { normaliseMark } from '../marks/markText.js';
import type { Interval } from '../quantity/interval.js';
import { columnOf, RATIO_MADE, type CompareColumn, type Subject } from './column.js';
import { judgeSize, type SizeJudgement } from './judge.js';
import { one } from '../quantity/phrase.js';

const FEWEST_COMPARED = 2;
export const MOST_COMPARED = 6;

/** Why parts cannot be laid side by side. */
export class CompareError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'CompareError';
  }
}

/** One cell of a row. Empty where the column says nothing. */
export interface CompareCell {
  readonly size?: Interval;
  readonly text?: string;
  readonly measured?: boolean;
  readonly disputed?: boolean;
  /** How it stands to the first column that says something. */
  readonly judgement?: SizeJudgement;
  /** For words: whether they are those of the first column that says something. */
  readonly same?: boolean;
}

export interface CompareRow {
  /** Dictionary id, or `marks`, `numbers`, `slot.crank`. */
  readonly id: string;
  readonly name: string;
  readonly group: 'size' | 'look' | 'face' | 'mark' | 'fitment';
  readonly parameter?: Parameter;
  readonly cells: readonly CompareCell[];
  /**
   * Whether all that say something say the same; a row in which fewer than two say something has nothing to compare.
   */
  readonly agrees: boolean;
  readonly told: number;
}

export interface Comparison {
  readonly columns: readonly CompareColumn[];
  readonly rows: readonly CompareRow[];
}

/**
 * Lays parts or engines of one kind side by side, rows from the dictionary.
 *
 * @param subjects two to six of them
 * @throws CompareError where there are too few or too many, one is not there, or they are of different kinds
 */
export function compare(catalogue: CatalogueLookup, subjects: readonly Subject[]): Comparison {
  if (subjects.length < FEWEST_COMPARED || subjects.length > MOST_COMPARED)
    throw new CompareError(
      `From ${FEWEST_COMPARED} to ${MOST_COMPARED} parts can be compared; these are ${subjects.length}.`,
    );
  const columns = subjects.map((subject) => {
    const column = columnOf(catalogue, subject);
    if (!column)
      throw new CompareError(
        `The catalogue has no ${subject.sort} “${subject.sort === 'specimen' ? subject.specimen.name : subject.id}”.`,
      );
    return column;
  });
  const kind = columns[0]?.kind;
  const other = columns.find((column) => column.kind !== kind);
  if (!kind || other)
    throw new CompareError(
      `Only parts of one kind can be compared: “${columns[0]?.label ?? ''}” is ${one(kind?.name.toLowerCase() ?? '')}, “${other?.label ?? ''}” ${one(other?.kind.name.toLowerCase() ?? '')}.`,
    );
  const rows = [
    ...[...Object.values(kind.parameters), ...(kind.id === 'variant' ? [RATIO_MADE] : [])].map((parameter) =>
      sizeRow(parameter, columns),
    ),
    ...Object.values(kind.features).map((feature) =>
      optionRow(feature, 'look', columns, (option) => sayLook(feature, option)),
    ),
    ...Object.values(kind.interfaces).map((face) => optionRow(face, 'face', columns, (option) => option)),
    wordsRow('marks', kind.id === 'variant' ? 'Serials' : 'Marks', columns, (column) => column.marks),
    wordsRow('numbers', 'Part numbers', columns, (column) => column.numbers),
    ...SLOTS.map((slot) =>
      wordsRow(`slot.${slot.id}`, slot.name, columns, (column) => column.fitted.get(slot.id) ?? []),
    ),
  ].filter((row) => row.told > 0);
  return { columns, rows };
}

function sizeRow(parameter: Parameter, columns: readonly CompareColumn[]): CompareRow {
  const sizes = columns.map((column) => column.size(parameter.id));
  const first = sizes.find((size) => size !== undefined);
  const cells = sizes.map((size): CompareCell => {
    if (!size || !first) return {};
    const about = {
      size: size.limits,
      ...(size.measured ? { measured: true } : {}),
      ...(size.disputed ? { disputed: true } : {}),
    };
    return size === first ? about : { ...about, judgement: judgeSize(parameter, first, size) };
  });
  return row(
    { id: parameter.id, name: parameter.name, group: 'size', parameter, cells },
    (cell) => cell.judgement === undefined || cell.judgement.standing === 'same',
  );
}

function optionRow(
  entry: Feature | Interface,
  group: 'look' | 'face',
  columns: readonly CompareColumn[],
  says: (option: string) => string,
): CompareRow {
  const options = columns.map((column) => column.option(entry.id));
  const first = options.find((option) => option !== undefined)?.option;
  const cells = options.map((found): CompareCell =>
    found
      ? { text: says(found.option), same: found.option === first, ...(found.disputed ? { disputed: true } : {}) }
      : {},
  );
  return row({ id: entry.id, name: entry.name, group, cells }, (cell) => cell.same ?? true);
}

function wordsRow(
  id: string,
  name: string,
  columns: readonly CompareColumn[],
  words: (column: CompareColumn) => readonly string[],
): CompareRow {
  const lists = columns.map(words);
  const key = (list: readonly string[]) => [...new Set(list.map(normaliseMark))].sort().join(' ');
  const first = lists.find((list) => list.length > 0);
  const cells = lists.map((list): CompareCell =>
    list.length === 0 ? {} : { text: [...new Set(list)].join(', '), same: key(list) === key(first ?? []) },
  );
  return row({ id, name, group: id.startsWith('slot.') ? 'fitment' : 'mark', cells }, (cell) => cell.same ?? true);
}

const row = (of: Omit<CompareRow, 'agrees' | 'told'>, agrees: (cell: CompareCell) => boolean): CompareRow => ({
  ...of,
  agrees: of.cells.every(agrees),
  told: of.cells.filter((cell) => cell.size !== undefined || cell.text !== undefined).length,
});
