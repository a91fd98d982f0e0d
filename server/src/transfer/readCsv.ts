import { Transform, type Readable } from 'node:stream';
import { TextDecoder } from 'node:util';
import { CsvError, parse } from 'csv-parse';
import { FileError, type Cell, type Piece } from './source.js';

const MOST_COLUMNS = 1000;
const LONGEST_RECORD = 4 * 1024 * 1024;

/** Text of UTF-8 or, where its mark says so, UTF-16. Fails with a FileError on anything else instead of guessing. */
function asText(): Transform {
  let decoder: TextDecoder | undefined;
  return new Transform({
    readableObjectMode: false,
    transform(chunk: Buffer, _encoding, done) {
      try {
        decoder ??= new TextDecoder(
          chunk[0] === 0xff && chunk[1] === 0xfe
            ? 'utf-16le'
            : chunk[0] === 0xfe && chunk[1] === 0xff
              ? 'utf-16be'
              : 'utf-8',
          {
            fatal: true,
          },
        );
        done(null, decoder.decode(chunk, { stream: true }));
      } catch {
        done(new FileError('The file is not UTF-8 text. Save it as “CSV UTF-8” and upload it again.'));
      }
    },
    flush(done) {
      try {
        done(null, decoder?.decode());
      } catch {
        done(new FileError('The file ends in the middle of a character. Save it as “CSV UTF-8” and upload it again.'));
      }
    },
  });
}

/** What separates the cells: whichever stands most often in the first line, outside quotes. */
function separatorOf(line: string): string {
  const bare = line.replace(/"[^"]*"/g, '');
  const count = (separator: string) => bare.split(separator).length - 1;
  return [',', ';', '\t', '|'].reduce((best, each) => (count(each) > count(best) ? each : best), ',');
}

/** An apostrophe put before a cell keeps spreadsheets from running it; it is no part of the text. */
export const undisarmed = (text: string): string => text.replace(/^'(?=[=+\-@\t\r'])/, '');

/** Reads a table of text row by row. Throws a FileError with the line at fault. */
export async function* readCsv(source: string, stream: Readable, bytes: number): AsyncGenerator<Piece> {
  let read = 0;
  stream.on('data', (chunk: Buffer) => (read += chunk.length));
  const text = stream.pipe(asText());
  stream.on('error', (error) => text.destroy(error));
  const [first, whole] = await firstLine(text);
  const parser = parse({
    bom: true,
    delimiter: separatorOf(first),
    relax_column_count: true,
    skip_empty_lines: true,
    info: true,
    max_record_size: LONGEST_RECORD,
    record_delimiter: ['\r\n', '\n', '\r'],
  });
  whole.on('error', (error) => parser.destroy(error));
  whole.pipe(parser);
  let headers: readonly string[] | undefined;
  try {
    for await (const { record, info } of parser as AsyncIterable<{ record: string[]; info: { lines: number } }>) {
      if (!headers) {
        headers = record.map((header) => undisarmed(header.trim()));
        if (headers.length > MOST_COLUMNS)
          throw new FileError(`${source} has ${headers.length} columns; at most ${MOST_COLUMNS} can be read.`);
        yield { form: 'table', source, headers };
        continue;
      }
      if (record.every((cell) => cell.trim() === '')) continue;
      const cells = record.map((cell): Cell => ({ text: undisarmed(cell) }));
      const wrong =
        record.length === headers.length
          ? undefined
          : `The row has ${record.length} cells where the header has ${headers.length}; a separator or a quote is missing or too many.`;
      yield {
        form: 'row',
        source,
        place: `${source}, line ${info.lines}`,
        cells: wrong === undefined ? cells : [{ text: cells[0]?.text ?? '', problem: wrong }, ...cells.slice(1)],
        done: bytes === 0 ? 1 : Math.min(1, read / bytes),
      };
    }
  } catch (error) {
    if (error instanceof CsvError) throw new FileError(`${source}: ${csvProblem(error)}`);
    throw error;
  }
  if (!headers) throw new FileError(`${source} is empty. Its first line should name the columns.`);
}

function csvProblem(error: CsvError): string {
  const line = typeof error.lines === 'number' ? ` near line ${error.lines}` : '';
  if (error.code === 'CSV_QUOTE_NOT_CLOSED' || error.code === 'CSV_MAX_RECORD_SIZE')
    return `a quotation mark${line} is opened and not closed. Close it, or double it where it belongs to the text.`;
  if (error.code === 'INVALID_OPENING_QUOTE' || error.code === 'CSV_INVALID_CLOSING_QUOTE')
    return `a quotation mark${line} stands inside a cell. Put the whole cell in quotation marks and double the one inside.`;
  return `it cannot be read${line}: ${error.message}`;
}

/** The first line, and a stream of everything from the start. */
async function firstLine(stream: Transform): Promise<readonly [string, Transform]> {
  let head = '';
  for await (const chunk of stream.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer | string>) {
    head += chunk.toString();
    if (/[\r\n]/.test(head) || head.length > LONGEST_RECORD) break;
  }
  const whole = new Transform({ transform: (chunk, _encoding, done) => done(null, chunk) });
  whole.write(head);
  if (stream.readableEnded) whole.end();
  else stream.pipe(whole);
  stream.on('error', (error) => whole.destroy(error));
  return [head.split(/[\r\n]/, 1)[0] ?? '', whole];
}
