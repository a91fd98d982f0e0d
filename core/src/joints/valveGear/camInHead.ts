import { cam } from '../../dictionary/kinds/cam.js';
import { head } from '../../dictionary/kinds/head.js';
import type { Joint } from '../check.js';
import { sameCount } from '../shapes/same.js';
import { CAM_BEARINGS, valveGearIn, camJournal } from './camJournals.js';

const journals = cam.parameters;

/** A cam in the head runs in the metal of the head or in its caps: there is no other bearing to put in. */
export const camInHead: Joint = {
  id: 'camInHead',
  name: 'Cam in the head',
  kinds: ['head', 'cam'],
  applies: valveGearIn('head'),
  appliesBy: CAM_BEARINGS,
  checks: [
    sameCount({
      id: 'headCamBearings',
      name: 'Cam bearings',
      of: cam.features.bearings,
      as: head.features.camBearings,
    }),
    camJournal('headCamFront', 'Cam journals', head.parameters['camBore.diameter'], journals['journal.front']),
  ],
};
