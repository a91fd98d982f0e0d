import type { Dimension } from '../catalogue/figure.js';
import { isKindId, sayLook } from '../dictionary/dictionary.js';
import type { Feature } from '../dictionary/definition.js';
import type { CatalogueRecord } from '../catalogue/catalogue.js';
import { describedBy, headerOf, recordTypeOf, type Column, type TableId } from './columns.js';
import { readDimension, TextError, writeDimension } from './dimensionText.js';
import { RECORD_FORMS, valueAt, withValueAt, type Fields } from './fields.js';
import { readField, readList, writeField, writeList } from './itemText.js';

/** What is wrong with a cell. */
export interface CellProblem {
  readonly header: string;
  readonly what: string;
}

export interface ReadRow {
  /** The record as far as it could be read. */
  readonly record: Fields;
  readonly problems: readonly CellProblem[];
}

/** A record as a row of cells under these columns. */
export const writeRow = (columns: readonly Column[], record: CatalogueRecord): string[] =>
  columns.map((column) => writeCell(column, record as unknown as Fields));

function writeCell(column: Column, record: Fields): string {
  switch (column.holds) {
    case 'id':
      return record.id as string;
    case 'field':
      return writeField(column.field, valueAt(record, column.field.path));
    case 'list':
      return writeList(column.list, (record[column.list.path] as readonly Fields[] | undefined) ?? []);
    case 'size': {
      const dimension = (record.dimensions as Readonly<Record<string, Dimension>>)[column.parameter.id];
      return dimension && (column.unit === undefined || dimension.unit === column.unit)
        ? writeDimension(dimension, column.unit === undefined)
        : '';
    }
    case 'look':
      return (record.features as Readonly<Record<string, string>>)[column.feature.id] ?? '';
    case 'face':
      return (record.interfaces as Readonly<Record<string, string>>)[column.face.id] ?? '';
  }
}

/**
 * Reads a row of cells. What cannot be read is told cell by cell, and the rest is read all the same.
 *
 * @param base the record as it stands already: what the table has no column for stays as it is, and an empty cell takes
 * away
 */
export function readRow(
  table: TableId,
  columns: readonly (Column | undefined)[],
  headers: readonly string[],
  cells: readonly string[],
  base?: Fields,
): ReadRow {
  let record = base ?? emptyRecord(table);
  const problems: CellProblem[] = [];
  if (base)
    for (const [at, column] of columns.entries())
      if (column && (cells[at] ?? '').trim() === '') record = emptied(column, record);
  columns.forEach((column, at) => {
    const cell = (cells[at] ?? '').trim();
    if (!column || cell === '') return;
    try {
      record = readCell(column, cell, record);
    } catch (error) {
      if (!(error instanceof TextError)) throw error;
      problems.push({ header: headers[at] ?? headerOf(column), what: error.message });
    }
  });
  return { record, problems };
}

/** The record without what a column holds. */
function emptied(column: Column, record: Fields): Fields {
  switch (column.holds) {
    case 'id':
      return record;
    case 'field':
      return column.field.required ? record : withValueAt(record, column.field.path, undefined);
    case 'list':
      return column.list.always
        ? { ...record, [column.list.path]: [] }
        : withValueAt(record, column.list.path, undefined);
    case 'size': {
      const standing = (record.dimensions as Readonly<Record<string, Dimension>>)[column.parameter.id];
      // A size may stand in a column of another unit.
      return standing && (column.unit === undefined || standing.unit === column.unit)
        ? without(record, 'dimensions', column.parameter.id)
        : record;
    }
    case 'look':
      return without(record, 'features', column.feature.id);
    case 'face':
      return without(record, 'interfaces', column.face.id);
  }
}

const without = (record: Fields, group: 'dimensions' | 'features' | 'interfaces', id: string): Fields => ({
  ...record,
  [group]: Object.fromEntries(Object.entries(record[group] as object).filter(([key]) => key !== id)),
});

/** What every record of a table has before anything is said of it. */
export function emptyRecord(table: TableId): Fields {
  const form = RECORD_FORMS[recordTypeOf(table)];
  const kind = describedBy(table);
  return {
    ...(isKindId(table) ? { kind: table } : {}),
    ...(kind ? { dimensions: {}, features: {} } : {}),
    ...(isKindId(table) ? { interfaces: {} } : {}),
    ...(table === 'scheme' ? { kinds: [] } : {}),
    ...Object.fromEntries(form.lists.filter((list) => list.always).map((list) => [list.path, []])),
  };
}

function readCell(column: Column, cell: string, record: Fields): Fields {
  switch (column.holds) {
    case 'id':
      return { ...record, id: cell };
    case 'field': {
      const value = readField(column.field, cell, record);
      return value === undefined ? record : withValueAt(record, column.field.path, value);
    }
    case 'list': {
      const items = readList(column.list, cell);
      return items.length === 0 && !column.list.always ? record : { ...record, [column.list.path]: items };
    }
    case 'size':
      return inside(record, 'dimensions', column.parameter.id, readDimension(cell, column.parameter, column.unit));
    case 'look':
      return inside(record, 'features', column.feature.id, readOption(column.feature, cell));
    case 'face':
      return inside(record, 'interfaces', column.face.id, cell);
  }
}

const inside = (
  record: Fields,
  group: 'dimensions' | 'features' | 'interfaces',
  id: string,
  value: unknown,
): Fields => ({
  ...record,
  [group]: { ...(record[group] as object), [id]: value },
});

/** The option meant by its id, its name or one of its words; a count as it stands. */
export function readOption(feature: Feature, text: string): string {
  const wanted = text.trim().toLowerCase();
  if ('count' in feature.form) {
    const count = Number(wanted.replace(/\.0+$/, ''));
    const { low, high } = feature.form.count;
    if (Number.isInteger(count) && count >= low && count <= high) return String(count);
    throw new TextError(`${feature.name}: “${text.trim()}” is no count from ${low} to ${high}.`);
  }
  const found = feature.form.options.find((option) =>
    [option.id, option.name, ...option.words].some((word) => word.toLowerCase() === wanted),
  );
  if (found) return found.id;
  throw new TextError(
    `${feature.name}: “${text.trim()}” is none of ${feature.form.options.map((option) => sayLook(feature, option.id)).join(', ')}.`,
  );
}
