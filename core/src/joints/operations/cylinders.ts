import type { Part } from '../../catalogue/part.js';
import { block } from '../../dictionary/kinds/block.js';
import { liner } from '../../dictionary/kinds/liner.js';
import { around, middle, SAME_WITHIN, shifted, type Interval } from '../../quantity/interval.js';
import { cylinders, limitOf, type HasFigures } from '../../thumb/index.js';
import { machined, machinedTo } from '../assembly.js';
import { isDone, notCut, type Worked } from './operation.js';

const boreOf = (part: Part) => (part.kind === 'liner' ? liner.parameters.bore : block.parameters.bore);
const wallOf = (part: Part) => (part.kind === 'liner' ? liner.parameters.wall : block.parameters.wall);

/**
 * Bores the cylinders of a block, or a liner, out to new limits. The wall gets thinner by half of what is taken.
 * Refused where the wall left would be too thin, and not answered where the wall was never measured but might do.
 */
export function boreCylinders(part: Part, to: Interval, rules: HasFigures = {}): Worked {
  const [bore, wall] = [boreOf(part), wallOf(part)];
  const now = part.values[bore.id]?.interval;
  if (!now) return { refused: 'The bore is not known.', unknown: bore.id };
  const thick = part.values[wall.id]?.interval;
  if (!thick)
    return middle(to) - middle(now) > limitOf(cylinders.bored, rules)
      ? { refused: 'No wall has so much to give.' }
      : { refused: 'The wall was never measured.', unknown: wall.id };
  const least = limitOf(part.kind === 'liner' ? cylinders.linerWall : cylinders.wall, rules);
  const left = shifted(thick, -(middle(to) - middle(now)) / 2);
  if (left.low < least - SAME_WITHIN) return { refused: 'The wall left would be too thin.' };
  return (
    notCut(part, bore, to, { way: 'larger', most: Infinity, tooFar: '' }) ?? {
      part: machinedTo(part, [
        [bore, to],
        [wall, left],
      ]),
    }
  );
}

/** Hones the cylinders larger by `by` of diameter. Refused past what a hone takes. */
export function honeCylinders(part: Part, by: number, rules: HasFigures = {}): Worked {
  const bore = boreOf(part);
  const now = part.values[bore.id]?.interval;
  if (!now) return { refused: 'The bore is not known.', unknown: bore.id };
  if (by < 0) return { refused: 'A hone makes bores larger only.' };
  if (by > limitOf(cylinders.honed, rules)) return { refused: 'So much is bored, not honed.' };
  return { part: machined(part, bore, shifted(now, by)) };
}

/**
 * Bores cylinders that are worn out of shape to the smallest of their oversizes at which they clean up. Refused where
 * none is large enough, or no oversizes are known.
 */
export function trueCylinders(part: Part, now: Interval, rules: HasFigures = {}): Worked {
  const bore = boreOf(part);
  const from = middle(part.standard[bore.id] ?? now);
  const to = [...(part.service[bore.id] ?? [])]
    .filter((step) => step > 0)
    .sort((a, b) => a - b)
    .map((step) => around(from + step, limitOf(cylinders.finishedWithin, rules)))
    .find((each) => each.low >= now.high);
  return to ? boreCylinders(part, to, rules) : { refused: 'They do not clean up at any oversize.' };
}

/**
 * Plates the cylinders anew, to a bore no smaller than what the plating may build up. The wall stays as it was.
 */
export function plateCylinders(part: Part, to: Interval, rules: HasFigures = {}): Worked {
  const bore = boreOf(part);
  const now = part.values[bore.id]?.interval;
  if (!now) return { refused: 'The bore is not known.', unknown: bore.id };
  if (now.high - to.low > limitOf(cylinders.plated, rules)) return { refused: 'So thick a plating does not hold.' };
  return { part: machined(part, bore, to) };
}

/**
 * Bores the cylinders out for dry sleeves and finishes those to `to`. Refused where the wall does not bear the larger
 * hole.
 */
export function sleeveCylinders(part: Part, to: Interval, rules: HasFigures = {}): Worked {
  const now = part.values[block.parameters.bore.id]?.interval;
  if (!now) return { refused: 'The bore is not known.', unknown: block.parameters.bore.id };
  const hole = middle(to) + 2 * limitOf(cylinders.sleeveWall, rules);
  const opened = boreCylinders(
    part,
    { low: Math.max(hole - 0.01, now.high), high: Math.max(hole + 0.01, now.high + 0.02) },
    rules,
  );
  return isDone(opened) ? { part: machined(opened.part, block.parameters.bore, to) } : opened;
}
