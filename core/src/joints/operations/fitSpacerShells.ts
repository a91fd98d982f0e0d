import type { Part } from '../../catalogue/part.js';
import { block } from '../../dictionary/kinds/block.js';
import { mainShell } from '../../dictionary/kinds/mainShell.js';
import { apart, minus, scaled } from '../../quantity/interval.js';
import { machined } from '../check.js';
import type { Worked } from './operation.js';

export const SPACER_CAUTION = 'Spacer shells must be pinned, their oil holes must meet those of block and shell, and the crush be checked with both fitted.';

/** Lines the main housings with spacer shells, so that they take shells of the next smaller size. Nothing is cut. */
export function fitSpacerShells(part: Part, spacer: Part): Worked {
  const housing = block.parameters['mainHousing.diameter'];
  const now = part.values[housing.id]?.interval;
  const madeFor = spacer.values[mainShell.parameters['housing.diameter'].id]?.interval;
  const wall = spacer.values[mainShell.parameters.wall.id]?.interval;
  if (!now || !madeFor || !wall) return { refused: 'The housing, or the spacer, is not known.' };
  if (apart(now, madeFor)) return { refused: 'The spacer is made for another housing.' };
  return { part: machined(part, housing, minus(now, scaled(wall, 2))) };
}
