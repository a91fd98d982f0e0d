import { VERDICTS, type Verdict } from '../joints/index.js';
import type { Kinship } from './kinship.js';

/** What a list of takers is sorted by. */
interface Ranked {
  readonly verdict: Verdict;
  readonly standing: number;
  readonly price: number;
  readonly partPrice?: number | undefined;
}

/** How the checks of an open answer stand. */
interface Standing {
  readonly agree: number;
  readonly byWork: number;
  /** Checks that cannot be told, and are right if the parts are as on what they are on record with. */
  readonly likely: number;
  readonly checks: number;
}

/** By how much work that a check wants counts against a part of which all is not known. */
const WORK_COUNTS = 2;
/** How far what is likely only counts as agreeing. */
const LIKELY_COUNTS = 0.8;
/** Parts that are on record in one engine come before others, whatever is known of them. */
const RECORDED_COUNTS = 2;
/** Then come those of one family. */
const FAMILY_COUNTS = 1;

/**
 * How an open answer stands, the larger the likelier it is to prove right: the share of its checks that agree, less
 * what those that want work count, and what the records say of the two. bench/half-known.mjs tells how well it ranks.
 */
export function standingOf({ agree, byWork, likely, checks }: Standing, { recordedIn, sameFamily }: Kinship): number {
  const share = checks === 0 ? 0 : (agree + LIKELY_COUNTS * likely + (1 - WORK_COUNTS) * byWork) / checks;
  return share + (recordedIn.length > 0 ? RECORDED_COUNTS : 0) + (sameFamily ? FAMILY_COUNTS : 0);
}

/** What is not priced comes after what is; a number, so that two of them compare. */
const priceOf = ({ partPrice = Number.MAX_SAFE_INTEGER }: Ranked): number => partPrice;

/** The best first: by verdict; open ones by how they stand; then by the price of the work, and of the part. */
export const bestFirst = (a: Ranked, b: Ranked): number =>
  VERDICTS.indexOf(a.verdict) - VERDICTS.indexOf(b.verdict) ||
  (a.verdict === 'cannotTell' ? b.standing - a.standing : 0) ||
  a.price - b.price ||
  priceOf(a) - priceOf(b);
