import { head } from '../../dictionary/kinds/head.js';
import { valveSpring } from '../../dictionary/kinds/valveSpring.js';
import { middle, minus, shifted } from '../../quantity/interval.js';
import { sentence, value } from '../../quantity/sentence.js';
import { limitOf, valveGear } from '../../thumb/index.js';
import { machined } from '../assembly.js';
import type { Joint } from '../check.js';
import { work } from '../outcome.js';
import { usually, within } from '../shapes/within.js';

const { 'spring.installedHeight': installed } = head.parameters;

/**
 * Between the cut of the seats and the keepers a spring stands at one height: shims make it less, seats cut deeper
 * more.
 */
export const springInHead: Joint = {
  id: 'springInHead',
  name: 'Springs in the head',
  kinds: ['head', 'valveSpring'],
  checks: [
    within({
      id: 'installedHeight',
      name: 'Installed height',
      of: { room: installed, wanted: valveSpring.parameters.installedHeight },
      found: ({ room, wanted }) => minus(room, wanted),
      required: usually(valveGear.springHeight),
      subject: 'The height over that it is rated for',
      tooLittle: 'the spring is squeezed and may bind',
      tooMuch: 'it is slack and lets the valve float',
      mend: (assembly, { found, sizes: { room } }) => {
        const { rules } = assembly;
        const part = assembly.parts.head;
        if (!part) return [];
        const by = middle(found);
        const then = [machined(part, installed, shifted(room, -by))];
        if (by > 0)
          return by <= limitOf(valveGear.springShimmed, rules)
            ? [work({ steps: ['shimSprings'], says: sentence`Shim the springs by ${value(by)}.`, parts: then })]
            : [];
        return -by <= limitOf(valveGear.springSeatCut, rules)
          ? [
              work({
                steps: ['cutSpringSeats'],
                says: sentence`Cut the spring seats ${value(-by)} deeper, where there is no water under them.`,
                parts: then,
              }),
            ]
          : [];
      },
      caution:
        'The speed a spring is trusted to is somebody’s experience, not a guarantee. Compressed springs fly: guard the eyes.',
    }),
  ],
};
