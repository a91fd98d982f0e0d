import { valve } from '../../dictionary/kinds/valve.js';
import { middle, minus } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { limitOf, valveGear } from '../../thumb/index.js';
import { WORK_ALWAYS_HELPS, type Joint } from '../check.js';
import { work } from '../outcome.js';
import { sameLook, samePattern } from '../shapes/same.js';
import { sameSize } from '../shapes/sizes.js';

/** A valve in place of another: seat, spring and rocker stay. */
export const valveInPlace: Joint = {
  id: 'valveInPlace',
  name: 'In place of the valve',
  kinds: ['valve'],
  inPlaceOf: 'valve',
  checks: [
    sameLook({
      id: 'duty',
      name: 'Intake or exhaust',
      of: valve.features.duty,
      as: valve.features.duty,
      asOf: 'replaced',
      otherwise: ({ mine }) => [
        mine === 'intake'
          ? 'An intake valve burns in the exhaust: its steel is not made for that heat.'
          : 'An exhaust valve in the intake: its head, seat and spring are those of the other side.',
      ],
    }),
    sameSize({
      id: 'valveLength',
      name: 'Length',
      of: valve.parameters.length,
      play: valveGear.valveLength,
      mend: (assembly, { found, required }) =>
        Math.abs(middle(found) - middle(required)) > limitOf(valveGear.valveLengthMade, assembly.rules)
          ? []
          : found.low > required.high
            ? [
                work({
                  steps: ['shimSprings'],
                  says: sentence`Shim the springs by ${band(minus(found, required))} and set the rockers anew, or take shorter pushrods.`,
                }),
              ]
            : [
                work({
                  steps: ['pushrods'],
                  says: ['Cap the stems, or take longer pushrods, and check the installed height of the springs.'],
                }),
              ],
    }),
    samePattern({
      id: 'keepersKept',
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Keepers',
      of: valve.interfaces.keepers,
      as: valve.interfaces.keepers,
      asOf: 'replaced',
      mend: (_assembly, { mine }) => [
        work({ steps: ['takeAlong'], says: [`Take retainers and keepers for ${mine}.`] }),
      ],
    }),
  ],
};
