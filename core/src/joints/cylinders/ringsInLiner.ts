import { liner } from '../../dictionary/kinds/liner.js';
import type { Joint } from '../check.js';
import { endGap } from './endGap.js';

/** The same as in a block, where the bore is that of a liner. */
export const ringsInLiner: Joint = {
  id: 'ringsInLiner',
  name: 'Rings in the liner',
  kinds: ['liner', 'rings'],
  checks: [endGap(liner.parameters.bore)],
};
