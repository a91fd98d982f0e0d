import type { Part } from '../../catalogue/part.js';
import { block } from '../../dictionary/kinds/block.js';
import { SAME_WITHIN, type Interval } from '../../quantity/interval.js';
import { machined } from '../check.js';
import type { Worked } from './operation.js';

export const LINE_BORE_CAUTION = 'Line boring cannot be undone, and moves the crank toward the cam when caps are cut: check the timing drive afterwards.';

/** How much may be taken from main housings when nothing says. *Common practice, no source.* */
const USUAL_MOST = 0.5;

/** Bores the main housings out to new limits. Refused past the greatest bore, or when they would have to shrink. */
export function lineBore(part: Part, to: Interval): Worked {
  const housing = block.parameters['mainHousing.diameter'];
  const now = part.values[housing.id]?.interval;
  if (!now) return { refused: 'The main housing is not known.' };
  if (to.low < now.high - SAME_WITHIN) return { refused: 'The housing is already as large.' };
  const greatest = part.values[block.parameters['mainHousing.greatestBore'].id]?.interval.low ?? now.low + USUAL_MOST;
  if (to.high > greatest + SAME_WITHIN) return { refused: 'The webs and caps have not the meat for it.' };
  return { part: machined(part, housing, to) };
}
