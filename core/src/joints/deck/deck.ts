import { block } from '../../dictionary/kinds/block.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { band, sentence } from '../../quantity/sentence.js';
import { deck as figures, limitOf } from '../../thumb/index.js';
import type { Joint } from '../check.js';
import { usually, within } from '../shapes/within.js';
import { crownBelowDeck, STACK } from './crownHeight.js';
import { heightWork } from './crownHeightWork.js';

/** Block, crank, rod and piston: where the crown comes to. */
export const deck: Joint = {
  id: 'deck',
  name: 'Piston height',
  kinds: ['block', 'crank', 'rod', 'piston'],
  checks: [
    within({
      id: 'deckClearance',
      name: 'Crown against the deck',
      of: STACK,
      also: [crank.parameters['crankpin.diameter'].id, block.parameters['deckHeight.least'].id],
      found: crownBelowDeck,
      required: usually(figures.crown),
      fits: ({ found }) =>
        found.high < 0
          ? sentence`At top dead centre the crown stands ${band({ low: -found.high, high: -found.low })} proud of the deck.`
          : sentence`At top dead centre the crown is ${band(found)} below the deck.`,
      subject: 'The crown below the deck',
      tooLittle: 'the piston stands too far out and meets the head',
      tooMuch: 'the piston stays too far down, and squish and ratio are lost',
      mend: (assembly, { found, required }) => {
        const inside = limitOf(figures.crownInside, assembly.rules);
        return heightWork(assembly, found, found.high < required.low ? required.low + inside : required.high - inside);
      },
    }),
  ],
};
