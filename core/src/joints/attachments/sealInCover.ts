import { frontCover } from '../../dictionary/kinds/frontCover.js';
import { seal } from '../../dictionary/kinds/seal.js';
import { ends } from '../../thumb/index.js';
import type { Joint } from '../check.js';
import { sameSize } from '../shapes/sizes.js';

/** A seal is pressed into the cover: too loose it turns and leaks, too tight it buckles. */
export const sealInCover: Joint = {
  id: 'sealInCover',
  name: 'Seal in the cover',
  kinds: ['frontCover', 'seal'],
  slots: { seal: ['frontSeal'] },
  checks: [
    sameSize({
      id: 'sealHousing',
      name: 'Seal in its bore',
      of: seal.parameters.housing,
      as: frontCover.parameters['seal.bore'],
      play: ends.sealBore,
    }),
  ],
};
