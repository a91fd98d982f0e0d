import type { Part } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { rod } from '../../dictionary/kinds/rod.js';
import { middle, width, type Interval } from '../../quantity/interval.js';
import { bandOf, limitOf, rods, type HasFigures } from '../../thumb/index.js';
import { machined } from '../assembly.js';
import { cut, type Worked } from './operation.js';

const {
  'bigEnd.bore': bigEnd,
  'bigEnd.width': bigWidth,
  'smallEnd.bore': smallEnd,
  'smallEnd.width': smallWidth,
  'smallEnd.housing': smallHousing,
} = rod.parameters;

/**
 * Cuts the cap and hones the big end to `to`. Fractured caps fit only as they broke, so they cannot be cut; a rod in
 * one piece has no cap.
 */
export function resizeBigEnd(part: Part, to: Interval, rules: HasFigures = {}): Worked {
  const split = part.looks[rod.features.capSplit.id]?.option;
  const now = part.values[bigEnd.id]?.interval;
  if (split === undefined) return { refused: 'How the cap is split is not known.', unknown: rod.features.capSplit.id };
  if (split !== 'machined')
    return {
      refused: split === 'fractured' ? 'Fractured caps cannot be resized.' : 'A rod in one piece cannot be resized.',
    };
  if (!now) return { refused: 'The big end is not known.', unknown: bigEnd.id };
  if (Math.abs(middle(to) - middle(now)) > limitOf(rods.resized, rules))
    return { refused: 'So much is not had by resizing.' };
  return { part: machined(part, bigEnd, to) };
}

const narrowed = (part: Part, parameter: Parameter, to: Interval, rules: HasFigures): Worked =>
  cut(part, parameter, to, {
    way: 'smaller',
    most: limitOf(rods.narrowed, rules),
    tooFar: 'So much off the side leaves too little bearing.',
  });

/** Faces the sides of the big end down to `to`. */
export const narrowRod = (part: Part, to: Interval, rules: HasFigures = {}): Worked =>
  narrowed(part, bigWidth, to, rules);

/** Faces the sides of the small end down to `to`. */
export const narrowSmallEnd = (part: Part, to: Interval, rules: HasFigures = {}): Worked =>
  narrowed(part, smallWidth, to, rules);

/**
 * Presses a bush into the small end and reams it to `to`: into the housing of the old bush, or into a plain end that
 * has the meat to be bored for one.
 */
export function bushSmallEnd(part: Part, to: Interval, rules: HasFigures = {}): Worked {
  const [now, housing] = [part.values[smallEnd.id]?.interval, part.values[smallHousing.id]?.interval];
  if (!now) return { refused: 'The small end is not known.', unknown: smallEnd.id };
  const form = part.looks[rod.features.smallEndForm.id]?.option;
  const plain = form === 'plain';
  if (form === undefined && !housing)
    return { refused: 'How the small end runs is not known.', unknown: rod.features.smallEndForm.id };
  if (!plain && !housing) {
    // However thick the bush is that is there, a new one cannot be thinner than bushes are.
    const { low, high } = bandOf(rods.bush, rules);
    if (to.high > now.high + 2 * (high - low)) return { refused: 'There is no room for a bush round so large a pin.' };
    return { refused: 'The small end without its bush is not known.', unknown: smallHousing.id };
  }
  const room = plain ? middle(now) + limitOf(rods.bushMeat, rules) : (housing?.low ?? 0);
  const wall = bandOf(rods.bush, rules);
  if (to.high > room - 2 * wall.low) return { refused: 'There is no room for a bush round so large a pin.' };
  if (to.low < room - 2 * wall.high) return { refused: 'No bush is so thick: the pin is of another size altogether.' };
  return { part: machined(part, smallEnd, to) };
}

/** Hones the small end out to `to`. */
export const openSmallEnd = (part: Part, to: Interval, rules: HasFigures = {}): Worked =>
  cut(part, smallEnd, to, {
    way: 'larger',
    most: limitOf(rods.opened, rules) + width(to),
    tooFar: 'So much out of the small end leaves it too thin.',
  });

/** Drills the beam from big end to pin. A fractured or cast rod is not drilled. */
export function drillRod(part: Part): Worked {
  const made = part.looks[rod.features.made.id]?.option;
  if (made === undefined) return { refused: 'How the rod is made is not known.', unknown: rod.features.made.id };
  if (made !== 'forged' && made !== 'billet')
    return { refused: 'Only forged rods, and those cut from billet, are drilled.' };
  return {
    part: { ...part, looks: { ...part.looks, [rod.features.drilling.id]: { option: 'present', source: 'machined' } } },
  };
}
