import { createReadStream } from 'node:fs';
import { TextDecoder } from 'node:util';
import { CATALOGUE_FORMAT, CATALOGUE_VERSION, LIST_OF, RECORD_TYPES, type RecordType } from '@which-bore/core';
import { getManyValues, isMany, none } from 'stream-chain/core';
import Assembler from 'stream-json/assembler.js';
import { jsonParser } from 'stream-json/parser.js';
import { FileError, type Piece } from './source.js';

const TYPE_OF_LIST: ReadonlyMap<string, RecordType> = new Map(RECORD_TYPES.map((type) => [LIST_OF[type], type]));
const CHUNK = 256 * 1024;
/** No record of the format is nested this deep. */
const DEEPEST = 20;

type Token = Parameters<Assembler['consume']>[0];
const OPENS = new Set<string>(['startObject', 'startArray']);
const CLOSES = new Set<string>(['endObject', 'endArray']);

/**
 * Reads a catalogue file record by record, holding one record at a time. Throws a FileError with the place at fault.
 */
export async function* readJson(source: string, path: string, bytes: number): AsyncGenerator<Piece> {
  const file = createReadStream(path, { highWaterMark: CHUNK });
  let depth = 0;
  let key = '';
  let at = 0;
  let assembler: Assembler | undefined;
  const seen = new Map<string, unknown>();
  const piece = (record: unknown): Piece => ({
    form: 'record',
    place: `${source}, ${key}[${at++}]`,
    type: TYPE_OF_LIST.get(key) ?? 'pattern',
    record,
    done: bytes === 0 ? 1 : Math.min(1, file.bytesRead / bytes),
  });
  try {
    // Depth 1 is inside the catalogue, depth 2 inside one of its lists, deeper inside a record.
    for await (const tokens of tokensOf(file))
      for (const token of tokens) {
        assembler?.consume(token);
        if (CLOSES.has(token.name)) {
          if (--depth === 2 && assembler) {
            yield piece(assembler.current);
            assembler = undefined;
          }
        } else if (OPENS.has(token.name)) {
          checkOpening(source, depth, key, token);
          if (depth === 2) {
            assembler = new Assembler();
            assembler.consume(token);
          }
          if (++depth > DEEPEST)
            throw new FileError(`${source}, ${key}[${at}] is nested deeper than any record of a catalogue.`);
        } else if (depth === 1) {
          if (token.name === 'keyValue') [key, at] = [token.value, 0];
          else seen.set(key, valueOf(token));
        } else if (depth === 2) yield piece(valueOf(token));
      }
  } catch (error) {
    if (error instanceof FileError) throw error;
    throw new FileError(
      `${source} is not JSON that can be read, in or after ${key === '' ? 'its beginning' : `${key}[${at}]`}: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
  if (seen.get('format') !== CATALOGUE_FORMAT)
    throw new FileError(
      `${source} is no catalogue: its “format” should be “${CATALOGUE_FORMAT}”${seen.has('format') ? ` and is “${String(seen.get('format'))}”` : ''}.`,
    );
  if (seen.get('version') !== CATALOGUE_VERSION)
    throw new FileError(
      `${source} is a catalogue of version ${JSON.stringify(seen.get('version') ?? 'unknown')}; this program reads version ${CATALOGUE_VERSION}.`,
    );
}

/** What may open where: an object at the outset, in it lists of known names. */
function checkOpening(source: string, depth: number, key: string, token: Token): void {
  if (depth === 0 && token.name === 'startArray')
    throw new FileError(`${source} is a list; a catalogue is an object with “format” and “version”.`);
  if (depth === 1 && (token.name === 'startObject' || !TYPE_OF_LIST.has(key)))
    throw new FileError(
      `${source}: “${key}” is no list of a catalogue; those are ${[...TYPE_OF_LIST.keys()].join(', ')}.`,
    );
}

/** Numbers come as their digits. */
const valueOf = (token: Token): unknown =>
  token.name === 'numberValue' ? Number(token.value) : 'value' in token ? token.value : undefined;

/** The tokens of a file, a chunk's at a time: one by one through a stream they would take five times as long. */
async function* tokensOf(file: AsyncIterable<Buffer>): AsyncGenerator<readonly Token[]> {
  const parse = jsonParser({ streamValues: false, packValues: true }) as (text: unknown) => unknown;
  const decoder = new TextDecoder('utf-8', { fatal: true });
  const tokens = (found: unknown): readonly Token[] =>
    isMany(found) ? (getManyValues(found) as readonly Token[]) : found === none ? [] : [found as Token];
  for await (const chunk of file) yield tokens(parse(decoder.decode(chunk, { stream: true })));
  yield tokens(parse(decoder.decode()));
  yield tokens(parse(none));
}
