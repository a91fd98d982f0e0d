import { block } from '../../dictionary/kinds/block.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rod } from '../../dictionary/kinds/rod.js';
import type { Interval } from '../../quantity/interval.js';
import { deckClearance } from '../../stack/index.js';
import type { Known } from '../shapes/within.js';

/** The sizes that stand on one another from the mains to the deck. */
export const STACK = {
  deck: block.parameters.deckHeight,
  stroke: crank.parameters.stroke,
  length: rod.parameters.length,
  height: piston.parameters.compressionHeight,
} as const;

/** How far the crown stays below the deck at top dead centre. */
export const crownBelowDeck = ({ deck, stroke, length, height }: Known<typeof STACK>): Interval =>
  deckClearance(deck, stroke, length, height);
