import { parameterOf } from '../dictionary/dictionary.js';
import type { Interval } from '../quantity/interval.js';
import type { Build } from './build.js';
import type { BuildEngine } from './engine.js';
import type { Figure } from './figures/index.js';
import { Varied } from './vary.js';

/** Sizes for which a figure is solved backwards: what is bought or cut to get it. */
export const SOLVED_FOR = [
  'piston.compressionHeight',
  'headGasket.thickness',
  'head.chamber.volume',
  'piston.crown.volume',
  'block.deckHeight',
  'crank.stroke',
  'rod.length',
  'block.bore',
] as const;
export type SolvedFor = (typeof SOLVED_FOR)[number];

/** A size that gives a figure, or between which figures it can be at all. */
type Solved =
  | { readonly size: number }
  | { readonly reached: Interval }
  /** The figure does not go by that size, or something else it goes by is not known. */
  | { readonly reached?: undefined };

/** How finely a range is looked over before it is closed in on. */
const STEPS = 400;
const CLOSE_ENOUGH = 1e-9;

/**
 * The size that gives a figure what is wanted, all else as it is; of several the one nearest to what is there now. By
 * looking over the sizes that real parts have, and halving where the wanted lies between.
 *
 * @param wanted inside unit of the figure
 * @param now what the size is now, inside unit, where it is known
 */
export function solveFor(
  build: Build,
  engineOf: (build: Build) => BuildEngine,
  size: SolvedFor,
  figure: Figure,
  wanted: number,
  now: number | undefined,
): Solved {
  const { low, high } = rangeOf(size);
  const start = now ?? (low + high) / 2;
  const varied = new Varied(build, engineOf, [size], [start], [figure]);
  if (!varied.goesBy(0, 0)) return {};
  const off = (at: number): number => (varied.at([at])[0] ?? Number.NaN) - wanted;
  const found: number[] = [];
  let [least, most] = [Infinity, -Infinity];
  const step = (high - low) / STEPS;
  const grid = [...Array.from({ length: STEPS + 1 }, (_, at) => low + at * step), start].sort((a, b) => a - b);
  let before: { readonly at: number; readonly off: number } | undefined;
  for (const at of grid) {
    const here = off(at);
    if (!Number.isFinite(here) || !isSense(figure, here + wanted)) {
      before = undefined;
      continue;
    }
    [least, most] = [Math.min(least, here + wanted), Math.max(most, here + wanted)];
    if (here === 0) found.push(at);
    else if (before && before.off * here < 0) found.push(halved(off, before.at, at));
    before = { at, off: here };
  }
  if (found.length === 0) return least > most ? {} : { reached: { low: least, high: most } };
  found.sort((a, b) => Math.abs(a - start) - Math.abs(b - start));
  return { size: found[0] ?? start };
}

/** A ratio below one is of a piston that stands through the head. */
const isSense = ({ quantity }: Figure, value: number): boolean => quantity !== 'ratio' || value > 1;

function rangeOf(size: SolvedFor): Interval {
  return parameterOf(size).plausible;
}

function halved(off: (at: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  const sign = Math.sign(off(low));
  while (high - low > CLOSE_ENOUGH * Math.max(1, Math.abs(high))) {
    const half = (low + high) / 2;
    if (Math.sign(off(half)) === sign) low = half;
    else high = half;
  }
  return (low + high) / 2;
}
