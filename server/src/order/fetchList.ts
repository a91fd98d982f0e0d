import { parse } from 'csv-parse/sync';
import {
  DataError,
  PriceListSchema,
  priceLinesOf,
  type PriceLine,
  type PriceList,
  type PriceProblem,
} from '@which-bore/core';
import { Ajv } from 'ajv';

/** A list as it came, ready to be kept. */
export interface ReadList {
  readonly lines: readonly PriceLine[];
  readonly problems: readonly PriceProblem[];
  /** As the list has it; nothing where it does not say. */
  readonly currency?: string;
}

/** Largest list that is read, bytes. */
export const LARGEST_LIST = 20 * 1024 ** 2;

const isPriceList = new Ajv({ allErrors: false }).compile<PriceList>(PriceListSchema);

const broken = (what: string): DataError =>
  new DataError('The price list cannot be used.', [{ where: 'the list', what }]);

/**
 * Reads a price list, as JSON of the open format or as CSV. Throws a DataError that says what is wrong with it as a
 * whole; single lines that cannot be used are told.
 */
export function readList(text: string, isJson: boolean): ReadList {
  const bare = text.replace(/^\uFEFF/, '');
  if (isJson || bare.trimStart().startsWith('{')) {
    let given: unknown;
    try {
      given = JSON.parse(bare);
    } catch (error) {
      throw broken(`it is not JSON that can be read: ${error instanceof Error ? error.message : 'broken'}.`);
    }
    if (!isPriceList(given)) {
      const [first] = isPriceList.errors ?? [];
      throw broken(
        `${['the list', first?.instancePath].filter(Boolean).at(-1)} ${first?.message ?? 'is not as it should be'}; see docs/price-lists.md.`,
      );
    }
    return { lines: given.lines, problems: [], currency: given.currency };
  }
  let rows: string[][];
  try {
    const [head = ''] = bare.split('\n', 1);
    const delimiter = [';', '\t', '|'].find((each) => head.includes(each)) ?? ',';
    rows = parse(bare, { delimiter, relax_column_count: true, skip_empty_lines: true });
  } catch (error) {
    throw broken(`it is no table that can be read: ${error instanceof Error ? error.message : 'broken'}.`);
  }
  const { lines, problems } = priceLinesOf(rows);
  if (lines.length === 0)
    throw broken(problems[0]?.what ?? 'it has no line that can be used. Its first row names the columns.');
  return { lines, problems };
}

/** What a supplier answered. */
type Fetched = { readonly same: true } | { readonly same: false; readonly list: ReadList; readonly etag?: string };

/** Why a supplier gave no list, in words. */
export class NoListError extends Error {}

/**
 * Fetches a list over HTTP, unless it is the same as before (RFC 9110, conditional requests). Gives up after a while
 * and past a size, follows nobody elsewhere, and throws a NoListError that says what happened.
 */
export async function fetchList(
  address: URL,
  { etag, within }: { readonly etag?: string; readonly within: number },
): Promise<Fetched> {
  const response = await fetchFrom(address, within, etag === undefined ? {} : { 'if-none-match': etag });
  if (response.status === 304) return { same: true };
  if (!response.ok) throw new NoListError(`The supplier answered ${response.status} ${response.statusText}.`);
  const text = await bounded(response);
  const isJson = (response.headers.get('content-type') ?? '').includes('json');
  try {
    const list = readList(text, isJson);
    const tag = response.headers.get('etag');
    return { same: false, list, ...(tag === null ? {} : { etag: tag }) };
  } catch (error) {
    if (error instanceof DataError)
      throw new NoListError(`His list is broken: ${error.problems[0]?.what ?? error.message}`);
    throw error;
  }
}

/** Asks, and says in words where nobody answered. */
export async function fetchFrom(address: URL, within: number, headers: Record<string, string> = {}): Promise<Response> {
  try {
    return await fetch(address, {
      headers: { accept: 'application/json, text/csv;q=0.9', ...headers },
      redirect: 'error',
      signal: AbortSignal.timeout(within),
    });
  } catch (error) {
    throw new NoListError(
      error instanceof Error && error.name === 'TimeoutError'
        ? `The supplier did not answer within ${within / 1000} seconds. What stands here is from before.`
        : 'The supplier cannot be reached. What stands here is from before.',
    );
  }
}

/** The text of an answer, as long as it is not too much. */
async function bounded(response: Response): Promise<string> {
  const pieces: Uint8Array[] = [];
  let bytes = 0;
  const tooLarge = () =>
    new NoListError(
      `The list is larger than ${LARGEST_LIST / 1024 ** 2} MiB. Ask for one in pieces, or by range of numbers.`,
    );
  if (Number(response.headers.get('content-length') ?? 0) > LARGEST_LIST) {
    await response.body?.cancel();
    throw tooLarge();
  }
  try {
    for await (const piece of (response.body ?? []) as AsyncIterable<Uint8Array>) {
      bytes += piece.length;
      if (bytes > LARGEST_LIST) throw tooLarge();
      pieces.push(piece);
    }
  } catch (error) {
    if (error instanceof NoListError) throw error;
    throw new NoListError('The supplier stopped in the middle of his list. What stands here is from before.');
  }
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(pieces));
  } catch {
    throw new NoListError('His list is not UTF-8 text.');
  }
}
