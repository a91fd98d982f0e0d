import type { Phrases } from './phrases.js';

const WHOLE = /^(?:[A-Z]{1,4}[- ]?)?\d{3,5}(?:[-/ ]?[A-Z\d/]+)*$/i;
/** Series that stand before the figures, often with a blank between. */
const SERIES = /^(?:N|NU|NJ|NUP|NF|NN|NA|NK|HK|BK|RNA|AXK|QJ)$/i;
/**
 * What stands after them: covers, clearance, cage, precision, ring groove, in any order (common practice, no source).
 */
const SUFFIX =
  /^[-/]?(?:2?ZZ?|2?RSR?[12H]?|LLU|DDU|VV|C[2-5N]|CN|P[4-6]|ABEC\d|E|EC[JMPT]?|M[AB]?|T(?:N\d?|V[HP]?)?|J|K|NR?|S[01]|W33)+$/i;

/**
 * The first token after the designation of a rolling bearing, its suffixes in any order, run together or apart:
 * `6205-2RS`, `NJ 207`, `6306 C3`, `6205 ZZ C3`. Undefined where none begins.
 */
export function designationWords(phrases: Phrases, from: number): number | undefined {
  const text = (at: number) => phrases.tokens[at]?.text ?? '';
  let next: number;
  if (SERIES.test(text(from)) && /^\d{3,5}/.test(text(from + 1))) next = from + 2;
  else if (WHOLE.test(text(from))) next = from + 1;
  else return undefined;
  while (!phrases.ends(next) && SUFFIX.test(text(next))) next++;
  return next;
}
