import { thrustWasher } from '../../dictionary/kinds/thrustWasher.js';
import { middle, minus } from '../../quantity/interval.js';
import { sentence, value } from '../../quantity/sentence.js';
import { ends, limitOf } from '../../thumb/index.js';
import type { Joint } from '../check.js';
import { work } from '../outcome.js';
import { sameLook } from '../shapes/same.js';
import { sameSize } from '../shapes/sizes.js';

const { thickness, outside, inside } = thrustWasher.parameters;
const { form, tab } = thrustWasher.features;

/** A thrust washer in place of another: the recess and the crank stay, and the end float goes by its thickness. */
export const thrustWasherInPlace: Joint = {
  id: 'thrustWasherInPlace',
  name: 'In place of the thrust washer',
  kinds: ['thrustWasher'],
  inPlaceOf: 'thrustWasher',
  checks: [
    sameSize({
      id: 'washerThickness',
      name: 'Thickness',
      of: thickness,
      play: ends.washerThickness,
      mend: ({ rules }, { found, required }) => {
        const more = middle(minus(found, required));
        return more > 0 && more <= limitOf(ends.thrustGround, rules)
          ? [
              work({
                steps: ['grindThrust'],
                says: sentence`Grind the thrust faces of the crank for washers ${value(more, 'length')} thicker, until the end float is as it should be; where they are worn by as much, they need no grinding.`,
              }),
            ]
          : [];
      },
    }),
    sameSize({ id: 'washerOutside', name: 'Outside in its recess', of: outside, play: ends.washerOutside }),
    sameSize({ id: 'washerInside', name: 'Inside over the journal', of: inside, play: ends.washerInside }),
    sameLook({
      id: 'washerForm',
      name: 'Halves or a whole ring',
      of: form,
      as: form,
      asOf: 'replaced',
      otherwise: () => ['Halves have their places in block and cap; a whole ring has to go over the end of the crank.'],
    }),
    sameLook({
      id: 'washerTab',
      name: 'Tab',
      of: tab,
      as: tab,
      asOf: 'replaced',
      otherwise: ({ mine }) =>
        mine === 'present'
          ? ['Its tab has no notch to lie in, and holds the washer off its seat.']
          : ['Nothing keeps it from turning, and it wears into the case.'],
    }),
  ],
};
