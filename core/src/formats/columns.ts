import { capital } from '../quantity/phrase.js';
import { LIST_OF, RECORD_NAMES, type RecordType } from '../catalogue/catalogue.js';
import type { Described } from '../catalogue/pattern.js';
import type { Feature, Interface, Kind, Parameter } from '../dictionary/definition.js';
import { isKindId, KIND_IDS, KINDS, type KindId } from '../dictionary/dictionary.js';
import { variant as VARIANT } from '../dictionary/variant.js';
import { unitOf, UNITS, type UnitId } from '../quantity/unit.js';
import { RECORD_FORMS, type Field, type FieldList } from './fields.js';

/**
 * A table of records alike: the patterns of one kind, or all records of another type. Its id names the file or sheet.
 */
export type TableId = KindId | Exclude<RecordType, 'pattern'>;
export const TABLE_IDS: readonly TableId[] = ['maker', 'family', ...KIND_IDS, 'variant', 'scheme', 'swap'];
/** The type of the records that a table has. */
export const recordTypeOf = (table: TableId): RecordType => (isKindId(table) ? 'pattern' : table);
/** The part of the dictionary whose values the records of a table have; undefined where they have none. */
export const describedBy = (table: TableId): Kind | undefined =>
  isKindId(table) ? KINDS[table] : table === 'variant' ? VARIANT : undefined;

/** The table a file or sheet is called after, in any of its names: `crank`, `Cranks`, `pistons.csv`, `known swap`. */
export function tableNamed(name: string): TableId | undefined {
  const wanted = plain(name.replace(/\.[a-z]+$/i, ''));
  return TABLE_IDS.find((id) => namesOf(id).includes(wanted));
}

const plain = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]/g, '');
function namesOf(id: TableId): string[] {
  if (isKindId(id)) return [id, KINDS[id].name, KINDS[id].plural, ...KINDS[id].words].map(plain);
  return [id, LIST_OF[id], RECORD_NAMES[id], `${RECORD_NAMES[id]}s`].map(plain);
}

/** What a table is called in a sentence. */
export const tableLabel = (id: TableId): string => (isKindId(id) ? KINDS[id].plural : `${capital(RECORD_NAMES[id])}s`);

/** What a column of a table holds. */
export type Column =
  | { readonly holds: 'id' }
  | { readonly holds: 'field'; readonly field: Field }
  | { readonly holds: 'list'; readonly list: FieldList }
  | { readonly holds: 'size'; readonly parameter: Parameter; readonly unit?: UnitId }
  | { readonly holds: 'look'; readonly feature: Feature }
  | { readonly holds: 'face'; readonly face: Interface };

/** The header of a column: `crank.mainJournal.diameter [in]`, `Part numbers`. */
export function headerOf(column: Column): string {
  switch (column.holds) {
    case 'id':
      return 'id';
    case 'field':
      return column.field.path;
    case 'list':
      return column.list.path;
    case 'size':
      return column.unit === undefined
        ? column.parameter.id
        : `${column.parameter.id} [${UNITS[column.unit].words[0]}]`;
    case 'look':
      return column.feature.id;
    case 'face':
      return column.face.id;
  }
}

/** What a column holds, in words for a person. */
export function columnLabel(column: Column): string {
  switch (column.holds) {
    case 'id':
      return 'Id';
    case 'field':
      return column.field.name;
    case 'list':
      return column.list.name;
    case 'size':
      return `${column.parameter.name}${column.unit === undefined ? '' : ` in ${UNITS[column.unit].symbol}`}`;
    case 'look':
      return column.feature.name;
    case 'face':
      return column.face.name;
  }
}

/** Every column a table can have, in order; sizes without unit. */
export function allColumns(table: TableId): Column[] {
  const form = RECORD_FORMS[recordTypeOf(table)];
  const kind = describedBy(table);
  return [
    { holds: 'id' },
    ...form.fields.map((field): Column => ({ holds: 'field', field })),
    ...Object.values(kind?.parameters ?? {}).map((parameter): Column => ({ holds: 'size', parameter })),
    ...Object.values(kind?.features ?? {}).map((feature): Column => ({ holds: 'look', feature })),
    ...Object.values(kind?.interfaces ?? {}).map((face): Column => ({ holds: 'face', face })),
    ...form.lists.map((list): Column => ({ holds: 'list', list })),
  ];
}

/**
 * Notes which columns the records of a table need, so that an export has no empty ones. Feed every record, then ask.
 */
export class ColumnsInUse {
  private readonly units = new Map<string, Set<UnitId>>();
  private readonly ids = new Set<string>();

  constructor(private readonly table: TableId) {}

  see(record: object): void {
    const described = record as Partial<Described>;
    for (const [id, { unit }] of Object.entries(described.dimensions ?? {})) {
      const known = this.units.get(id);
      if (known) known.add(unit);
      else this.units.set(id, new Set([unit]));
    }
    for (const id of Object.keys(described.features ?? {})) this.ids.add(id);
    for (const id of Object.keys(described.interfaces ?? {})) this.ids.add(id);
  }

  columns(): Column[] {
    return allColumns(this.table).flatMap((column): Column[] => {
      switch (column.holds) {
        case 'size': {
          const units = this.units.get(column.parameter.id);
          return units
            ? (Object.keys(UNITS) as UnitId[]).filter((unit) => units.has(unit)).map((unit) => ({ ...column, unit }))
            : [];
        }
        case 'look':
          return this.ids.has(column.feature.id) ? [column] : [];
        case 'face':
          return this.ids.has(column.face.id) ? [column] : [];
        case 'id':
        case 'field':
        case 'list':
          return [column];
      }
    });
  }
}

/** What became of a header: what it was taken for, and how. */
export interface MatchedHeader {
  readonly header: string;
  readonly column: Column | undefined;
  /** By its own id; by a name or synonym, which a person should look at; not at all. */
  readonly how: 'exactly' | 'byName' | 'notAtAll';
  /** Why it was not taken, where that can be said. */
  readonly problem?: string;
}

const UNIT_BEHIND = /^(.*?)[\s_]*(?:\[([^\]]*)\]|\(([^)]*)\)|[,/]\s*([a-zµ"]+))\s*$/i;

/**
 * Takes a header for a column of the table: by id, by name, or by a synonym of the dictionary, its unit in brackets.
 */
export function matchHeader(table: TableId, header: string): MatchedHeader {
  const columns = allColumns(table);
  const [, before, bracket, parenthesis, behind] = UNIT_BEHIND.exec(header.trim()) ?? [];
  const unit = unitOf((bracket ?? parenthesis ?? behind ?? '').trim());
  const name = unit === undefined ? header.trim() : (before ?? '').trim();
  const exact = columns.find((column) => headerOf(column) === name);
  if (exact) return inUnit(header, exact, unit, 'exactly');
  const [bareName, bareUnit] = unit === undefined ? lastWordUnit(name) : [name, unit];
  for (const [wanted, used] of [
    [plain(name), unit],
    [plain(bareName), bareUnit],
  ] as const) {
    const named = columns.filter((column) => wordsFor(column).includes(wanted));
    if (named.length === 1 && named[0]) return inUnit(header, named[0], used, 'byName');
  }
  return { header, column: undefined, how: 'notAtAll' };
}

/** `stroke mm` has its unit as its last word. */
function lastWordUnit(name: string): readonly [string, UnitId | undefined] {
  const at = Math.max(name.lastIndexOf(' '), name.lastIndexOf('_'));
  const unit = at > 0 ? unitOf(name.slice(at + 1)) : undefined;
  return unit === undefined ? [name, undefined] : [name.slice(0, at), unit];
}

function inUnit(header: string, column: Column, unit: UnitId | undefined, how: 'exactly' | 'byName'): MatchedHeader {
  if (unit === undefined) return { header, column, how };
  if (column.holds !== 'size')
    return { header, column: undefined, how: 'notAtAll', problem: `“${columnLabel(column)}” has no unit.` };
  const { quantity, name } = column.parameter;
  if (UNITS[unit].quantity !== quantity)
    return {
      header,
      column: undefined,
      how: 'notAtAll',
      problem: `${UNITS[unit].symbol} is no unit of ${name.toLowerCase()}, a ${quantity}.`,
    };
  return { header, column: { ...column, unit }, how };
}

/** Other words for the plain fields, as people head their columns. */
const FIELD_WORDS: Readonly<Record<string, readonly string[]>> = {
  id: ['key', 'patternid', 'recordid'],
  name: ['description', 'title'],
  'years.from': ['from', 'yearfrom', 'firstyear', 'start'],
  'years.to': ['to', 'yearto', 'lastyear', 'end'],
  numbers: ['partnumber', 'partno', 'partnumbers', 'number', 'numbers', 'oem'],
  marks: ['mark', 'castingnumber', 'castno', 'castings'],
  note: ['notes', 'remark', 'remarks', 'comment'],
  price: ['cost', 'listprice', 'priceeach'],
  pieces: ['packsize', 'soldin', 'setof'],
  code: ['designation', 'variant', 'engine'],
};

function wordsFor(column: Column): string[] {
  switch (column.holds) {
    case 'id':
      return FIELD_WORDS.id?.map(plain) ?? [];
    case 'field':
      return [column.field.name, column.field.path, ...(FIELD_WORDS[column.field.path] ?? [])].map(plain);
    case 'list':
      return [column.list.name, column.list.one, ...(FIELD_WORDS[column.list.path] ?? [])].map(plain);
    case 'size':
      return [column.parameter.name, lastPart(column.parameter.id), ...column.parameter.synonyms].map(plain);
    case 'look':
      return [column.feature.name, lastPart(column.feature.id), ...column.feature.synonyms].map(plain);
    case 'face':
      return [column.face.name, lastPart(column.face.id)].map(plain);
  }
}

const lastPart = (id: string): string => id.slice(id.indexOf('.') + 1);
