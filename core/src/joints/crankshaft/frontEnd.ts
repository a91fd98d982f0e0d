import { block } from '../../dictionary/kinds/block.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { band, sentence } from '../../quantity/sentence.js';
import { ends } from '../../thumb/index.js';
import { ALWAYS_MENDED, type Joint } from '../check.js';
import { work } from '../outcome.js';
import { sameLook } from '../shapes/same.js';
import { sameSize } from '../shapes/sizes.js';

/** What is pushed on the nose stays with the engine: gear and hub must be tight on it and be driven the same way. */
export const frontEnd: Joint = {
  id: 'frontEnd',
  name: 'Front end',
  kinds: ['block', 'crank'],
  checks: [
    sameSize({
      id: 'nose',
      verdicts: ALWAYS_MENDED,
      name: 'Nose',
      of: crank.parameters['nose.diameter'],
      as: block.parameters['front.nose'],
      play: ends.nose,
      mend: (_assembly, { found }) => [
        work({
          steps: ['gearWithCrank'],
          says: sentence`Take the timing gear and pulley hub that belong to a nose of ${band(found)}, and the front seal for that hub.`,
        }),
      ],
    }),
    sameLook({
      id: 'frontDrive',
      verdicts: ALWAYS_MENDED,
      name: 'Drive of the nose',
      of: crank.features.frontDrive,
      as: block.features.frontDrive,
      mend: () => [
        work({
          steps: ['gearWithCrank'],
          says: [
            'Take timing gear and pulley hub of this crank: key, friction face and spline do not take each other’s hub.',
          ],
        }),
      ],
    }),
  ],
};
