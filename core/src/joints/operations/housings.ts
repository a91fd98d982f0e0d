import type { Part } from '../../catalogue/part.js';
import { block } from '../../dictionary/kinds/block.js';
import { mainShell } from '../../dictionary/kinds/mainShell.js';
import { apart, minus, SAME_WITHIN, scaled, type Interval } from '../../quantity/interval.js';
import { bearings, limitOf, type HasFigures } from '../../thumb/index.js';
import { machined } from '../assembly.js';
import type { Worked } from './operation.js';

const housing = block.parameters['mainHousing.diameter'];
const greatestBore = block.parameters['mainHousing.greatestBore'];

/**
 * Bores the main housings out to new limits. Refused past the greatest bore, or when they would have to shrink; where
 * no greatest bore is known it is not said whether the webs and caps bear it.
 */
export function lineBore(part: Part, to: Interval, rules: HasFigures = {}): Worked {
  const now = part.values[housing.id]?.interval;
  if (!now) return { refused: 'The main housing is not known.', unknown: housing.id };
  if (to.low < now.high - SAME_WITHIN) return { refused: 'The housing is already as large.' };
  if (to.high - now.low > limitOf(bearings.lineBored, rules))
    return { refused: 'So much is another block, not another housing.' };
  const greatest = part.values[greatestBore.id]?.interval.low;
  if (greatest === undefined)
    return { refused: 'The greatest bore of the housings is not known.', unknown: greatestBore.id };
  if (to.high > greatest + SAME_WITHIN) return { refused: 'The webs and caps have not the meat for it.' };
  return { part: machined(part, housing, to) };
}

/** Lines the main housings with spacer shells, so that they take shells of the next smaller size. Nothing is cut. */
export function fitSpacerShells(part: Part, spacer: Part): Worked {
  const now = part.values[housing.id]?.interval;
  const madeFor = spacer.values[mainShell.parameters['housing.diameter'].id]?.interval;
  const wall = spacer.values[mainShell.parameters.wall.id]?.interval;
  if (!now || !madeFor || !wall) return { refused: 'The housing, or the spacer, is not known.' };
  if (apart(now, madeFor)) return { refused: 'The spacer is made for another housing.' };
  return { part: machined(part, housing, minus(now, scaled(wall, 2))) };
}
