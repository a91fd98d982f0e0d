import { block } from '../../dictionary/kinds/block.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { minus } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { ends } from '../../thumb/index.js';
import { lookOf } from '../assembly.js';
import { WORK_ALWAYS_HELPS, type Joint } from '../check.js';
import { missing, said, work } from '../outcome.js';
import { sameLook } from '../shapes/same.js';
import { usually, within } from '../shapes/within.js';

const { 'nose.diameter': nose } = crank.parameters;
const { 'front.hubBore': hub } = block.parameters;

/** What is pushed on the nose stays with the engine: gear and hub must be tight on it and be driven the same way. */
export const frontEnd: Joint = {
  id: 'frontEnd',
  name: 'Front end',
  kinds: ['block', 'crank'],
  checks: [
    within({
      id: 'nose',
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Nose in its hub',
      of: { nose, hub },
      also: [block.features.frontDrive.id],
      unless: (assembly) => {
        const drive = lookOf(assembly, block.features.frontDrive);
        if (drive === undefined) return missing([block.features.frontDrive]);
        // What it needs to be on its taper, the drive of the nose says.
        return drive === 'taper'
          ? said('fits', ['A tapered hub draws up on the nose as far as it goes: no size over its bore is wanted.'])
          : undefined;
      },
      found: (sizes) => minus(sizes.nose, sizes.hub),
      required: (assembly) =>
        usually(lookOf(assembly, block.features.frontDrive) === 'key' ? ends.nose : ends.noseClamped)(assembly),
      fits: ({ found }) => sentence`The nose is ${band(found)} over the hub’s bore.`,
      subject: 'What the nose is over the hub’s bore',
      tooLittle: 'the hub is loose on it, frets and walks',
      tooMuch: 'the hub would have to be forced on, and splits',
      mend: (_assembly, { sizes }) => [
        work({
          steps: ['gearWithCrank'],
          says: sentence`Take the timing gear and pulley hub that belong to a nose of ${band(sizes.nose)}, and the front seal for that hub.`,
        }),
      ],
    }),
    sameLook({
      id: 'frontDrive',
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Drive of the nose',
      of: crank.features.frontDrive,
      as: block.features.frontDrive,
      mend: () => [
        work({
          steps: ['gearWithCrank'],
          says: [
            'Take timing gear and pulley hub of this crank: key, friction face, spline and taper do not take each other’s hub.',
          ],
        }),
      ],
    }),
  ],
};
