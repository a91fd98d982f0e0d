import { buffer, text } from 'node:stream/consumers';
import { Readable } from 'node:stream';
import ExcelJS from 'exceljs';
import { readCsv, undisarmed } from './readCsv.js';
import { csvOf, disarmed, workbookOf } from './writeTable.js';

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
});
