import { block } from '../../dictionary/kinds/block.js';
import { frontCover } from '../../dictionary/kinds/frontCover.js';
import { middle, minus, shifted } from '../../quantity/interval.js';
import { sentence, value } from '../../quantity/sentence.js';
import { ends, limitOf } from '../../thumb/index.js';
import { machined } from '../assembly.js';
import type { Joint } from '../check.js';
import { work } from '../outcome.js';
import { samePattern } from '../shapes/same.js';
import { usually, within } from '../shapes/within.js';

/** A front cover closes on the face of the block and ends at the pan rail: bolts, dowels and height. */
export const coverOnBlock: Joint = {
  id: 'coverOnBlock',
  name: 'Front cover',
  kinds: ['block', 'frontCover'],
  checks: [
    samePattern({
      id: 'coverBolts',
      name: 'Bolts and dowels',
      of: frontCover.interfaces.frontCover,
      as: block.interfaces.frontCover,
    }),
    within({
      id: 'coverHeight',
      name: 'Height of the cover',
      of: { cover: frontCover.parameters.height, face: block.parameters['frontFace.height'] },
      found: ({ cover, face }) => minus(cover, face),
      required: usually(ends.coverHeight),
      fits: () => ['The cover ends flush with the pan rail.'],
      subject: 'The cover over the face',
      tooLittle: 'it is short at the pan rail and leaks',
      tooMuch: 'it stands over the pan rail and leaks',
      mend: (assembly, { found, sizes: { face } }) => {
        const by = middle(found);
        if (!assembly.parts.block || Math.abs(by) > limitOf(ends.coverDressed, assembly.rules)) return [];
        return [
          work({
            steps: ['dressFace'],
            says:
              by < 0
                ? sentence`Dress the pan rail down by ${value(-by)} to meet the cover, with the crankcase closed against the dust.`
                : sentence`Dress ${value(by)} off the lower edge of the cover.`,
            parts:
              by < 0 ? [machined(assembly.parts.block, block.parameters['frontFace.height'], shifted(face, by))] : [],
          }),
        ];
      },
    }),
  ],
};
