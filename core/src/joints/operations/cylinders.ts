import type { Part } from '../../catalogue/part.js';
import { block } from '../../dictionary/kinds/block.js';
import { liner } from '../../dictionary/kinds/liner.js';
import { middle, SAME_WITHIN, shifted, type Interval } from '../../quantity/interval.js';
import { machined } from '../assembly.js';
import { cut, isDone, type Worked } from './operation.js';

/** Least wall left after boring, of iron. *Common practice, no source*: about an eighth of an inch. */
export const LEAST_WALL = 3.2;

/** Most that honing takes, by diameter; more is bored. *Common practice, no source.* */
export const MOST_HONED = 0.05;

const boreOf = (part: Part) => (part.kind === 'liner' ? liner.parameters.bore : block.parameters.bore);
const wallOf = (part: Part) => (part.kind === 'liner' ? liner.parameters.wall : block.parameters.wall);

/** Wall that a liner needs after boring: it is backed by the block or stiff by itself. *Common practice, no source.* */
const LEAST_LINER_WALL = 2;

/**
 * Bores the cylinders of a block, or a liner, out to new limits. The wall gets thinner by half of what is taken.
 * Refused where the wall left would be too thin, and not answered where the wall was never measured.
 */
export function boreCylinders(part: Part, to: Interval): Worked {
  const [bore, wall] = [boreOf(part), wallOf(part)];
  const now = part.values[bore.id]?.interval;
  if (!now) return { refused: 'The bore is not known.', unknown: bore.id };
  const thick = part.values[wall.id]?.interval;
  if (!thick) return { refused: 'The wall was never measured.', unknown: wall.id };
  const least = part.kind === 'liner' ? LEAST_LINER_WALL : LEAST_WALL;
  const left = shifted(thick, -(middle(to) - middle(now)) / 2);
  if (left.low < least - SAME_WITHIN) return { refused: 'The wall left would be too thin.' };
  const bored = cut(part, bore, to, { way: 'larger', most: Infinity, tooFar: '' });
  return isDone(bored) ? { part: machined(bored.part, wall, left) } : bored;
}

/** Hones the cylinders larger by `by` of diameter. Refused past what a hone takes. */
export function honeCylinders(part: Part, by: number): Worked {
  const bore = boreOf(part);
  const now = part.values[bore.id]?.interval;
  if (!now) return { refused: 'The bore is not known.', unknown: bore.id };
  if (by < 0) return { refused: 'A hone makes bores larger only.' };
  if (by > MOST_HONED) return { refused: 'So much is bored, not honed.' };
  return { part: machined(part, bore, shifted(now, by)) };
}

/** Wall of a dry sleeve that brings a bore back. *Common practice, no source*: about 3/32 inch. */
export const SLEEVE_WALL = 2.4;

/** Bores the cylinders out for dry sleeves and finishes those to `to`. Refused where the wall does not bear the larger hole. */
export function sleeveCylinders(part: Part, to: Interval): Worked {
  const now = part.values[block.parameters.bore.id]?.interval;
  if (!now) return { refused: 'The bore is not known.', unknown: block.parameters.bore.id };
  const hole = middle(to) + 2 * SLEEVE_WALL;
  const opened = boreCylinders(part, { low: Math.max(hole - 0.01, now.high), high: Math.max(hole + 0.01, now.high + 0.02) });
  return isDone(opened) ? { part: machined(opened.part, block.parameters.bore, to) } : opened;
}
