import {
  checkRecord,
  checkTexts,
  columnLabel,
  describedBy,
  headerOf,
  isKindId,
  matchHeader,
  readRow,
  RECORD_SCHEMAS,
  RECORD_TYPES,
  recordTypeOf,
  referencesOf,
  schemaProblems,
  tableNamed,
  type CatalogueRecord,
  type Column,
  type RecordType,
  type Reference,
  type TableId,
} from '@which-bore/core';
import { Ajv, type ValidateFunction } from 'ajv';
import addFormats from 'ajv-formats';
import type { Cell, Choices, Columns, TableRow, TableStart, TakenHeader, TakenTable, WholeRecord } from './source.js';

/** What is wrong with a record, or worth knowing: `remark` does not keep it out. */
export interface RowProblem {
  readonly where: string;
  readonly what: string;
  readonly remark?: true;
}

/** A record of an import as it was understood. */
export interface Understood {
  readonly place: string;
  readonly type: RecordType;
  readonly id: string;
  readonly record: CatalogueRecord | undefined;
  readonly problems: readonly RowProblem[];
  readonly references: readonly Reference[];
}

const ajv = new Ajv({ allErrors: true });
addFormats.default(ajv);
const VALIDATE = Object.fromEntries(RECORD_TYPES.map((type) => [type, ajv.compile(RECORD_SCHEMAS[type])])) as Readonly<
  Record<RecordType, ValidateFunction>
>;
const ID = /^[a-z0-9][a-z0-9-]{1,79}$/;
const NO_ID = '(without an id)';

/** Checks a record by the schema, then by the dictionary. */
function understandRecord(
  type: RecordType,
  record: unknown,
  place: string,
  before: readonly RowProblem[] = [],
): Understood {
  const id =
    typeof record === 'object' && record !== null && 'id' in record && typeof record.id === 'string'
      ? record.id
      : NO_ID;
  const refused = (problems: readonly RowProblem[]): Understood => ({
    place,
    type,
    id,
    record: undefined,
    problems,
    references: [],
  });
  const texts = checkTexts(record, '');
  if (texts.length > 0)
    return {
      ...refused([...before, ...texts.map(({ where, what }) => ({ where: where || 'the record', what }))]),
      id: ID.test(id) ? id : NO_ID,
    };
  const validate = VALIDATE[type];
  if (!validate(record)) return refused([...before, ...schemaProblems(validate.errors ?? [])]);
  const found = record as CatalogueRecord;
  const problems: RowProblem[] = [
    ...before,
    ...checkRecord(type, found, '').map(({ where, what }) => ({ where: placeOf(where), what })),
  ];
  if (problems.some((problem) => !problem.remark)) return refused(problems);
  return { place, type, id, record: found, problems, references: referencesOf(type, found) };
}

/** A place in a record as its table heads it: `crank.stroke`, not `dimensions["crank.stroke"]`. */
const placeOf = (where: string): string =>
  where.replace(/^\./, '').replace(/^(?:dimensions|features|interfaces)\["(.*)"\]$/, '$1');

/** Takes the rows of one table of a file for records. */
export class TableReader {
  private readonly columns: Columns;
  private readonly headers: readonly TakenHeader[];
  private rows = 0;

  /** `table` is undefined where nothing tells what the rows are. */
  constructor(
    private readonly start: TableStart,
    choices: Choices,
  ) {
    const choice = choices[start.source] ?? {};
    this.table = choice.table ?? tableNamed(start.source) ?? tableOfHeaders(start.headers);
    const { table } = this;
    const seen = new Map<string, number>();
    const taken = start.headers.map((header, at): { taken: TakenHeader; column: Column | undefined } => {
      const chosen = choice.columns?.[header];
      const earlier = seen.get(header);
      seen.set(header, at);
      if (header === '') return { taken: { header, how: 'leftOut' }, column: undefined };
      if (earlier !== undefined)
        return {
          taken: { header, how: 'notAtAll', problem: `“${header}” heads two columns; rename one of them.` },
          column: undefined,
        };
      if (chosen === '-') return { taken: { header, how: 'leftOut' }, column: undefined };
      const match = table === undefined ? undefined : matchHeader(table, chosen ?? header);
      const column = match?.column;
      if (!match || !column)
        return {
          taken: { header, how: 'notAtAll', ...(match?.problem === undefined ? {} : { problem: match.problem }) },
          column: undefined,
        };
      return {
        taken: {
          header,
          as: headerOf(column),
          label: columnLabel(column),
          how: chosen === undefined ? match.how : 'chosen',
        },
        column,
      };
    });
    const used = new Map<string, string>();
    this.headers = taken.map(({ taken: each }) => {
      const earlier = each.as === undefined ? undefined : used.get(each.as);
      if (each.as !== undefined) used.set(each.as, each.header);
      return earlier === undefined
        ? each
        : {
            ...each,
            problem: `“${earlier}” and “${each.header}” are both taken for ${each.label ?? each.as ?? ''}; leave one out.`,
          };
    });
    this.columns = taken.map(({ column }) => column);
  }

  readonly table: TableId | undefined;

  private headingOf(where: string): string {
    const at = this.columns.findIndex((column) => column && headerOf(column).replace(/ \[.*$/, '') === where);
    return at < 0 ? where : (this.start.headers[at] ?? where);
  }

  /** Where the id of a row stands; -1 where the table has none. */
  private get idAt(): number {
    return this.columns.findIndex((column) => column?.holds === 'id');
  }

  /** Why no row of the table can be read; undefined where they can. */
  get problem(): string | undefined {
    const { source } = this.start;
    if (this.table === undefined) return `“${source}” is not called after a kind of part; choose what its rows are.`;
    const wrong = this.headers.find((header) => header.problem !== undefined);
    if (wrong) return wrong.problem;
    if (this.idAt < 0)
      return `“${source}” has no column of ids; every record needs one that stays the same for ever. Head it “id”.`;
    return undefined;
  }

  /** The table as it was understood so far. */
  get taken(): TakenTable {
    const { problem } = this;
    return {
      source: this.start.source,
      ...(this.table === undefined ? {} : { table: this.table }),
      headers: this.headers,
      rows: this.rows,
      ...(problem === undefined ? {} : { problem }),
    };
  }

  idOf(row: TableRow): string {
    return row.cells[this.idAt]?.text.trim() ?? '';
  }

  /** @param standing the record of that id as it is in the catalogue, where it is there */
  read(row: TableRow, standing: CatalogueRecord | undefined): Understood | undefined {
    this.rows++;
    const { table } = this;
    if (table === undefined) return undefined;
    const headers = this.start.headers;
    const cellProblems = row.cells.flatMap((cell, at) =>
      problemsOf(cell, headers[at] ?? `column ${at + 1}`, this.columns[at] !== undefined || at >= headers.length),
    );
    const tableProblem = this.problem;
    const id = this.idOf(row);
    const type = recordTypeOf(table);
    if (tableProblem !== undefined || !ID.test(id)) {
      const what =
        tableProblem ??
        (id === ''
          ? 'the row has no id; give it one of lower-case letters, figures and dashes.'
          : `“${id}” is no id: an id is made of lower-case letters, figures and dashes, two to eighty of them.`);
      return {
        place: row.place,
        type,
        id: id === '' ? NO_ID : id,
        record: undefined,
        problems: [...cellProblems, { where: headers[this.idAt] ?? 'id', what }],
        references: [],
      };
    }
    const other = standing && isKindId(table) && 'kind' in standing && standing.kind !== table;
    const base = other ? undefined : standing;
    const { record, problems } = readRow(
      table,
      this.columns,
      headers,
      row.cells.map((cell) => cell.text),
      base,
    );
    const wrong = problems.map(({ header, what }) => ({ where: header, what }));
    if (wrong.length > 0)
      return { place: row.place, type, id, record: undefined, problems: [...cellProblems, ...wrong], references: [] };
    const understood = understandRecord(type, record, row.place, cellProblems);
    // A person looks for the heading in the file, not for the id it was taken for.
    const problemsHere = understood.problems.map((each) => ({ ...each, where: this.headingOf(each.where) }));
    return { ...understood, problems: problemsHere };
  }
}

function problemsOf(cell: Cell, where: string, used: boolean): RowProblem[] {
  if (!used) return [];
  return [
    ...(cell.problem === undefined ? [] : [{ where, what: cell.problem }]),
    ...(cell.remark === undefined ? [] : [{ where, what: cell.remark, remark: true as const }]),
  ];
}

/** The kind whose ids head most columns. */
function tableOfHeaders(headers: readonly string[]): TableId | undefined {
  const counts = new Map<TableId, number>();
  for (const header of headers) {
    const table = tableNamed(/^([a-zA-Z]+)\./.exec(header)?.[1] ?? '');
    if (table !== undefined && describedBy(table)) counts.set(table, (counts.get(table) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}

export const understandWhole = ({ type, record, place }: WholeRecord): Understood =>
  understandRecord(type, record, place);
