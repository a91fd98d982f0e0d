import { valveSpring } from '../../dictionary/kinds/valveSpring.js';
import { middle, minus } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { limitOf, valveGear } from '../../thumb/index.js';
import type { Joint } from '../check.js';
import { work } from '../outcome.js';
import { sameSize } from '../shapes/sizes.js';
import { before, noLess, within } from '../shapes/within.js';

/** A spring in place of another: what it bears and where it sits stays. */
export const springInPlace: Joint = {
  id: 'springInPlace',
  name: 'In place of the spring',
  kinds: ['valveSpring'],
  inPlaceOf: 'valveSpring',
  checks: [
    within({
      id: 'trustedSpeed',
      name: 'Speed it is trusted to',
      quantity: 'speed',
      of: { mine: valveSpring.parameters.trustedSpeed, was: before(valveSpring.parameters.trustedSpeed) },
      found: ({ mine, was }) => minus(mine, was),
      required: noLess(valveGear.springSpeed),
      fits: ({ sizes: { mine } }) => sentence`It is trusted to ${band(mine, 'speed')}, no less than the old one.`,
      subject: 'What it is trusted to over the old one',
      tooLittle: 'the valves would float before the engine is at its speed',
      tooMuch: 'there is more than enough',
      caution: 'The speed a spring is trusted to is somebody’s experience, not a guarantee.',
    }),
    sameSize({
      id: 'springSeat',
      name: 'Outside of the spring',
      of: valveSpring.parameters.outside,
      play: valveGear.springOutside,
      mend: (assembly, { found, required }) =>
        found.low > required.high &&
        middle(found) - middle(required) < limitOf(valveGear.springSeatWidened, assembly.rules)
          ? [
              work({
                steps: ['cutSpringSeats'],
                says: sentence`Cut the spring seats wider, to ${band(found)}, where there is no water beside them.`,
              }),
            ]
          : [],
    }),
  ],
};
