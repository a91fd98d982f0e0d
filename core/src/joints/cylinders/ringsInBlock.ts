import { block } from '../../dictionary/kinds/block.js';
import type { Joint } from '../check.js';
import { endGap } from './endGap.js';

/** Ring ends must not meet when hot, nor stand so far apart that they leak: the bore decides. */
export const ringsInBlock: Joint = {
  id: 'ringsInBlock',
  name: 'Rings in the bore',
  kinds: ['block', 'rings'],
  checks: [endGap(block.parameters.bore)],
};
