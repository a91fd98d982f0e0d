import type { Identification } from '../identify.js';
import { likeliest } from '../scores.js';

/** The patterns still in question, and "none of these", as one small distribution. */
export interface Hypotheses {
  /** Rows of the patterns; undefined stands for a part in no catalogue. */
  readonly rows: readonly (number | undefined)[];
  /** Probabilities, adding up to one. */
  readonly weights: Float64Array;
}

/** As many are looked at one by one; of those behind them some, each for its neighbours as well. */
const LOOKED_AT = 16;
const BEHIND = 24;
/** As many that are as likely as not to matter are in question at all. */
const IN_QUESTION = 1024;
const LEAST = 1e-4;

/**
 * The patterns in question. Where more are than can be looked at one by one, those behind the likeliest are looked at
 * by samples spread over all of them: the first of the alphabet are mostly of one maker.
 */
export function hypothesesOf(identification: Identification): Hypotheses {
  const { posterior } = identification;
  const least = Math.min(LEAST, 1 / (4 * Math.max(1, posterior.rows.length)));
  const places = likeliest(posterior, IN_QUESTION).filter((place) => (posterior.probabilities[place] ?? 0) > least);
  const weightAt = (place: number) => posterior.probabilities[place] ?? 0;
  const rows: (number | undefined)[] = [];
  const weights: number[] = [];
  for (const group of [...places.slice(0, LOOKED_AT).map((place) => [place]), ...spread(places.slice(LOOKED_AT))]) {
    const middle = group[Math.floor(group.length / 2)];
    if (middle === undefined) continue;
    rows.push(posterior.rows[middle] ?? 0);
    weights.push(group.reduce((sum, place) => sum + weightAt(place), 0));
  }
  if (posterior.none > LEAST) {
    rows.push(undefined);
    weights.push(posterior.none);
  }
  const sum = weights.reduce((total, each) => total + each, 0);
  return { rows, weights: Float64Array.from(weights, (each) => each / sum) };
}

/** Neighbours in so many groups at most. */
function spread(places: readonly number[]): number[][] {
  const groups = Math.min(BEHIND, places.length);
  return Array.from({ length: groups }, (_group, at) =>
    places.slice(Math.floor((at * places.length) / groups), Math.floor(((at + 1) * places.length) / groups)),
  );
}
