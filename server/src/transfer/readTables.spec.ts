import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { CATALOGUE_FORMAT, CATALOGUE_VERSION } from '@which-bore/core';
import ExcelJS from 'exceljs';
import { readCsv } from './readCsv.js';
import { readJson } from './readJson.js';
import { readXlsx } from './readXlsx.js';
import { FileError, type Piece } from './source.js';

async function all(pieces: AsyncIterable<Piece>): Promise<Piece[]> {
  const found: Piece[] = [];
  for await (const piece of pieces) found.push(piece);
  return found;
}

describe('a table of text', () => {
  /** In pieces of so many bytes, as a network might bring it. */
  const csv = (bytes: Buffer | string, by = 3): Promise<Piece[]> => {
    const whole = Buffer.from(bytes as string);
    const parts = Array.from({ length: Math.ceil(whole.length / by) }, (_, at) =>
      whole.subarray(at * by, (at + 1) * by),
    );
    return all(readCsv('pins.csv', Readable.from(parts, { objectMode: false }), whole.length));
  };
  const rows = async (bytes: Buffer | string, by?: number) =>
    (await csv(bytes, by)).map((piece) =>
      piece.form === 'table' ? piece.headers : piece.form === 'row' ? piece.cells.map(({ text }) => text) : [],
    );

  // RFC 4180, section 2, points 5 to 7: cells in quotation marks may hold separators, line breaks and doubled marks.
  it('is read as RFC 4180 has it, in whatever pieces it comes', async () => {
    const text = 'id,name\r\na,"Pin, long"\r\nb,"of 2""\r\nand more"\r\nc,plain\r\n';
    const expected = [
      ['id', 'name'],
      ['a', 'Pin, long'],
      ['b', 'of 2"\r\nand more'],
      ['c', 'plain'],
    ];
    for (const by of [1, 2, 5, 1000])
      expect(await rows(text, by))
        .withContext(`${by} bytes`)
        .toEqual(expected);
    expect(await rows(text.replaceAll('\r\n', '\n'))).toEqual(
      expected.map((row) => row.map((cell) => cell.replace('\r\n', '\n'))),
    );
  });

  it('has the separator that stands most often in its first line, outside quotation marks', async () => {
    for (const separator of [',', ';', '\t', '|'])
      expect(await rows(`id${separator}"a,b,c;d"${separator}name\n1${separator}2${separator}3\n`))
        .withContext(separator)
        .toEqual([
          ['id', 'a,b,c;d', 'name'],
          ['1', '2', '3'],
        ]);
  });

  // The Unicode Standard, chapter 23.8: the byte order mark is no part of the text.
  it('is UTF-8 or UTF-16, with or without the mark, and nothing else', async () => {
    const text = 'id,name\nä,Kolbenbolzen Ø 20\n';
    const expected = [
      ['id', 'name'],
      ['ä', 'Kolbenbolzen Ø 20'],
    ];
    expect(await rows(text)).toEqual(expected);
    expect(await rows(`\ufeff${text}`)).toEqual(expected);
    expect(await rows(Buffer.from(`\ufeff${text}`, 'utf16le'), 4)).toEqual(expected);
    expect(await rows(Buffer.from(`\ufeff${text}`, 'utf16le').swap16(), 4)).toEqual(expected);
    await expectAsync(csv(Buffer.from(text, 'latin1'))).toBeRejectedWithError(FileError, /not UTF-8 text/);
  });

  it('is refused where it ends in the middle of a character, or what brings it breaks off', async () => {
    const cut = Buffer.from('id,name\na,Ø').subarray(0, -1);
    await expectAsync(csv(cut, 100)).toBeRejectedWithError(FileError, /middle of a character/);
    const broken = Readable.from(
      (function* () {
        yield Buffer.from('id,name\na,b\n');
        throw new Error('The line was cut.');
      })(),
    );
    await expectAsync(all(readCsv('pins.csv', broken, 100))).toBeRejectedWithError(/line was cut/);
  });

  it('tells of each row its line, how far it is, and where cells are too many or too few', async () => {
    const pieces = await csv('id,name\n\n1,a\n2\n3,b,c\n');
    const told = pieces.flatMap((piece) => (piece.form === 'row' ? [piece] : []));
    expect(told.map(({ place }) => place)).toEqual(['pins.csv, line 3', 'pins.csv, line 4', 'pins.csv, line 5']);
    expect(told.map(({ cells }) => cells[0]?.problem !== undefined)).toEqual([false, true, true]);
    expect(told[1]?.cells[0]?.problem).toContain('1 cells where the header has 2');
    expect(told.at(-1)?.done).toBe(1);
  });

  it('is refused with the line where a quotation mark is wrong, and where it is empty', async () => {
    await expectAsync(csv('id,name\n1,"open\n')).toBeRejectedWithError(FileError, /opened and not closed/);
    await expectAsync(csv('id,name\n1,a"b"\n')).toBeRejectedWithError(FileError, /line 2 stands inside a cell/);
    await expectAsync(csv('')).toBeRejectedWithError(FileError, /is empty/);
    const wide = Array.from({ length: 1001 }, (_, at) => `c${at}`).join(',');
    await expectAsync(csv(wide, 500)).toBeRejectedWithError(FileError, /1001 columns; at most 1000/);
  });
});

describe('files on disk', () => {
  let folder: string;
  beforeAll(async () => (folder = await mkdtemp(join(tmpdir(), 'which-bore-read-'))));
  afterAll(() => rm(folder, { recursive: true, force: true }));

  const json = async (text: string): Promise<Piece[]> => {
    const path = join(folder, 'catalogue.json');
    await writeFile(path, text);
    return all(readJson('catalogue.json', path, Buffer.byteLength(text)));
  };
  const HEAD = `"format":"${CATALOGUE_FORMAT}","version":${CATALOGUE_VERSION}`;

  it('are catalogues of whole records, as JSON.parse has them, each with its place', async () => {
    const record = {
      id: 'a',
      name: 'Ä "quoted"',
      deep: { list: [1, -2.5e-3, null, true, [{}]] },
      long: 'x'.repeat(70_000),
    };
    const text = JSON.stringify({
      format: CATALOGUE_FORMAT,
      version: CATALOGUE_VERSION,
      makers: [record, { ...record, id: 'b' }],
      patterns: [{ id: 'p' }],
    });
    const found = (await json(text)).flatMap((piece) => (piece.form === 'record' ? [piece] : []));
    expect(found.map(({ place, type }) => [place, type])).toEqual([
      ['catalogue.json, makers[0]', 'maker'],
      ['catalogue.json, makers[1]', 'maker'],
      ['catalogue.json, patterns[0]', 'pattern'],
    ]);
    expect(found.map((piece) => piece.record)).toEqual([record, { ...record, id: 'b' }, { id: 'p' }]);
    expect(found.at(-1)?.done).toBe(1);
  });

  it('are refused where they are no catalogue, with the place', async () => {
    await expectAsync(json('[]')).toBeRejectedWithError(FileError, /is a list/);
    await expectAsync(json(`{${HEAD},"wings":[]}`)).toBeRejectedWithError(FileError, /“wings” is no list/);
    await expectAsync(json('{"format":"other","version":1}')).toBeRejectedWithError(FileError, /and is “other”/);
    const many = Array.from({ length: 9000 }, (_, at) => `{"id":"${at}","name":"${'x'.repeat(40)}"}`).join(',');
    await expectAsync(json(`{${HEAD},"makers":[${many},{"id" "b"}]}`)).toBeRejectedWithError(
      FileError,
      /not JSON that can be read, in or after makers\[\d{4}\]/,
    );
    await expectAsync(json(`{"format":"${CATALOGUE_FORMAT}","version":1}`)).toBeRejectedWithError(
      FileError,
      /catalogue of version 1; this program reads version/,
    );
    await expectAsync(json(`{"format":"${CATALOGUE_FORMAT}"}`)).toBeRejectedWithError(FileError, /version "unknown"/);
    await expectAsync(json('{]')).toBeRejectedWithError(FileError, /in or after its beginning/);
    // Inside the catalogue and its list there is room for 18 more.
    expect((await json(`{${HEAD},"makers":[{"id":${'['.repeat(17)}${']'.repeat(17)}}]}`)).length).toBe(1);
    await expectAsync(json(`{${HEAD},"makers":[{"id":${'['.repeat(18)}${']'.repeat(18)}}]}`)).toBeRejected();
    const nested = `${'['.repeat(30)}${']'.repeat(30)}`;
    await expectAsync(json(`{${HEAD},"makers":[{"id":${nested}}]}`)).toBeRejectedWithError(FileError, /nested deeper/);
  });

  it('are workbooks, of which every sort of cell is told as what it shows', async () => {
    const workbook = new ExcelJS.Workbook();
    const sheet = workbook.addWorksheet('pins');
    sheet.addRow(['id', 'size', 'on', 'formula', 'error', 'rich', 'truth']);
    sheet.addRow([
      "'=a",
      0.1 + 0.2,
      new Date('1971-05-04T00:00:00Z'),
      { formula: 'B2*2', result: 0.6 },
      { error: '#REF!' },
      { richText: [{ text: 'bold ' }, { text: 'and not' }] },
      true,
    ]);
    sheet.addRow([]);
    sheet.addRow(['last', 1, null, { formula: 'B4' }]);
    const path = join(folder, 'pins.xlsx');
    await workbook.xlsx.writeFile(path);
    const [start, first, last, ...more] = await all(readXlsx(path));
    expect(more).toEqual([]);
    expect(start).toEqual(jasmine.objectContaining({ form: 'table', source: 'pins' }));
    if (first?.form !== 'row' || last?.form !== 'row') return fail('two rows were expected');
    expect(first.place).toBe('sheet pins, row 2');
    expect(first.cells.map(({ text }) => text)).toEqual(['=a', '0.3', '1971-05-04', '0.6', '', 'bold and not', 'true']);
    expect(first.cells[3]?.remark).toContain('result of a formula');
    expect(first.cells[4]?.problem).toContain('#REF!');
    expect(last.place).toBe('sheet pins, row 4');
    expect(last.cells[3]?.problem).toContain('without a result');
  });
});
