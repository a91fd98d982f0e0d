import { PassThrough, Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import {
  CATALOGUE_FORMAT,
  CATALOGUE_VERSION,
  ColumnsInUse,
  headerOf,
  inOrder,
  LIST_OF,
  RECORD_TYPES,
  TABLE_IDS,
  writeRow,
  type CatalogueRecord,
  type Column,
  type RecordType,
  type TableId,
} from '@which-bore/core';
import { ZipArchive } from 'archiver';
import { stringify } from 'csv-stringify';
import { FILE_DATE } from './fileDate.js';

/**
 * A cell that a spreadsheet would run as a formula gets an apostrophe before it, as does one that has such a one
 * already.
 */
export const disarmed = (text: string): string => (/^(?:[=+\-@\t\r]|'(?=[=+\-@\t\r']))/.test(text) ? `'${text}` : text);

/** Where an export takes its records from: again and again, in the order of their ids. */
export interface Records {
  readonly of: (type: RecordType) => AsyncIterable<CatalogueRecord>;
  readonly in: (table: TableId) => AsyncIterable<CatalogueRecord>;
}

/** A whole catalogue in the open format, one record a line. */
export function writeJson(records: Records): Readable {
  return Readable.from(jsonOf(records), { objectMode: false });
}

async function* jsonOf(records: Records): AsyncGenerator<string> {
  yield `{\n"format": "${CATALOGUE_FORMAT}",\n"version": ${CATALOGUE_VERSION}`;
  for (const type of RECORD_TYPES) {
    yield `,\n"${LIST_OF[type]}": [`;
    let before = '\n';
    for await (const record of records.of(type)) {
      yield `${before}${JSON.stringify(inOrder(type, record as never))}`;
      before = ',\n';
    }
    yield before === '\n' ? ']' : '\n]';
  }
  yield '\n}\n';
}

/** The columns that a table needs, from a first pass over its records; none where it has no records. */
async function columnsOf(records: Records, table: TableId): Promise<Column[]> {
  const inUse = new ColumnsInUse(table);
  let any = false;
  for await (const record of records.in(table)) {
    any = true;
    inUse.see(record);
  }
  return any ? inUse.columns() : [];
}

async function* rowsOf(records: Records, table: TableId, columns: readonly Column[]): AsyncGenerator<string[]> {
  yield columns.map(headerOf);
  for await (const record of records.in(table)) yield writeRow(columns, record).map(disarmed);
}

/** One table as CSV, UTF-8 with its mark so that spreadsheets see it, lines ended as RFC 4180 has them. */
export async function writeCsv(records: Records, table: TableId): Promise<Readable> {
  return csvOf(rowsOf(records, table, await columnsOf(records, table)));
}

/** What stands in a cell: words, or a figure to reckon with. */
type Cell = string | number;

/** Rows as CSV, UTF-8 with its mark so that spreadsheets see it, lines ended as RFC 4180 has them. */
export function csvOf(rows: AsyncIterable<readonly Cell[]>): Readable {
  const out = stringify({ bom: true, record_delimiter: 'windows' });
  pipeline(Readable.from(rows), out).catch((error: unknown) => out.destroy(error as Error));
  return out;
}

/** Every table that has records, as CSV files in one ZIP. */
export function writeZip(records: Records): Readable {
  const zip = new ZipArchive({ zlib: { level: 6 } });
  const out = new PassThrough();
  zip.on('error', (error) => out.destroy(error));
  zip.pipe(out);
  void (async () => {
    for (const table of TABLE_IDS) {
      const columns = await columnsOf(records, table);
      if (columns.length === 0) continue;
      const csv = csvOf(rowsOf(records, table, columns));
      const packed = new Promise<void>((resolve, reject) => {
        zip.once('entry', () => resolve());
        csv.once('error', reject);
      });
      zip.append(csv, { name: `${table}.csv`, date: FILE_DATE });
      await packed;
    }
    await zip.finalize();
  })().catch((error: unknown) => out.destroy(error as Error));
  return out;
}

/** A sheet of a workbook: its name, and its rows, the first of which heads the others. */
interface Sheet {
  readonly name: string;
  readonly rows: AsyncIterable<readonly Cell[]>;
}

/** Every table that has records, as sheets of one workbook, written row by row. */
export function writeXlsx(records: Records): Readable {
  return workbookOf(sheetsOf(records));
}

async function* sheetsOf(records: Records): AsyncGenerator<Sheet> {
  for (const table of TABLE_IDS) {
    const columns = await columnsOf(records, table);
    if (columns.length > 0) yield { name: table, rows: rowsOf(records, table, columns) };
  }
}

/** Sheets as a workbook, written row by row. */
export function workbookOf(sheets: AsyncIterable<Sheet> | Iterable<Sheet>): Readable {
  const out = new PassThrough();
  void (async () => {
    // The library takes as long to load as all else that a thread needs, and few ask for a workbook.
    const { DatedWriter } = await import('./datedWriter.js');
    const workbook = new DatedWriter({ stream: out, useStyles: true, useSharedStrings: false });
    workbook.created = FILE_DATE;
    workbook.modified = FILE_DATE;
    workbook.creator = 'Which Bore';
    for await (const { name, rows } of sheets) {
      const sheet = workbook.addWorksheet(name, { views: [{ state: 'frozen', xSplit: 1, ySplit: 1 }] });
      let written = 0;
      for await (const cells of rows) {
        const row = sheet.addRow(cells);
        if (written++ === 0) row.font = { bold: true };
        row.commit();
        if (out.writableNeedDrain) await new Promise((resolve) => out.once('drain', resolve));
      }
      sheet.commit();
    }
    await workbook.commit();
  })().catch((error: unknown) => out.destroy(error as Error));
  return out;
}
