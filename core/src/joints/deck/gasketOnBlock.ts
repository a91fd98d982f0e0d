import { block } from '../../dictionary/kinds/block.js';
import { headGasket } from '../../dictionary/kinds/headGasket.js';
import { minus } from '../../quantity/interval.js';
import { deck } from '../../thumb/index.js';
import type { Joint } from '../check.js';
import { samePattern } from '../shapes/same.js';
import { usually, within } from '../shapes/within.js';

const bolts = block.interfaces.headBolts;

/**
 * A gasket must clear the bore, leave the bolts through, and cover or open the coolant holes of the block as the route
 * wants.
 */
export const gasketOnBlock: Joint = {
  id: 'gasketOnBlock',
  name: 'Gasket on the block',
  kinds: ['block', 'headGasket'],
  checks: [
    samePattern({ id: 'gasketBolts', name: 'Bolt holes', of: headGasket.interfaces.headBolts, as: bolts }),
    within({
      id: 'gasketBore',
      name: 'Bore of the gasket',
      of: { gasket: headGasket.parameters.bore, bore: block.parameters.bore },
      found: ({ gasket, bore }) => minus(gasket, bore),
      required: usually(deck.gasketOverBore),
      subject: 'The gasket over the bore',
      tooLittle: 'it would stand into the bore and burn',
      tooMuch: 'it leaves a pocket, and the ring of fire lies elsewhere',
    }),
    samePattern({
      id: 'gasketCoolant',
      name: 'Coolant holes',
      of: headGasket.interfaces.coolant,
      as: block.interfaces.coolant,
    }),
  ],
};
