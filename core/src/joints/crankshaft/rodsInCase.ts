import { block } from '../../dictionary/kinds/block.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { rod } from '../../dictionary/kinds/rod.js';
import { minus, plus, scaled } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { ends } from '../../thumb/index.js';
import type { Joint } from '../check.js';
import { noLess, within } from '../shapes/within.js';

/** The rods as they swing through the case. */
export const rodsInCase: Joint = {
  id: 'rodsInCase',
  name: 'Rods in the crankcase',
  kinds: ['block', 'crank', 'rod'],
  checks: [
    within({
      id: 'rodSwing',
      name: 'Swing of the rod bolts',
      of: {
        room: block.parameters['crankcase.rodSwing'],
        stroke: crank.parameters.stroke,
        reach: rod.parameters['bigEnd.reach'],
      },
      found: ({ room, stroke, reach }) => minus(room, plus(scaled(stroke, 0.5), reach)),
      required: noLess(ends.caseRoom),
      fits: ({ found }) => sentence`The rod bolts pass the case with ${band(found)} of room.`,
      subject: 'The room for the rod bolts',
      tooLittle: 'they would strike the case',
      tooMuch: 'there is more than enough',
    }),
  ],
};
