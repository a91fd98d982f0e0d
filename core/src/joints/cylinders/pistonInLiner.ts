import { liner } from '../../dictionary/kinds/liner.js';
import type { Joint } from '../check.js';
import { skirtClearance } from './skirtClearance.js';

/** The same as in a block, where the bore is that of a liner. */
export const pistonInLiner: Joint = {
  id: 'pistonInLiner',
  name: 'Piston in the liner',
  kinds: ['liner', 'piston'],
  checks: [skirtClearance(liner.parameters.bore, liner.parameters.wall)],
};
