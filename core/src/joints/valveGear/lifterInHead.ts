import { head } from '../../dictionary/kinds/head.js';
import type { Joint } from '../check.js';
import { CAM_BEARINGS, valveGearIn } from './camJournals.js';
import { bodyInBore, deactivating } from './lifterBores.js';

/** Lifters of a head with its cam above: loose they knock, tight they seize; one that deactivates wants its own oil. */
export const lifterInHead: Joint = {
  id: 'lifterInHead',
  name: 'Lifters in the head',
  kinds: ['head', 'lifter'],
  applies: valveGearIn('head'),
  appliesBy: CAM_BEARINGS,
  checks: [bodyInBore(head.parameters['lifterBore.diameter']), deactivating(head.features.deactivation)],
};
