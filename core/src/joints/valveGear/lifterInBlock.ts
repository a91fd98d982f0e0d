import { block } from '../../dictionary/kinds/block.js';
import { lifter } from '../../dictionary/kinds/lifter.js';
import { lookOf, type Assembly } from '../assembly.js';
import { WORK_ALWAYS_HELPS, type Joint } from '../check.js';
import { said, work, type Outcome } from '../outcome.js';
import { implied } from '../shapes/implied.js';
import { CAM_BEARINGS, valveGearIn } from './camJournals.js';
import { bodyInBore, deactivating } from './lifterBores.js';
import { HYDRAULIC_LIFTERS } from '../../dictionary/options.js';

/** A block without cam bearings has no lifter bores either. */
const noBores = (assembly: Assembly): Outcome | undefined =>
  lookOf(assembly, block.features.camBearings) === '0'
    ? said('doesNotFit', ['The block has no cam, and no bores for lifters.'])
    : undefined;

/**
 * Lifters in the bores of a block: the play, the gallery that feeds them, and the pins that lock one that deactivates.
 */
export const lifterInBlock: Joint = {
  id: 'lifterInBlock',
  name: 'Lifters in the block',
  kinds: ['block', 'lifter'],
  applies: valveGearIn('block'),
  appliesBy: CAM_BEARINGS,
  checks: [
    bodyInBore(block.parameters['lifterBore.diameter'], noBores, [block.features.camBearings.id]),
    implied({
      id: 'lifterOil',
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Oil to the lifters',
      of: lifter.features.form,
      when: HYDRAULIC_LIFTERS,
      needs: block.features.lifterOil,
      be: ['present'],
      notAsked: 'it needs no oil from the block.',
      met: 'the block feeds it.',
      unmet: 'the block has no oil gallery for lifters.',
      mend: (assembly) =>
        assembly.parts.block
          ? [
              work({
                steps: ['feedLifters'],
                says: ['Drill a gallery along the lifter bores from the main oil way, where the casting allows.'],
                parts: [
                  {
                    ...assembly.parts.block,
                    looks: {
                      ...assembly.parts.block.looks,
                      [block.features.lifterOil.id]: { option: 'present', source: 'machined' },
                    },
                  },
                ],
              }),
            ]
          : [],
    }),
    deactivating(block.features.deactivation),
  ],
};
