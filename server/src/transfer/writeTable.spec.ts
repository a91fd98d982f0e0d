import { buffer, text } from 'node:stream/consumers';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import {
  CATALOGUE_FORMAT,
  CATALOGUE_VERSION,
  isKindId,
  LIST_OF,
  RECORD_TYPES,
  TABLE_IDS,
  type Catalogue,
  type CatalogueRecord,
  type RecordType,
} from '@which-bore/core';
import ExcelJS from 'exceljs';
import { demoCatalogue } from '../features/testing.js';
import { openFile } from './openFile.js';
import { readCsv, undisarmed } from './readCsv.js';
import { csvOf, disarmed, workbookOf, writeCsv, writeJson, writeXlsx, writeZip, type Records } from './writeTable.js';

async function* rowsOf(rows: readonly (readonly (string | number)[])[]): AsyncGenerator<readonly (string | number)[]> {
  yield* rows;
}

describe('tables that are written', () => {
  // RFC 4180, section 2: lines end in CRLF, marks inside a cell are doubled.
  it('are CSV as RFC 4180 has it, with the mark by which spreadsheets know UTF-8', async () => {
    const said = await text(
      csvOf(
        rowsOf([
          ['id', 'name'],
          ['a', 'of 2", long'],
          ['b', 7.5],
        ]),
      ),
    );
    expect(said.replace(/^\ufeff/, '')).toBe('id,name\r\na,"of 2"", long"\r\nb,7.5\r\n');
    const bytes = await buffer(csvOf(rowsOf([['id']])));
    expect([...bytes.subarray(0, 3)]).toEqual([0xef, 0xbb, 0xbf]);
  });

  // What a spreadsheet runs begins with one of these (OWASP, CSV injection, from memory).
  it('have nothing in them that a spreadsheet would run, and come back as they were', async () => {
    const cells = ['=1+1', '+1', '-1', '@SUM(A1)', '\ttab', "'=1", "'plain", 'a=b', '-', ''];
    for (const cell of cells) {
      expect(disarmed(cell)).not.toMatch(/^[=+\-@\t\r]/);
      expect(undisarmed(disarmed(cell)))
        .withContext(cell)
        .toBe(cell);
    }
    const written = await text(csvOf(rowsOf([['id', 'name'], ...cells.map((cell, at) => [`${at}`, disarmed(cell)])])));
    const read: string[] = [];
    for await (const piece of readCsv('t.csv', Readable.from([Buffer.from(written)]), written.length))
      if (piece.form === 'row') read.push(piece.cells[1]?.text ?? '');
    expect(read).toEqual(cells);
  });

  it('are workbooks that are the same whenever they are written, with figures as figures and a head that stays', async () => {
    const sheets = () => [
      {
        name: 'one',
        rows: rowsOf([
          ['id', 'size'],
          ['a', 2.5],
        ]),
      },
      { name: 'two', rows: rowsOf([['only']]) },
    ];
    const [first, second] = [await buffer(workbookOf(sheets())), await buffer(workbookOf(sheets()))];
    expect(first.equals(second)).toBeTrue();
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load(first.buffer.slice(first.byteOffset, first.byteOffset + first.length));
    expect(workbook.worksheets.map(({ name }) => name)).toEqual(['one', 'two']);
    const sheet = workbook.getWorksheet('one');
    expect(sheet?.getRow(2).getCell(2).value).toBe(2.5);
    expect(sheet?.getRow(1).font.bold).toBeTrue();
    expect(sheet?.views[0]).toEqual(jasmine.objectContaining({ state: 'frozen', ySplit: 1 }));
  });

  it('fail where their rows do', async () => {
    async function* broken(): AsyncGenerator<readonly string[]> {
      yield ['id'];
      throw new Error('The database is away.');
    }
    await expectAsync(text(csvOf(broken()))).toBeRejectedWithError(/database is away/);
    await expectAsync(buffer(workbookOf([{ name: 'one', rows: broken() }]))).toBeRejectedWithError(/database is away/);
  });

  describe('of a whole catalogue', () => {
    let catalogue: Catalogue;
    let records: Records;
    let folder: string;
    beforeAll(async () => {
      catalogue = await demoCatalogue();
      const listed = (type: RecordType): readonly CatalogueRecord[] => catalogue[LIST_OF[type]];
      async function* each(of: readonly CatalogueRecord[]): AsyncGenerator<CatalogueRecord> {
        yield* of;
      }
      records = {
        of: (type) => each(listed(type)),
        in: (table) => each(isKindId(table) ? catalogue.patterns.filter(({ kind }) => kind === table) : listed(table)),
      };
      folder = await mkdtemp(join(tmpdir(), 'which-bore-write-'));
    });
    afterAll(() => rm(folder, { recursive: true, force: true }));

    /** How many rows each table of a file has, by the reader of imports. */
    const rowsIn = async (name: string, stream: Readable): Promise<Readonly<Record<string, number>>> => {
      const path = join(folder, name);
      await writeFile(path, await buffer(stream));
      const counts: Record<string, number> = {};
      for await (const piece of openFile(path, name)) {
        if (piece.form === 'record') continue;
        const table = piece.source.replace('.csv', '');
        counts[table] = piece.form === 'table' ? 0 : (counts[table] ?? NaN) + 1;
      }
      return counts;
    };
    const expected = () =>
      Object.fromEntries(
        TABLE_IDS.map((table) => [
          table,
          isKindId(table)
            ? catalogue.patterns.filter(({ kind }) => kind === table).length
            : catalogue[LIST_OF[table]].length,
        ]).filter(([, count]) => count !== 0),
      ) as Readonly<Record<string, number>>;

    it('are JSON that is the catalogue, a record a line', async () => {
      const said = await text(writeJson(records));
      const { format, version, ...lists } = JSON.parse(said) as Readonly<Record<string, unknown>>;
      expect([format, version]).toEqual([CATALOGUE_FORMAT, CATALOGUE_VERSION]);
      for (const type of RECORD_TYPES) expect(lists[LIST_OF[type]]).withContext(type).toEqual(catalogue[LIST_OF[type]]);
      const kept = RECORD_TYPES.reduce((sum, type) => sum + catalogue[LIST_OF[type]].length, 0);
      expect(said.split('\n').filter((line) => line.startsWith('{"id"')).length).toBe(kept);
      expect(said.endsWith('\n}\n')).toBeTrue();
    });

    it('are a ZIP and a workbook that have every record once, and no table without records', async () => {
      expect(await rowsIn('catalogue.zip', writeZip(records))).toEqual(expected());
      expect(await rowsIn('catalogue.xlsx', writeXlsx(records))).toEqual(expected());
      const none: Records = { of: records.of, in: () => records.in('maker') };
      const empty: Records = {
        of: records.of,
        in: (table) => (table === 'crank' ? records.in(table) : Readable.from([])),
      };
      expect(Object.keys(await rowsIn('some.zip', writeZip(empty)))).toEqual(['crank']);
      expect(Object.keys(await rowsIn('some.xlsx', writeXlsx(empty)))).toEqual(['crank']);
      expect(Object.keys(await rowsIn('makers.csv', await writeCsv(none, 'maker')))).toEqual(['makers']);
    });

    it('are the same ZIP whenever it is written', async () => {
      expect((await buffer(writeZip(records))).equals(await buffer(writeZip(records)))).toBeTrue();
    });

    it('fail where the records do', async () => {
      const away: Records = {
        of: () => {
          throw new Error('The database is away.');
        },
        in: () => {
          throw new Error('The database is away.');
        },
      };
      for (const write of [writeJson, writeZip, writeXlsx])
        await expectAsync(buffer(write(away))).toBeRejectedWithError(/database is away/);
    });
  });
});
