import { block } from '../../dictionary/kinds/block.js';
import type { Joint } from '../check.js';
import { stays } from './staysAsItWas.js';

/** A block in place of another: the machine stays. */
export const blockInPlace: Joint = {
  id: 'blockInPlace',
  name: 'In place of the block',
  kinds: ['block'],
  inPlaceOf: 'block',
  checks: [
    stays('mounts', 'Engine mounts', block.interfaces.mounts, 'Take or make the mounts that belong to it'),
    stays(
      'bellhousing',
      'Bellhousing',
      block.interfaces.bellhousing,
      'Take the bellhousing, or an adapter plate, that belongs to it',
    ),
    stays('starter', 'Starter', block.interfaces.starter, 'Take the starter that belongs to it'),
  ],
};
