import { block } from '../../dictionary/kinds/block.js';
import type { Joint } from '../check.js';
import { endGap } from './endGap.js';

export const ringsInBlock: Joint = {
  id: 'ringsInBlock',
  name: 'Rings in the bore',
  kinds: ['block', 'rings'],
  checks: [endGap(block.parameters.bore)],
};
