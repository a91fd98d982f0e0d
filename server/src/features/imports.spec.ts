import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Writable } from 'node:stream';
import { ZipArchive } from 'archiver';
import ExcelJS from 'exceljs';
import pg from 'pg';
import type { FastifyInstance } from 'fastify';
import { buildApp } from '../app.js';
import {
  appWithDemo,
  demoCatalogue,
  Halt,
  MANY_PINS,
  manyPins,
  testDatabaseUrl,
  withDemo,
  type ImportShown,
} from './testing.js';

interface Row {
  readonly place: string;
  readonly id: string;
  readonly outcome: string;
  readonly problems: readonly { readonly where: string; readonly what: string; readonly remark?: boolean }[];
}

/** A file as a form sends it. */
function formOf(content: string | Buffer, name: string) {
  const boundary = 'boundary-of-the-test';
  const head = `--${boundary}\r\ncontent-disposition: form-data; name="file"; filename="${name}"\r\ncontent-type: application/octet-stream\r\n\r\n`;
  return {
    payload: Buffer.concat([Buffer.from(head), Buffer.from(content), Buffer.from(`\r\n--${boundary}--\r\n`)]),
    headers: { 'content-type': `multipart/form-data; boundary=${boundary}`, 'x-who': 'The tester' },
  };
}

async function collected(write: (out: Writable) => Promise<unknown>): Promise<Buffer> {
  const chunks: Buffer[] = [];
  const out = new Writable({
    write(chunk: Buffer, _encoding, done) {
      chunks.push(chunk);
      done();
    },
  });
  await write(out);
  return Buffer.concat(chunks);
}

const zipped = (files: Readonly<Record<string, string | Buffer>>): Promise<Buffer> =>
  collected(async (out) => {
    const zip = new ZipArchive({ zlib: { level: 9 } });
    zip.pipe(out);
    for (const [name, content] of Object.entries(files)) zip.append(content, { name });
    await Promise.all([zip.finalize(), once(out, 'finish')]);
  });

const workbook = async (name: string, rows: readonly (readonly ExcelJS.CellValue[])[]): Promise<Buffer> => {
  const book = new ExcelJS.Workbook();
  const sheet = book.addWorksheet(name);
  for (const row of rows) sheet.addRow([...row]);
  return Buffer.from(await book.xlsx.writeBuffer());
};

describe('an import', () => {
  let app: FastifyInstance;
  beforeAll(async () => {
    app = await appWithDemo();
  });
  // One application for all: its thread is warm.
  beforeEach(() => withDemo());
  afterAll(() => app.close());

  const state = async (id: string) => (await app.inject({ url: `/api/imports/${id}` })).json<ImportShown>();
  const settled = async (id: string): Promise<ImportShown> => {
    for (let tries = 0; tries < 600; tries++) {
      const now = await state(id);
      if (!['waiting', 'reading', 'applying'].includes(now.state)) return now;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    throw new Error('the import does not end');
  };
  const upload = async (content: string | Buffer, name: string): Promise<ImportShown> => {
    const answer = await app.inject({ method: 'POST', url: '/api/imports', ...formOf(content, name) });
    expect(answer.statusCode).withContext(answer.body).toBe(202);
    return settled(answer.json<ImportShown>().id);
  };
  const rows = async (id: string, outcome?: string) =>
    (await app.inject({ url: `/api/imports/${id}/rows${outcome ? `?outcome=${outcome}` : ''}` })).json<Row[]>();
  const post = (id: string, what: string, payload: object = {}) =>
    app.inject({ method: 'POST', url: `/api/imports/${id}/${what}`, payload, headers: { 'x-who': 'The tester' } });
  const count = (of: ImportShown, outcome: string) =>
    of.counts.filter((each) => each.outcome === outcome).reduce((sum, each) => sum + each.count, 0);
  const exported = async (file: string) => (await app.inject({ url: `/api/exports/${file}` })).rawPayload;
  const pattern = async (id: string) =>
    (await app.inject({ url: `/api/records/pattern/${id}` })).json<{
      record: { name: string; note?: string; dimensions: Record<string, unknown> };
    }>().record;
  const told = async (id: string) =>
    (await rows(id, 'refused')).flatMap((row) =>
      row.problems.map((problem) => `${row.place}: ${problem.where}: ${problem.what}`),
    );

  for (const file of ['catalogue.json', 'catalogue.zip', 'catalogue.xlsx'])
    it(`of an export changes nothing, and the second export is the first: ${file}`, async () => {
      const first = await exported(file);
      const read = await upload(first, file);
      expect([read.state, read.problem]).toEqual(['read', undefined]);
      expect(read.counts.every((each) => each.outcome === 'same'))
        .withContext(JSON.stringify(read.counts))
        .toBeTrue();
      const demo = await demoCatalogue();
      expect(count(read, 'same')).toBe(
        demo.makers.length +
          demo.families.length +
          demo.patterns.length +
          demo.variants.length +
          demo.schemes.length +
          demo.swaps.length,
      );
      expect((await post(read.id, 'apply')).statusCode).toBe(202);
      expect((await settled(read.id)).state).toBe('applied');
      expect((await exported(file)).equals(first)).toBeTrue();
    });

  it('of a whole catalogue into an empty one brings all of it, whatever the form', async () => {
    const first = await exported('catalogue.json');
    for (const file of ['catalogue.zip', 'catalogue.xlsx']) {
      const content = await exported(file);
      await app.inject({
        method: 'POST',
        url: `/api/batches/${(await app.inject({ url: '/api/changes' })).json<{ batch: string }[]>()[0]?.batch ?? ''}/undo`,
      });
      expect((await exported('pin.csv')).toString().trim().replace('\uFEFF', '')).toBe('');
      const read = await upload(content, file);
      expect(count(read, 'refused'))
        .withContext(JSON.stringify(await told(read.id)))
        .toBe(0);
      await post(read.id, 'apply');
      expect((await settled(read.id)).state).toBe('applied');
      expect((await exported('catalogue.json')).equals(first))
        .withContext(file)
        .toBeTrue();
    }
  });

  it('is looked at first, then applied whole, and can be taken back whole', async () => {
    const csv =
      'id,name,pin.diameter [mm],pin.length [mm]\nnew-pin,"A pin, new",20.000..20.003,60\nskerry-pin-40,Renamed,,\n';
    const read = await upload(csv, 'pins.csv');
    expect([count(read, 'added'), count(read, 'changed')]).toEqual([1, 1]);
    expect((await pattern('skerry-pin-40')).name).not.toBe('Renamed');
    await post(read.id, 'apply');
    const applied = await settled(read.id);
    expect(applied.state).toBe('applied');
    // A column the file lacks leaves what stands; an empty cell takes it away.
    const renamed = await pattern('skerry-pin-40');
    expect(renamed.name).toBe('Renamed');
    expect(Object.keys(renamed.dimensions)).not.toContain('pin.diameter');
    expect(Object.keys(renamed.dimensions).length).toBeGreaterThan(0);
    expect(
      (await app.inject({ method: 'POST', url: `/api/batches/${applied.batch ?? ''}/undo` })).json<{
        records: number;
      }>().records,
    ).toBe(2);
    expect((await app.inject({ url: '/api/records/pattern/new-pin' })).statusCode).toBe(404);
    expect(Object.keys((await pattern('skerry-pin-40')).dimensions)).toContain('pin.diameter');
  });

  it('tells row by row what it refuses and why, and takes the rest only when told to', async () => {
    const csv = [
      'id;Name;Family;Stroke (mm);Main journal (mm);counterweights;Remarks;Colour',
      'crank-one;One;sluice;85,73;59,67;8;fine;red',
      'crank-two;Two;sluice;3.375;59,67;8;inches in a column of millimetres;',
      'Crank Three;Three;sluice;85;59;8;;',
      'crank-four;Four;nobody;85;59;8;;',
      'crank-five;Five;sluice;85;59;99;;',
      'crank-one;One again;sluice;85;59;8;;',
      'crank-six;Six;sluice;85',
      'crank-seven;Seven;sluice;wide;59;8;;',
    ].join('\r\n');
    const read = await upload(`\uFEFF${csv}`, 'cranks.csv');
    expect(read.tables[0]?.headers.map((header) => `${header.header} ${header.as ?? '-'} ${header.how}`)).toEqual([
      'id id exactly',
      'Name name byName',
      'Family family byName',
      'Stroke (mm) crank.stroke [mm] byName',
      'Main journal (mm) crank.mainJournal.diameter [mm] byName',
      'counterweights crank.counterweights byName',
      'Remarks note byName',
      'Colour - notAtAll',
    ]);
    expect([count(read, 'added'), count(read, 'refused')]).toEqual([1, 7]);
    const problems = await told(read.id);
    expect(problems.map((problem) => problem.split(':')[0])).toEqual(
      [3, 4, 5, 6, 7, 8, 9].map((line) => `cranks.csv, line ${line}`),
    );
    for (const [at, says] of [
      'no plausible size',
      'is no id',
      'there is no family “nobody”',
      'is no count from 0 to 14',
      'used twice; it stands first at cranks.csv, line 2',
      'The row has 4 cells where the header has 8',
      '“wide” is no size of stroke',
    ].entries())
      expect(problems[at]).toContain(says);
    const refused = await post(read.id, 'apply');
    expect([refused.statusCode, refused.json<{ error: string }>().error]).toEqual([
      409,
      jasmine.stringContaining('7 rows are refused'),
    ]);
    await post(read.id, 'apply', { leaveOutRefused: true });
    expect((await settled(read.id)).state).toBe('applied');
    expect((await pattern('crank-one')).dimensions['crank.stroke']).toEqual({
      low: '85.73',
      high: '85.73',
      unit: 'mm',
    });
  });

  it('that was read before PostgreSQL crashed is interrupted, not applied as nothing; its file is kept and read again', async () => {
    const read = await upload('id,name,pin.diameter [mm]\nlost-pin,Lost,20\n', 'pin.csv');
    expect(read.state).toBe('read');
    // What a crash does to a table that is not logged (PostgreSQL manual, CREATE TABLE, UNLOGGED).
    const client = new pg.Client({ connectionString: testDatabaseUrl() });
    await client.connect();
    await client.query('TRUNCATE import_row, import_reference');
    await client.end();
    expect((await post(read.id, 'apply')).statusCode).toBe(409);
    expect(await state(read.id)).toEqual(
      jasmine.objectContaining({ state: 'interrupted', problem: jasmine.stringContaining('read it again') }),
    );
    await post(read.id, 'read');
    expect(count(await settled(read.id), 'added')).toBe(1);
    await post(read.id, 'apply');
    expect((await settled(read.id)).state).toBe('applied');
    expect((await pattern('lost-pin')).name).toBe('Lost');
  });

  it('refuses by name the text that cannot be kept, and takes the rest', async () => {
    const [good] = (await demoCatalogue()).makers;
    const bad = { ...good, id: 'bad-maker', name: 'A\0B' };
    const half = { ...good, id: 'half-maker', name: 'A\uD83D' };
    const fine = { ...good, id: 'fine-maker', name: 'Fine 🔩' };
    const file = { makers: [bad, half, fine], families: [], patterns: [], variants: [], schemes: [], swaps: [] };
    const read = await upload(JSON.stringify({ ...(await demoCatalogue()), ...file }), 'catalogue.json');
    expect([count(read, 'added'), count(read, 'refused')]).toEqual([1, 2]);
    expect((await rows(read.id, 'refused')).map(({ problems }) => problems[0]?.where)).toEqual(['name', 'name']);
    expect((await rows(read.id, 'refused')).map(({ problems }) => problems[0]?.what)).toEqual([
      jasmine.stringContaining('NUL'),
      jasmine.stringContaining('half'),
    ]);
  });

  it('lets a person say what a column or a table is', async () => {
    const read = await upload('id,title,a,b\nx-one,One,59.67,2.5 in\n', 'stuff.csv');
    expect(read.tables[0]?.problem).toContain('choose what its rows are');
    expect(count(read, 'added')).toBe(0);
    const choices = { 'stuff.csv': { table: 'crank', columns: { a: 'crank.mainJournal.diameter [mm]', b: '-' } } };
    await post(read.id, 'read', { choices });
    const again = await settled(read.id);
    expect(again.tables[0]?.headers.map((header) => header.how)).toEqual(['exactly', 'byName', 'chosen', 'leftOut']);
    expect(count(again, 'added')).toBe(1);
  });

  it('refuses columns that cannot be meant', async () => {
    const twice = await upload('id,name,name\na-pin,One,Two\n', 'pin.csv');
    expect(await told(twice.id)).toEqual([jasmine.stringContaining('“name” heads two columns')]);
    const wrongUnit = await upload('id,name,pin.diameter [g]\na-pin,One,20\n', 'pin.csv');
    expect((await told(wrongUnit.id))[0]).toContain('g is no unit of diameter');
    const noId = await upload('name,pin.diameter [mm]\nOne,20\n', 'pin.csv');
    expect((await told(noId.id))[0]).toContain('no column of ids');
    const noUnit = await upload('id,name,pin.diameter\na-pin,One,20\n', 'pin.csv');
    expect((await told(noUnit.id))[0]).toContain('has no unit');
  });

  it('falls whole with what a record stands on', async () => {
    const file = {
      format: 'which-bore-catalogue',
      version: 2,
      makers: [{ id: 'BAD ID', name: 'Nobody' }],
      families: [{ id: 'ghost', maker: 'nobody', name: 'Ghost' }],
      patterns: [
        {
          id: 'ghost-pin',
          kind: 'pin',
          family: 'ghost',
          name: 'Pin',
          dimensions: {},
          features: {},
          interfaces: {},
          marks: [],
          numbers: [],
        },
      ],
      variants: [],
      schemes: [],
      swaps: [],
    };
    const read = await upload(JSON.stringify(file), 'ghost.json');
    expect(count(read, 'refused')).toBe(3);
    expect((await told(read.id)).at(-1)).toContain('there is no family “ghost”, here or in the catalogue');
  });

  const unreadable: readonly (readonly [
    what: string,
    name: string,
    content: () => string | Buffer | Promise<Buffer>,
    says: string,
  ])[] = [
    ['an empty file', 'pin.csv', () => '', 'pin.csv is empty.'],
    ['text that is not UTF-8', 'pin.csv', () => Buffer.from([0x69, 0x64, 0x2c, 0xe9, 0x0a]), 'is not UTF-8 text'],
    [
      'a quote that is not closed',
      'pin.csv',
      () => `id,name\na-pin,"One\n${'b-pin,Two\n'.repeat(50)}`,
      'is opened and not closed',
    ],
    [
      'half a JSON',
      'c.json',
      () => '{"format": "which-bore-catalogue", "version": 2, "patterns": [{"id": "a-',
      'is not JSON that can be read, in or after patterns[0]',
    ],
    [
      'JSON of something else',
      'c.json',
      () => '{"format": "shopping-list", "version": 1}',
      'its “format” should be “which-bore-catalogue” and is “shopping-list”',
    ],
    ['a list', 'c.json', () => '[1, 2]', 'is a list'],
    ['a bottomless JSON', 'c.json', () => `{"patterns": [${'{"a":'.repeat(100)}`, 'nested deeper'],
    [
      'a version to come',
      'c.json',
      () => '{"format": "which-bore-catalogue", "version": 9}',
      'version 9; this program reads version 2',
    ],
    ['an old workbook', 'c.xls', () => Buffer.from([0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1]), 'old form (.xls)'],
    ['a program called a table', 'crank.csv', () => Buffer.from('MZ\x90\x00\x03'), 'is a program'],
    ['a picture', 'crank.csv', () => Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 1]), 'is a picture'],
    ['a ZIP without tables', 'c.zip', () => zipped({ 'readme.md': 'nothing' }), 'holds no CSV files'],
    [
      'a workbook with macros',
      'c.xlsx',
      () => zipped({ 'xl/workbook.xml': '<workbook/>', 'xl/vbaProject.bin': 'x' }),
      'holds macros',
    ],
    ['a broken ZIP', 'c.zip', async () => (await zipped({ 'pin.csv': 'id\n' })).subarray(0, 40), 'cannot be unpacked'],
    // 200 MB of nothing in some hundred KB.
    [
      'a ZIP that unpacks without end',
      'c.zip',
      () => zipped({ 'pin.csv': Buffer.alloc(200 * 1024 ** 2, 0x61) }),
      'unpacks to far more than any catalogue',
    ],
  ];
  for (const [what, name, content, says] of unreadable)
    it(`of ${what} says what it is and what to do`, async () => {
      const failed = await upload(await content(), name);
      expect([failed.state, failed.problem]).toEqual(['failed', jasmine.stringContaining(says)]);
      expect(count(failed, 'added')).toBe(0);
    });

  it('takes text of other systems as it is', async () => {
    const csv = 'id;name;pin.diameter [mm]\r\na-pin;Bolzen größer;20,000\r\n';
    const utf16 = await upload(Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(csv, 'utf16le')]), 'pin.csv');
    expect([utf16.problem, count(utf16, 'added')]).toEqual([undefined, 1]);
    const old = await upload(csv.replaceAll('\r\n', '\r'), 'pin.csv');
    expect(count(old, 'added')).toBe(1);
  });

  it('of a workbook takes the results of formulas and says so, and refuses a cell that shows an error', async () => {
    const book = await workbook('pin', [
      ['id', 'name', 'pin.diameter [mm]', 'pin.length [mm]'],
      ['pin-one', 'One', { formula: '10+10', result: 20 }, 60],
      ['pin-two', 'Two', 20.1 + 0.2, '61,5'],
      ['pin-three', 'Three', { error: '#REF!' }, 60],
    ]);
    const read = await upload(book, 'pins.xlsx');
    const all = await rows(read.id);
    expect(all.map((row) => row.outcome)).toEqual(['added', 'added', 'refused']);
    expect(all[0]?.problems).toEqual([
      {
        where: 'pin.diameter [mm]',
        what: jasmine.stringContaining('result of a formula') as unknown as string,
        remark: true,
      },
    ]);
    expect(all[2]?.problems[0]?.what).toContain('#REF!');
    await post(read.id, 'apply', { leaveOutRefused: true });
    await settled(read.id);
    expect((await pattern('pin-two')).dimensions).toEqual({
      'pin.diameter': { low: '20.3', high: '20.3', unit: 'mm' },
      'pin.length': { low: '61.5', high: '61.5', unit: 'mm' },
    });
  });

  it('keeps spreadsheets from running what stands in a cell, and takes it back as it was', async () => {
    const note = '=HYPERLINK("x")';
    const { record, version } = (await app.inject({ url: '/api/records/pattern/sluice-pin' })).json<{
      record: object;
      version: number;
    }>();
    await app.inject({
      method: 'PUT',
      url: '/api/records/pattern/sluice-pin',
      payload: { record: { ...record, note }, version },
    });
    const csv = await exported('pin.csv');
    expect(csv.toString()).toContain(`"'=HYPERLINK(""x"")"`);
    expect((await upload(csv, 'pin.csv')).counts).toEqual([jasmine.objectContaining({ outcome: 'same' })] as never);
  });

  it('larger than is taken is refused before it fills the disk', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'which-bore-test-'));
    const small = await buildApp({
      databaseUrl: testDatabaseUrl(),
      webRoot: undefined,
      logLevel: 'silent',
      largestUpload: 10_000,
      uploads: folder,
    });
    const answer = await small.inject({
      method: 'POST',
      url: '/api/imports',
      ...formOf('x'.repeat(20_000), 'pin.csv'),
    });
    expect([answer.statusCode, answer.body]).toEqual([413, jasmine.stringContaining('Split it')]);
    await small.close();
    await rm(folder, { recursive: true });
    const none = await app.inject({
      method: 'POST',
      url: '/api/imports',
      payload: 'id,name',
      headers: { 'content-type': 'text/csv' },
    });
    expect([none.statusCode, none.body]).toEqual([415, jasmine.stringContaining('multipart/form-data')]);
  });

  it('is reported as a table', async () => {
    const read = await upload('id,name,pin.diameter [mm]\na-pin,One,wide\nb-pin,Two,20\n', 'pin.csv');
    const report = (await app.inject({ url: `/api/imports/${read.id}/report.csv` })).body.split('\r\n');
    expect(report[0]).toBe('\uFEFFplace,type,record,outcome,where,what');
    expect(report[1]).toMatch(/^"pin\.csv, line 2",pattern,a-pin,refused,pin\.diameter \[mm\],“wide” is no size/);
    expect(report[2]).toBe('"pin.csv, line 3",pattern,b-pin,added,,');
  });

  it('is not applied to a catalogue that moved meanwhile', async () => {
    const read = await upload('id,name\na-pin,One\n', 'pin.csv');
    await app.inject({
      method: 'PUT',
      url: '/api/records/maker/larch',
      payload: { record: { id: 'larch', name: 'Larch' }, version: 0 },
    });
    await post(read.id, 'apply');
    expect(await settled(read.id)).toEqual(
      jasmine.objectContaining({ state: 'interrupted', problem: jasmine.stringContaining('changed since') }),
    );
    await post(read.id, 'read');
    await settled(read.id);
    await post(read.id, 'apply');
    expect((await settled(read.id)).state).toBe('applied');
  });

  it('can be stopped in the middle, and nothing of it stays', async () => {
    const many = manyPins();
    const begun = (
      await app.inject({ method: 'POST', url: '/api/imports', ...formOf(many, 'pin.csv') })
    ).json<ImportShown>();
    expect((await app.inject({ method: 'DELETE', url: `/api/imports/${begun.id}` })).statusCode).toBe(204);
    expect((await state(begun.id)).state).toBe('cancelled');
    expect(await rows(begun.id)).toEqual([]);
    const read = await upload(many, 'pin.csv');
    expect(count(read, 'added')).toBe(MANY_PINS - 1);
    const halt = await Halt.inTheMiddle();
    await post(read.id, 'apply');
    await halt.isReached();
    await app.inject({ method: 'DELETE', url: `/api/imports/${read.id}` });
    await halt.letGo();
    expect((await state(read.id)).state).toBe('cancelled');
    expect((await app.inject({ url: '/api/search?q=many' })).json<{ count: number }>().count).toBe(0);
  });
});
