import { block } from '../../dictionary/kinds/block.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { cylinders } from '../../thumb/index.js';
import { lookOf } from '../assembly.js';
import type { JointCheck, Joint } from '../check.js';
import { said, seeing, work } from '../outcome.js';
import { implied } from '../shapes/implied.js';
import { roundAndParallel } from '../shapes/roundAndParallel.js';
import { skirtClearance, trueUpCylinders } from './skirtClearance.js';

/** A crown with a direction goes in one way, a handed piston into its own bank only. */
const direction: JointCheck = {
  id: 'direction',
  confirming: true,
  name: 'Which way round',
  reads: [piston.features.orientation.id, piston.features.direction.id],
  verdicts: ['fits', 'fitsWithWork', 'cannotTell'],
  judge: (assembly) =>
    seeing(assembly, [piston.features.orientation, piston.features.direction], (hand, mark) => {
      const facing =
        mark === 'none'
          ? 'It carries no direction mark.'
          : `Its ${mark} faces the front of the engine; the assembly notes must carry it.`;
      if (hand === 'any') return said('fits', [`Goes in any cylinder. ${facing}`]);
      return said('fitsWithWork', [`Made for the ${hand} bank only. ${facing}`], {
        work: [
          work({
            steps: ['takeAlong'],
            says: [`Take the other hand as well, for the ${hand === 'left' ? 'right' : 'left'} bank.`],
          }),
        ],
      });
    }),
};

/** Piston and the cylinders of the block, or the liners that are in it. */
export const pistonInBlock: Joint = {
  id: 'pistonInBlock',
  name: 'Cylinders',
  kinds: ['block', 'piston'],
  checks: [
    skirtClearance(block.parameters.bore, block.parameters.wall, (assembly) =>
      assembly.parts.liner && lookOf(assembly, block.features.cylinderWall) === 'wetLiner'
        ? said('fits', ['The piston runs in the liner.'])
        : undefined,
    ),
    roundAndParallel({
      id: 'cylinderRound',
      name: 'Cylinders round and parallel',
      of: block.parameters.bore,
      most: cylinders,
      also: [
        block.parameters.wall.id,
        block.features.cylinderWall.id,
        block.features.boreSurface.id,
        block.features.material.id,
      ],
      mend: trueUpCylinders,
    }),
    direction,
    implied({
      id: 'squirters',
      confirming: true,
      name: 'Oil to the cooling gallery',
      of: piston.features.gallery,
      when: ['present'],
      needs: block.features.squirters,
      be: ['present'],
      notAsked: 'nothing has to squirt.',
      met: 'the block has squirters for it.',
      unmet: 'the block has no squirters, and the crown would burn.',
    }),
  ],
};
