import { VERDICTS } from '../joints/index.js';
import type { Swap } from './swap.js';

/** What a list of takers is sorted by. */
type Ranked = Pick<Swap, 'verdict' | 'agree' | 'byWork' | 'checks' | 'price'> & {
  readonly partPrice?: number | undefined;
};

/** By how much work that a check wants counts against a part of which all is not known. */
export const WORK_COUNTS = 2;

/** How far an open answer has come: the share of its checks that agree, less what those that want work count. */
const agreement = ({ agree, byWork, checks }: Ranked): number =>
  checks === 0 ? 0 : (agree + byWork - WORK_COUNTS * byWork) / checks;

/** What is not priced comes after what is; a number, so that two of them compare. */
const priceOf = ({ partPrice = Number.MAX_SAFE_INTEGER }: Ranked): number => partPrice;

/**
 * The best first: by verdict; open ones by what agrees of them; then by what the work costs, and by the price of the
 * part.
 */
export const bestFirst = (a: Ranked, b: Ranked): number =>
  VERDICTS.indexOf(a.verdict) - VERDICTS.indexOf(b.verdict) ||
  (a.verdict === 'cannotTell' ? agreement(b) - agreement(a) : 0) ||
  a.price - b.price ||
  priceOf(a) - priceOf(b);
