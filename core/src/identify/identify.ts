import type { Understood } from '../readings/reading.js';
import type { CatalogueIndex } from './catalogueIndex.js';
import { ASSUMED, decibans, PROBABLE_FROM, SETTLED_FROM, STRONG_CONTRADICTION } from './assumptions.js';
import { evidenceFrom } from './evidence.js';
import type { Sentence } from '../quantity/sentence.js';
import { reasonFor } from './reason.js';
import { weigh, type Weighed } from './weigh.js';

/** One piece of evidence, pulling for (positive) or against a candidate. */
export interface Pull {
  /** The words of the reading. */
  readonly text: string;
  readonly sort: 'mark' | 'size' | 'look';
  /** Weight against a part in no catalogue. The weights of a candidate add up. */
  readonly decibans: number;
  readonly reason: Sentence;
}

export interface Candidate {
  readonly pattern: string;
  readonly probability: number;
  readonly pulls: readonly Pull[];
}

/**
 * How sure the answer is: *settled*, one candidate beyond reasonable doubt and nothing strong against it; *probable*,
 * one well ahead; *open*; *nothing fits*, most likely in no catalogue; *no evidence*, nothing read yet.
 */
export type Status = 'settled' | 'probable' | 'open' | 'nothingFits' | 'noEvidence';

export interface LineUp {
  readonly kind: CatalogueIndex['kind'];
  readonly status: Status;
  /** Likeliest first, at most as many as asked for. */
  readonly candidates: readonly Candidate[];
  /** Probability that the part is in no catalogue. */
  readonly none: number;
  /** How many patterns were weighed. */
  readonly weighed: number;
  /** Readings the catalogue has nothing to hold against. */
  readonly unused: readonly string[];
}

/**
 * Ranks the patterns of a catalogue, and *none of these*, by what was read.
 *
 * Bayes' rule with every pattern equally likely beforehand and the readings independent given the pattern; see
 * `assumptions.ts` for the chances taken for granted. Neither the order of the readings nor their unit changes it.
 *
 * @param most how many candidates to return with their reasons
 */
export function identify(index: CatalogueIndex, readings: readonly Understood[], most = 6): LineUp {
  const evidence = evidenceFrom(readings);
  const weighed: Weighed[] = [];
  const unused: string[] = [];
  for (const each of evidence) {
    const result = weigh(index, each);
    if (result) weighed.push(result);
    else unused.push(each.text);
  }
  const scores = sumScores(index.patterns.length, weighed);
  const { probabilities, none } = posterior(scores);
  const rows = weighed.length > 0 ? topRows(scores, most) : [];
  const candidates = rows.map((row): Candidate => ({
    pattern: index.patterns[row] ?? '',
    probability: probabilities(row),
    pulls: weighed.map((each): Pull => {
      const logRatio = ratioAt(each, row);
      return { text: each.evidence.text, sort: each.evidence.sort, decibans: decibans(logRatio), reason: reasonFor(index, row, each.evidence, logRatio) };
    }),
  }));
  return { kind: index.kind, status: statusOf(candidates, none, weighed.length), candidates, none, weighed: index.patterns.length, unused };
}

function ratioAt(weighed: Weighed, row: number): number {
  return weighed.logRatios[weighed.codes ? (weighed.codes[row] ?? 0) : row] ?? 0;
}

/** The sum over the evidence, by pattern. */
function sumScores(patterns: number, weighed: readonly Weighed[]): Float64Array {
  const scores = new Float64Array(patterns);
  for (const { logRatios, codes } of weighed) {
    if (codes) for (let row = 0; row < patterns; row++) scores[row] = (scores[row] as number) + (logRatios[codes[row] as number] as number);
    else for (let row = 0; row < patterns; row++) scores[row] = (scores[row] as number) + (logRatios[row] as number);
  }
  return scores;
}

function posterior(scores: Float64Array) {
  const noneScore = Math.log(ASSUMED.notInCatalogue);
  const prior = Math.log((1 - ASSUMED.notInCatalogue) / Math.max(1, scores.length));
  let top = noneScore;
  for (const score of scores) top = Math.max(top, score + prior);
  let sum = Math.exp(noneScore - top);
  for (const score of scores) sum += Math.exp(score + prior - top);
  return {
    probabilities: (row: number) => Math.exp((scores[row] ?? -Infinity) + prior - top) / sum,
    none: Math.exp(noneScore - top) / sum,
  };
}

/** The rows with the highest scores, highest first; equal ones in catalogue order. One pass, however long the catalogue. */
function topRows(scores: Float64Array, most: number): number[] {
  const rows: number[] = [];
  for (let row = 0; row < scores.length; row++) {
    const score = scores[row] ?? -Infinity;
    const last = rows[rows.length - 1];
    if (rows.length === most && last !== undefined && score <= (scores[last] ?? -Infinity)) continue;
    let at = rows.length;
    while (at > 0 && score > (scores[rows[at - 1] ?? 0] ?? -Infinity)) at--;
    rows.splice(at, 0, row);
    if (rows.length > most) rows.pop();
  }
  return rows;
}

function statusOf(candidates: readonly Candidate[], none: number, evidence: number): Status {
  const first = candidates[0];
  if (evidence === 0) return 'noEvidence';
  if (!first || none > Math.max(0.5, first.probability)) return 'nothingFits';
  const contradicted = first.pulls.some((pull) => pull.decibans <= STRONG_CONTRADICTION);
  if (first.probability >= SETTLED_FROM && !contradicted) return 'settled';
  return first.probability >= PROBABLE_FROM ? 'probable' : 'open';
}
