import { block } from '../../dictionary/kinds/block.js';
import { cam } from '../../dictionary/kinds/cam.js';
import type { Joint } from '../check.js';
import { sameCount } from '../shapes/same.js';
import { CAM_BEARINGS, valveGearIn, camJournal } from './camJournals.js';

const journals = cam.parameters;

/**
 * A cam in the block has its bearings pressed in from the ends: their number, and the journals at both ends, must be
 * alike.
 */
export const camInBlock: Joint = {
  id: 'camInBlock',
  name: 'Cam in the block',
  kinds: ['block', 'cam'],
  applies: valveGearIn('block'),
  appliesBy: CAM_BEARINGS,
  checks: [
    sameCount({ id: 'camBearings', name: 'Cam bearings', of: cam.features.bearings, as: block.features.camBearings }),
    camJournal('camFront', 'Front cam journal', block.parameters['camBore.diameter'], journals['journal.front']),
    camJournal('camRear', 'Rear cam journal', block.parameters['camBore.rear'], journals['journal.rear']),
  ],
};
