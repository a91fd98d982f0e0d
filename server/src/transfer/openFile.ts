import { createReadStream } from 'node:fs';
import { open } from 'node:fs/promises';
import { basename } from 'node:path';
import type { Readable } from 'node:stream';
import { promisify } from 'node:util';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { readCsv } from './readCsv.js';
import { readJson } from './readJson.js';
import { FileError, type Piece } from './source.js';

/** Most bytes that what is packed may unpack to, and how many times its packed size: beyond, it is meant to do harm. */
const MOST_UNPACKED = 2 * 1024 ** 3;
const MOST_TIMES = 250;
const ALWAYS_ALLOWED = 64 * 1024 ** 2;
const MOST_ENTRIES = 2000;

const openZip = promisify<string, yauzl.Options, ZipFile>(yauzl.open);

interface Format {
  readonly begins: readonly number[];
  readonly problem: string;
}
const REFUSED: readonly Format[] = [
  { begins: [0xd0, 0xcf, 0x11, 0xe0], problem: 'is a workbook of the old form (.xls). Save it as .xlsx or as CSV.' },
  { begins: [0x25, 0x50, 0x44, 0x46], problem: 'is a PDF. Export the table as CSV or .xlsx.' },
  { begins: [0x4d, 0x5a], problem: 'is a program, not a catalogue.' },
  { begins: [0x7f, 0x45, 0x4c, 0x46], problem: 'is a program, not a catalogue.' },
  { begins: [0x89, 0x50, 0x4e, 0x47], problem: 'is a picture, not a catalogue.' },
  { begins: [0xff, 0xd8, 0xff], problem: 'is a picture, not a catalogue.' },
  { begins: [0x1f, 0x8b], problem: 'is packed with gzip. Unpack it first.' },
];
const ZIP = [0x50, 0x4b, 0x03, 0x04];

/**
 * Opens an uploaded file by what it holds, whatever it is called: a catalogue in JSON, a table in CSV, several of them
 * in a ZIP, or a workbook. Throws a FileError where it is none of these, or holds what it should not.
 *
 * @param name what the uploader called it, for messages and for the name of a table
 */
export async function* openFile(path: string, name: string): AsyncGenerator<Piece> {
  const file = await open(path);
  const head = Buffer.alloc(4096);
  const { bytesRead } = await file.read(head, 0, head.length, 0);
  const { size } = await file.stat();
  await file.close();
  if (size === 0) throw new FileError(`${name} is empty.`);
  const begins = (bytes: readonly number[]) => bytes.every((byte, at) => head[at] === byte);
  const refused = REFUSED.find((format) => begins(format.begins));
  if (refused) throw new FileError(`${name} ${refused.problem}`);
  if (begins(ZIP)) yield* openPacked(path, name);
  else if (/^\uFEFF?\s*[{[]/.test(head.subarray(0, bytesRead).toString('utf8'))) yield* readJson(name, path, size);
  else if (isUtf16(head) || !head.subarray(0, bytesRead).includes(0))
    yield* readCsv(basename(name), createReadStream(path), size);
  else throw new FileError(`${name} is no text, no workbook and no catalogue. Export it as CSV or .xlsx.`);
}

const isUtf16 = (head: Buffer): boolean =>
  (head[0] === 0xff && head[1] === 0xfe) || (head[0] === 0xfe && head[1] === 0xff);

async function* openPacked(path: string, name: string): AsyncGenerator<Piece> {
  const entries = await entriesOf(path, name);
  const names = entries.map((entry) => entry.fileName);
  if (names.some((each) => /vbaProject\.bin$/i.test(each)))
    throw new FileError(`${name} holds macros. Save it as .xlsx, which has none.`);
  if (names.includes('xl/workbook.xml')) {
    // With a library that takes long to load, and that few files need.
    const { readXlsx } = await import('./readXlsx.js');
    yield* readXlsx(path);
    return;
  }
  const tables = entries.filter(
    (entry) => /\.(csv|tsv|txt)$/i.test(entry.fileName) && !entry.fileName.startsWith('__MACOSX'),
  );
  if (tables.length === 0) throw new FileError(`${name} holds no CSV files and is no workbook.`);
  const zip = await openZip(path, { lazyEntries: true, autoClose: false });
  try {
    const openEntry = promisify<Entry, Readable>(zip.openReadStream.bind(zip) as never);
    for (const entry of tables)
      yield* readCsv(basename(entry.fileName), await openEntry(entry), entry.uncompressedSize);
  } finally {
    zip.close();
  }
}

/** The entries of a packed file, after unpacking each once without keeping it: the sizes written in it may lie. */
async function entriesOf(path: string, name: string): Promise<Entry[]> {
  let zip: ZipFile;
  try {
    zip = await openZip(path, { lazyEntries: true, autoClose: false });
  } catch (error) {
    throw new FileError(
      `${name} is packed and cannot be unpacked: ${error instanceof Error ? error.message : String(error)}. Upload it again.`,
    );
  }
  const bomb = new FileError(
    `${name} unpacks to far more than any catalogue: it is not opened. Export the tables again, or split them.`,
  );
  const openEntry = promisify<Entry, Readable>(zip.openReadStream.bind(zip) as never);
  try {
    const entries = await new Promise<Entry[]>((resolve, reject) => {
      const found: Entry[] = [];
      zip.on('entry', (entry: Entry) => {
        found.push(entry);
        if (found.length > MOST_ENTRIES) reject(bomb);
        else zip.readEntry();
      });
      zip.on('end', () => resolve(found));
      zip.on('error', reject);
      zip.readEntry();
    });
    let unpacked = 0;
    let packed = 0;
    for (const entry of entries) {
      if (entry.fileName.endsWith('/')) continue;
      if (entry.isEncrypted()) throw new FileError(`${name} is locked with a password. Save it without one.`);
      packed += entry.compressedSize;
      for await (const chunk of await openEntry(entry)) {
        unpacked += (chunk as Buffer).length;
        if (unpacked > MOST_UNPACKED || (unpacked > ALWAYS_ALLOWED && unpacked > MOST_TIMES * packed)) throw bomb;
      }
    }
    return entries;
  } catch (error) {
    if (error instanceof FileError) throw error;
    throw new FileError(
      `${name} is damaged: ${error instanceof Error ? error.message : String(error)}. Upload it again.`,
    );
  } finally {
    zip.close();
  }
}
