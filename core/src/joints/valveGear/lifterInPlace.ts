import { lifter } from '../../dictionary/kinds/lifter.js';
import { minus } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { valveGear } from '../../thumb/index.js';
import { lookOf } from '../assembly.js';
import { WORK_ALWAYS_HELPS, REPLACED, type Joint } from '../check.js';
import { mended, missing, said, work } from '../outcome.js';
import { sameSize } from '../shapes/sizes.js';
import { before, usually, within } from '../shapes/within.js';
import { HYDRAULIC_LIFTERS } from '../../dictionary/options.js';

/** Whether a form of lifter is hydraulic. */
const isHydraulic = (form: string): boolean => HYDRAULIC_LIFTERS.includes(form);

/** Lifters in place of others: the pushrods stay. */
export const lifterInPlace: Joint = {
  id: 'lifterInPlace',
  name: 'In place of the lifters',
  kinds: ['lifter'],
  inPlaceOf: 'lifter',
  checks: [
    sameSize({
      id: 'seatHeight',
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Height of the pushrod seat',
      of: lifter.parameters.seatHeight,
      play: valveGear.seatHeight,
      mend: (_assembly, { found, required }) => [
        work({
          steps: ['pushrods'],
          says: sentence`Take pushrods for a seat at ${band(found)} instead of ${band(required)}, and set the preload anew.`,
        }),
      ],
    }),
    within({
      id: 'preload',
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Preload',
      of: { mine: lifter.parameters.preload, was: before(lifter.parameters.preload) },
      also: [lifter.features.form.id, REPLACED + lifter.features.form.id],
      unless: (assembly) => {
        const [mine, was] = [
          lookOf(assembly, lifter.features.form),
          lookOf(assembly, lifter.features.form, 'replaced'),
        ];
        if (mine === undefined || was === undefined) return missing([lifter.features.form], 'count');
        if (isHydraulic(mine) !== isHydraulic(was))
          return mended(
            said('doesNotFit', [
              'Hydraulic lifters run with preload and solid ones with lash: the adjustment is another.',
            ]),
            [
              work({
                steps: ['pushrods'],
                says: ['Take pushrods of the other length, and rockers that can be set to lash or preload.'],
              }),
            ],
          );
        return isHydraulic(mine) ? undefined : said('fits', ['Solid lifters are set with lash, as the old ones were.']);
      },
      found: ({ mine, was }) => minus(mine, was),
      required: usually(valveGear.preload),
      fits: ({ sizes: { mine } }) => sentence`Set them with ${band(mine)} of preload.`,
      subject: 'The preload over that of the old ones',
      tooLittle: 'the plunger would hang at its top and clatter',
      tooMuch: 'the plunger would bottom and hold the valve open',
      mend: (_assembly, { sizes: { mine } }) => [
        work({ steps: ['pushrods'], says: sentence`Take pushrods that give ${band(mine)} of preload.` }),
      ],
    }),
  ],
};
