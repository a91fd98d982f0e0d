import { rod } from '../../dictionary/kinds/rod.js';
import { rods } from '../../thumb/index.js';
import type { Joint } from '../check.js';
import { alike, same, weight } from './amongOthers.js';

/** One rod among the others of an engine. */
export const rodAmongOthers: Joint = {
  id: 'rodAmongOthers',
  name: 'Among the other rods',
  kinds: ['rod'],
  inPlaceOf: 'rod',
  checks: [
    alike('sameLength', 'Length', rod.parameters.length, rods.sameLength, 'one piston would come elsewhere'),
    alike('sameBigEnd', 'Big end', rod.parameters['bigEnd.bore'], rods.sameBigEnd, 'it takes other shells'),
    alike('sameSmallEnd', 'Small end', rod.parameters['smallEnd.bore'], rods.sameSmallEnd, 'it takes another pin'),
    same(
      'sameCaps',
      'Caps',
      rod.features.capSplit,
      'Fractured and machined caps take different shells: they are not mixed.',
    ),
    same('sameLocation', 'Located at', rod.features.located, 'The others are located at the other end.'),
    weight('rodWeight', rod.parameters.mass),
  ],
};
