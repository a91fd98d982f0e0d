import { block } from '../../dictionary/kinds/block.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { headGasket } from '../../dictionary/kinds/headGasket.js';
import { middle, plus } from '../../quantity/interval.js';
import { sentence, value } from '../../quantity/sentence.js';
import { deck as figures, limitOf } from '../../thumb/index.js';
import type { Joint } from '../check.js';
import { work } from '../outcome.js';
import { noLess, within } from '../shapes/within.js';
import { crownBelowDeck, STACK } from './crownHeight.js';
import { heightWork } from './crownHeightWork.js';

const { thickness } = headGasket.parameters;

/** The same under a gasket: the squish. */
export const squish: Joint = {
  id: 'squish',
  name: 'Squish',
  kinds: ['block', 'crank', 'rod', 'piston', 'headGasket'],
  checks: [
    within({
      id: 'squish',
      name: 'Room over the crown',
      of: { ...STACK, gasket: thickness },
      also: [crank.parameters['crankpin.diameter'].id, block.parameters['deckHeight.least'].id],
      found: (sizes) => plus(crownBelowDeck(sizes), sizes.gasket),
      required: noLess(figures.squish),
      subject: 'The room over the crown',
      tooLittle: 'the piston would touch the head when it runs',
      tooMuch: 'there is more than enough',
      mend: (assembly, { found, required }) => {
        const lacking = required.low - found.low;
        return [
          ...heightWork(assembly, found, middle(found) + lacking),
          ...(lacking < limitOf(figures.gasketThicker, assembly.rules)
            ? [work({ steps: ['thickGasket'], says: sentence`Take a head gasket that is ${value(lacking)} thicker.` })]
            : []),
        ];
      },
    }),
  ],
};
