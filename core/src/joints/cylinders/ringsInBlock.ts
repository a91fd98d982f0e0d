import { block } from '../../dictionary/kinds/block.js';
import { liner } from '../../dictionary/kinds/liner.js';
import type { Joint } from '../check.js';
import { endGap } from './endGap.js';

/**
 * Ring ends must not meet when hot, nor stand so far apart that they leak: the bore decides. Where there are liners the
 * rings run in those.
 */
export const ringsInBlock: Joint = {
  id: 'ringsInBlock',
  name: 'Rings in the bore',
  kinds: ['block', 'rings'],
  applies: ({ parts }) => parts.liner === undefined,
  appliesBy: [liner.parameters.bore.id],
  checks: [endGap(block.parameters.bore)],
};
