import { cam } from '../../dictionary/kinds/cam.js';
import { lifter } from '../../dictionary/kinds/lifter.js';
import { ROLLER_LIFTERS } from '../../dictionary/options.js';
import { WORK_ALWAYS_HELPS, type Joint } from '../check.js';
import { work } from '../outcome.js';
import { sameLook } from '../shapes/same.js';

/** A lobe is ground for one form of lifter, flat or roller; run on the other, both are scrap within the hour. */
export const camOnLifters: Joint = {
  id: 'camOnLifters',
  name: 'Cam and lifters',
  kinds: ['cam', 'lifter'],
  checks: [
    sameLook({
      id: 'lifterForm',
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Lifter on the lobe',
      of: cam.features.lifter,
      as: lifter.features.form,
      otherwise: ({ mine, theirs }) => [
        ROLLER_LIFTERS.includes(mine) === ROLLER_LIFTERS.includes(theirs)
          ? 'The ramps of this cam are ground for other lifters: they would clatter or pump up.'
          : 'A roller and a flat lifter want different lobes and different iron: the lobe would be wiped off.',
      ],
      mend: () => [
        work({
          steps: ['lifters'],
          says: ['Take the lifters that the cam is ground for, new, with the pushrods and springs they need.'],
        }),
      ],
    }),
  ],
};
