import { rod } from '../../dictionary/kinds/rod.js';
import { rodShell } from '../../dictionary/kinds/rodShell.js';
import { bearings } from '../../thumb/index.js';
import type { Joint } from '../check.js';
import { implied } from '../shapes/implied.js';
import { sameLook } from '../shapes/same.js';
import { sameSize } from '../shapes/sizes.js';

const { 'bigEnd.bore': bigEnd } = rod.parameters;

/** Shells in the rod, where they are chosen and not taken from stock. */
export const shellsInRod: Joint = {
  id: 'shellsInRod',
  name: 'Shells in the rod',
  kinds: ['rod', 'rodShell'],
  checks: [
    sameLook({
      id: 'capForm',
      name: 'Made for the cap',
      of: rodShell.features.forCap,
      as: rod.features.capSplit,
      otherwise: ({ mine, theirs }) => [
        `Shells for ${mine} caps in a rod with ${theirs} ones: the wrong shells destroy it.`,
      ],
    }),
    sameSize({
      id: 'shellHousing',
      name: 'Big end housing',
      of: rodShell.parameters['housing.diameter'],
      as: bigEnd,
      play: bearings.shellHousing,
    }),
    implied({
      id: 'shellOil',
      name: 'Oil to the pin',
      of: rod.features.drilling,
      when: ['present'],
      needs: rodShell.features.oilHoles,
      be: ['1', '2', '3', '4'],
      notAsked: 'the shell needs no hole.',
      met: 'the shell lets the oil through.',
      unmet: 'the shell has no hole, and the pin would run dry.',
    }),
  ],
};
