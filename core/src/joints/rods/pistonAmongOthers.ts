import { piston } from '../../dictionary/kinds/piston.js';
import { cylinders } from '../../thumb/index.js';
import type { Joint } from '../check.js';
import { alike, same, weight } from './amongOthers.js';

/** One piston among the others of an engine: mixed types are refused. */
export const pistonAmongOthers: Joint = {
  id: 'pistonAmongOthers',
  name: 'Among the other pistons',
  kinds: ['piston'],
  inPlaceOf: 'piston',
  checks: [
    alike('sameRatio', 'Ratio', piston.parameters.ratio, cylinders.sameRatio, 'mixed ratios in one engine are refused'),
    alike(
      'sameHeight',
      'Compression height',
      piston.parameters.compressionHeight,
      cylinders.sameHeight,
      'one cylinder would have another ratio',
    ),
    alike('sameBore', 'Bore', piston.parameters.bore, cylinders.sameBore, 'it is another bore'),
    alike('samePin', 'Pin', piston.parameters['pin.diameter'], cylinders.samePin, 'it takes another pin'),
    same(
      'sameCrown',
      'Crown',
      piston.features.crown,
      'Another crown burns otherwise: all pistons of one engine are of one type.',
    ),
    weight('pistonWeight', piston.parameters.mass),
  ],
};
