import { bisectLeft } from 'd3-array';
import type { Codes } from '../columns.js';
import type { Evidence } from '../evidence.js';

/**
 * Log ratios are kept as whole numbers, 65,536 to the natural unit: whole numbers add up to the same in any order, and
 * what was added comes off again to the last bit. That is what lets one more reading cost one column, and a removed
 * one leave no trace.
 */
export const FIXED = 65_536;

/** No single piece of evidence weighs more than this, in natural units, so that five hundred still fit into 32 bits. */
const HEAVIEST = 60;

/** A natural logarithm as it is kept. */
export const fixed = (log: number): number => Math.round(Math.min(HEAVIEST, Math.max(-HEAVIEST, log)) * FIXED);

/**
 * What one piece of evidence says of every pattern: `ln P(evidence | pattern) / P(evidence | a part in no catalogue)`,
 * in fixed point. By pattern through the codes of a column, pattern by pattern, or as what it says of all but a few.
 */
export type Weighed = {
  readonly evidence: Evidence;
  /** Natural logarithm of its chance, or density, on a part in no catalogue: what ratios of two kinds lack. */
  readonly logUnknown?: number;
} & (
  | {
      readonly form: 'column';
      readonly codes: Codes;
      readonly byCode: Int32Array;
      /** Patterns of which something else is said than by their code. */
      readonly apart?: ReadonlyMap<number, number>;
    }
  | { readonly form: 'all'; readonly byRow: Int32Array }
  | { readonly form: 'few'; readonly base: number; readonly rows: Uint32Array; readonly values: Int32Array }
);

/** The log ratio of one pattern, fixed point. */
export function ratioAt(weighed: Weighed, row: number): number {
  if (weighed.form === 'column') return weighed.apart?.get(row) ?? weighed.byCode[weighed.codes[row] ?? 0] ?? 0;
  if (weighed.form === 'all') return weighed.byRow[row] ?? 0;
  const at = bisectLeft(weighed.rows, row);
  return weighed.rows[at] === row ? (weighed.values[at] ?? 0) : weighed.base;
}

/** Puts the patterns that differ into their order. */
export function few(
  evidence: Evidence,
  base: number,
  differing: ReadonlyMap<number, number>,
  unknown: number,
): Weighed {
  const rows = Uint32Array.from(differing.keys()).sort();
  return {
    evidence,
    form: 'few',
    logUnknown: Math.log(unknown),
    base: fixed(base),
    rows,
    values: Int32Array.from(rows, (row) => fixed(differing.get(row) ?? 0)),
  };
}
