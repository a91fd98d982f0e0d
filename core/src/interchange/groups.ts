import { VERDICTS } from '../joints/index.js';
import { isNothingAgainst, verdictOf } from './grid.js';

/** Donors that stand for one another: they get the same verdict in every joint of every recipient. */
export interface InterchangeGroup {
  /** Places of the donors in the grid. */
  readonly donors: readonly number[];
  /** Places of the recipients into which they drop as they are. */
  readonly dropInto: readonly number[];
}

/**
 * Donors that may stand for one another: whatever is known of them says the same, and nothing is against it, but not
 * all is known.
 */
export interface OpenGroup {
  readonly donors: readonly number[];
  /** Places of the recipients into which all of them drop as they are. */
  readonly dropInto: readonly number[];
  /** Places of those into which all of them drop, as far as is known. */
  readonly mayDropInto: readonly number[];
}

/** The rows of a grid, as they are filled. */
export type Rows = readonly Uint32Array[];

/**
 * Groups of donors that are drop-in for one another: alike in every joint with every recipient, and dropping into one
 * at least. The largest first.
 *
 * @param into only those that drop into this recipient
 */
export function groupsOf(rows: Rows, into?: number): readonly InterchangeGroup[] {
  const byRow = new Map<string, number[]>();
  rows.forEach((row, donor) => {
    const key = row.join();
    const known = byRow.get(key);
    if (known) known.push(donor);
    else byRow.set(key, [donor]);
  });
  return [...byRow.values()]
    .map((donors): InterchangeGroup => {
      const row = rows[donors[0] ?? 0] ?? new Uint32Array();
      return { donors, dropInto: [...row.keys()].filter((recipient) => verdictOf(row[recipient] ?? 0) === 'fits') };
    })
    .filter(({ dropInto }) => dropInto.length > 0 && (into === undefined || dropInto.includes(into)))
    .sort(
      (a, b) =>
        b.donors.length - a.donors.length ||
        b.dropInto.length - a.dropInto.length ||
        (a.donors[0] ?? 0) - (b.donors[0] ?? 0),
    );
}

/**
 * Groups of donors that may be drop-in for one another: what one of them drops into, another drops into as well or has
 * nothing against it, and at least one of those answers is open. The largest first.
 *
 * @param into only those that may drop into this recipient
 */
export function openGroupsOf(rows: Rows, into?: number): readonly OpenGroup[] {
  const byRow = new Map<string, number[]>();
  rows.forEach((row, donor) => {
    const key = Array.from(row, (cell) => (mayDrop(cell) ? 'd' : VERDICTS.indexOf(verdictOf(cell)))).join('');
    const known = byRow.get(key);
    if (known) known.push(donor);
    else byRow.set(key, [donor]);
  });
  return [...byRow.values()]
    .map((donors): OpenGroup => {
      const row = rows[donors[0] ?? 0] ?? new Uint32Array();
      const isOpen = (recipient: number) => donors.some((donor) => isNothingAgainst(rows[donor]?.[recipient] ?? 0));
      const into = [...row.keys()].filter((recipient) => mayDrop(row[recipient] ?? 0));
      return { donors, dropInto: into.filter((each) => !isOpen(each)), mayDropInto: into.filter(isOpen) };
    })
    .filter(
      ({ dropInto, mayDropInto }) =>
        mayDropInto.length > 0 && (into === undefined || [...dropInto, ...mayDropInto].includes(into)),
    )
    .sort(
      (a, b) =>
        b.donors.length - a.donors.length ||
        b.mayDropInto.length - a.mayDropInto.length ||
        (a.donors[0] ?? 0) - (b.donors[0] ?? 0),
    );
}

const mayDrop = (cell: number): boolean => verdictOf(cell) === 'fits' || isNothingAgainst(cell);

/** An order of rows and columns in which what interchanges freely stands together. */
export interface Order {
  readonly donors: readonly number[];
  readonly recipients: readonly number[];
}

/**
 * Orders a grid: donors and recipients that are joined by *fits*, straight or through others, stand in one block, the
 * largest block first; within a block, and among what fits nowhere, by what they go into with work.
 */
export function orderOf(rows: Rows, recipients: number): Order {
  const parent = Array.from({ length: rows.length + recipients }, (_, at) => at);
  const root = (at: number): number => {
    let top = at;
    while (parent[top] !== top) top = parent[top] = parent[parent[top] ?? top] ?? top;
    return top;
  };
  rows.forEach((row, donor) => {
    for (let recipient = 0; recipient < recipients; recipient++)
      if (verdictOf(row[recipient] ?? 0) === 'fits') parent[root(donor)] = root(rows.length + recipient);
  });
  const size = new Map<number, number>();
  for (let at = 0; at < parent.length; at++) size.set(root(at), (size.get(root(at)) ?? 0) + 1);
  const block = (at: number): readonly [number, number] => [-(size.get(root(at)) ?? 1), root(at)];
  const rowText = rows.map((row) => Array.from(row, (cell) => VERDICTS.indexOf(verdictOf(cell))).join(''));
  const columnText = Array.from({ length: recipients }, (_, column) => rowText.map((row) => row[column]).join(''));
  const compare = (text: readonly string[], offset: number) => (a: number, b: number) => {
    const [[sizeA, rootA], [sizeB, rootB]] = [block(offset + a), block(offset + b)];
    return (
      sizeA - sizeB ||
      rootA - rootB ||
      ((text[a] ?? '') < (text[b] ?? '') ? -1 : (text[a] ?? '') > (text[b] ?? '') ? 1 : a - b)
    );
  };
  return {
    donors: [...rows.keys()].sort(compare(rowText, 0)),
    recipients: [...columnText.keys()].sort(compare(columnText, rows.length)),
  };
}
