import { cut } from '../quantity/text.js';
import type { ClaimAbout, ClaimReading } from './reading.js';
import { unread, type Unread } from './unread.js';

/** A stretch of months, counted from year 0, both ends included. */
export interface Months {
  readonly first: number;
  readonly last: number;
}

const EARLIEST = 1880;
const LATEST = 2100;

/** `1962`, `1962-03`, `1962/1964` as months; undefined for anything else. */
export function monthsOf(value: string): Months | undefined {
  const [from = '', to = from] = value.split('/');
  const first = parts(from);
  const last = parts(to);
  if (!first || !last) return undefined;
  const months = { first: first.year * 12 + (first.month ?? 1) - 1, last: last.year * 12 + (last.month ?? 12) - 1 };
  return months.first <= months.last ? months : undefined;
}

function parts(date: string): { readonly year: number; readonly month?: number } | undefined {
  const match = /^(\d{4})(?:-(0[1-9]|1[0-2]))?$/.exec(date);
  const year = Number(match?.[1]);
  if (!match || year < EARLIEST || year > LATEST) return undefined;
  return match[2] === undefined ? { year } : { year, month: Number(match[2]) };
}

/**
 * A year as people write it in the form in which it is kept: `1962-64` becomes `1962/1964`, `3/1962` becomes `1962-03`.
 */
function yearValue(written: string): string | undefined {
  const range = /^(\d{4})[-–/](\d{2}|\d{4})$/.exec(written);
  if (range) {
    const [, from = '', to = ''] = range;
    if (to.length === 2 && Number(to) <= 12 && to < from.slice(2)) return `${from}-${to}`;
    return `${from}/${to.length === 2 ? from.slice(0, 2) + to : to}`;
  }
  const month = /^(0?[1-9]|1[0-2])[/.](\d{4})$/.exec(written);
  if (month) return `${month[2] ?? ''}-${(month[1] ?? '').padStart(2, '0')}`;
  const plain = /^(?:ca\.?|c\.?|about)?(\d{4})s?$/i.exec(written);
  if (!plain) return undefined;
  return /s$/i.test(written) ? `${plain[1] ?? ''}/${String(Number(plain[1]) + 9)}` : plain[1];
}

/** A claim from its words, or why it is none. */
export function claimOf(about: ClaimAbout, written: string, text: string): ClaimReading | Unread {
  if (about !== 'year') return { sort: 'claim', text, about, value: cut(written.trim(), 120) };
  const value = yearValue(written);
  if (value !== undefined && monthsOf(value)) return { sort: 'claim', text, about, value };
  return unread(text, [
    `“${written}” is no year from ${EARLIEST} to ${LATEST}. Write it like 1962, 1962-64 or 3/1962.`,
  ]);
}
