import type { Identification } from '../identify.js';
import { likeliest } from '../scores.js';

/** The patterns still in question, and "none of these", as one small distribution. */
export interface Hypotheses {
  /** Rows of the patterns; undefined stands for a part in no catalogue. */
  readonly rows: readonly (number | undefined)[];
  /** Probabilities, adding up to one. */
  readonly weights: Float64Array;
}

/** The likeliest so many are looked at; the rest is nothing or will be when these are told apart. */
const LOOKED_AT = 16;
const LEAST = 1e-4;

export function hypothesesOf(identification: Identification): Hypotheses {
  const { posterior } = identification;
  const places = likeliest(posterior, LOOKED_AT).filter((place) => (posterior.probabilities[place] ?? 0) > LEAST);
  const rows: (number | undefined)[] = places.map((place) => posterior.rows[place] ?? 0);
  const weights = places.map((place) => posterior.probabilities[place] ?? 0);
  if (posterior.none > LEAST) {
    rows.push(undefined);
    weights.push(posterior.none);
  }
  const sum = weights.reduce((total, each) => total + each, 0);
  return { rows, weights: Float64Array.from(weights, (each) => each / sum) };
}
