import type { Part } from '../../catalogue/part.js';
import { block } from '../../dictionary/kinds/block.js';
import { head } from '../../dictionary/kinds/head.js';
import { middle, SAME_WITHIN, shifted } from '../../quantity/interval.js';
import { machined } from '../assembly.js';
import type { Worked } from './operation.js';

/** Most that a deck loses. *Common practice, no source*: about thirty thou. */
export const MOST_DECKED = 0.8;

/** Decks the block by `by`. Liner recesses get shallower by as much. */
export function deckBlock(part: Part, by: number): Worked {
  const { deckHeight: deck, 'deckHeight.least': least } = block.parameters;
  const [now, limit] = [deck, least].map((each) => part.values[each.id]?.interval);
  if (!now) return { refused: 'The deck height is not known.', unknown: deck.id };
  if (!limit) return { refused: 'The least deck height is not known.', unknown: least.id };
  if (by < 0) return { refused: 'Decking only lowers the deck.' };
  if (by > MOST_DECKED) return { refused: 'So much off the deck leaves it too thin and moves the intake faces out of line.' };
  if (now.low - by < limit.low - SAME_WITHIN) return { refused: 'That is below the least deck height of the block.' };
  const recess = block.parameters['liner.counterbore'];
  const depth = part.values[recess.id]?.interval;
  const lower = machined(part, deck, shifted(now, -by));
  return { part: depth ? machined(lower, recess, shifted(depth, -by)) : lower };
}

/** Share of the bore's area that a chamber takes at the face, by which milling makes it smaller. *Common practice, no source.* */
const CHAMBER_SHARE = 0.8;

/**
 * Mills `by` off the head face. The chamber loses what stood there.
 *
 * @param bore diameter of the cylinders it sits on
 */
export function millHead(part: Part, by: number, bore: number): Worked {
  const { height, 'height.least': least, 'chamber.volume': chamber } = head.parameters;
  const [now, limit, volume] = [height, least, chamber].map((each) => part.values[each.id]?.interval);
  if (!now || !volume) return { refused: 'Height and chamber of the head must be known.', unknown: now ? chamber.id : height.id };
  if (!limit) return { refused: 'The least height of the head is not known.', unknown: least.id };
  if (by < 0) return { refused: 'Milling only lowers the head.' };
  if (now.low - by < limit.low - SAME_WITHIN) return { refused: 'That is below the least height of the head.' };
  const lost = ((Math.PI / 4) * bore * bore * by * CHAMBER_SHARE) / 1000;
  const flat = part.looks[head.features.chamberForm.id]?.option === 'flat';
  const milled = machined(part, height, shifted(now, -by));
  return { part: flat || middle(volume) <= lost ? milled : machined(milled, chamber, shifted(volume, -lost)) };
}
