import { head } from '../../dictionary/kinds/head.js';
import { headGasket } from '../../dictionary/kinds/headGasket.js';
import type { Joint } from '../check.js';
import { samePattern } from '../shapes/same.js';

/** Bolts and coolant holes, seen from the head: a gasket may suit the block and shut a port of the head. */
export const gasketOnHead: Joint = {
  id: 'gasketOnHead',
  name: 'Gasket on the head',
  kinds: ['head', 'headGasket'],
  checks: [
    samePattern({
      id: 'gasketHeadBolts',
      name: 'Bolt holes',
      of: headGasket.interfaces.headBolts,
      as: head.interfaces.headBolts,
    }),
    samePattern({
      id: 'gasketHeadCoolant',
      name: 'Coolant holes',
      of: headGasket.interfaces.coolant,
      as: head.interfaces.coolantPorts,
    }),
  ],
};
