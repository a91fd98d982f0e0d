import type { Part } from '../../catalogue/part.js';
import { block } from '../../dictionary/kinds/block.js';
import { head } from '../../dictionary/kinds/head.js';
import { middle, SAME_WITHIN, shifted } from '../../quantity/interval.js';
import { deck, limitOf, type HasFigures } from '../../thumb/index.js';
import { machined } from '../assembly.js';
import type { Worked } from './operation.js';

/** Decks the block by `by`. Liner recesses get shallower by as much. */
export function deckBlock(part: Part, by: number, rules: HasFigures = {}): Worked {
  const { deckHeight: height, 'deckHeight.least': least } = block.parameters;
  const [now, limit] = [height, least].map((each) => part.values[each.id]?.interval);
  if (!now) return { refused: 'The deck height is not known.', unknown: height.id };
  if (!limit) return { refused: 'The least deck height is not known.', unknown: least.id };
  if (by < 0) return { refused: 'Decking only lowers the deck.' };
  if (by > limitOf(deck.decked, rules))
    return { refused: 'So much off the deck leaves it too thin and moves the intake faces out of line.' };
  if (now.low - by < limit.low - SAME_WITHIN) return { refused: 'That is below the least deck height of the block.' };
  const recess = block.parameters['liner.counterbore'];
  const depth = part.values[recess.id]?.interval;
  const lower = machined(part, height, shifted(now, -by));
  return { part: depth ? machined(lower, recess, shifted(depth, -by)) : lower };
}

/**
 * Mills `by` off the head face. The chamber loses what stood there.
 *
 * @param bore diameter of the cylinders it sits on
 */
export function millHead(part: Part, by: number, bore: number, rules: HasFigures = {}): Worked {
  const { height, 'height.least': least, 'chamber.volume': chamber } = head.parameters;
  const [now, limit, volume] = [height, least, chamber].map((each) => part.values[each.id]?.interval);
  if (!now || !volume)
    return { refused: 'Height and chamber of the head must be known.', unknown: now ? chamber.id : height.id };
  if (!limit) return { refused: 'The least height of the head is not known.', unknown: least.id };
  if (by < 0) return { refused: 'Milling only lowers the head.' };
  if (now.low - by < limit.low - SAME_WITHIN) return { refused: 'That is below the least height of the head.' };
  const lost = ((Math.PI / 4) * bore * bore * by * limitOf(deck.chamberShare, rules)) / 1000;
  const flat = part.looks[head.features.chamberForm.id]?.option === 'flat';
  const milled = machined(part, height, shifted(now, -by));
  return { part: flat || middle(volume) <= lost ? milled : machined(milled, chamber, shifted(volume, -lost)) };
}
