import { randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { mersenne } from 'pure-rand/generator/mersenne';

/**
 * Numbers from a seed, evenly spread from 0 to below 1, so that a simulation is the same every time.
 *
 * @param seed a whole number; others, the next one too, draw something else
 */
export function random(seed: number): () => number {
  const generator = mersenne(seed);
  return () => uniformFloat64(generator);
}

/** A draw from the standard normal distribution. */
export const normalDraw = (next: () => number): number => randomNormal.source(next)()();
