import { block, crank, piston, rod } from '../../dictionary/index.js';
import { sentence, value } from '../../quantity/sentence.js';
import { defineRule } from '../finding.js';
import { fittedAt, middleOf, together, type Fitted } from '../engine.js';

/** How far above and below the deck a flat of a crown stands in engines as made, mm: *common practice, no source*. */
const [ABOVE, BELOW] = [1.5, 4] as const;

/** Deck clearance, mm: deck height − stroke/2 − rod length − compression height. Negative where the piston stands above the deck. */
export const deckClearance = (deckHeight: number, stroke: number, rodLength: number, compressionHeight: number): number =>
  deckHeight - stroke / 2 - rodLength - compressionHeight;

export const stackInDeck = defineRule(
  'stackInDeck',
  'Rod and piston against the deck',
  'Half the stroke, the rod and the piston’s compression height must come to the deck height, or nearly.',
  function* (catalogue) {
    for (const variant of catalogue.catalogue.variants) {
      const at = (slot: string) => fittedAt(catalogue, variant, slot);
      for (const pistonFitted of at('piston')) {
        const contemporary = (slot: string): Fitted | undefined =>
          at(slot).find(
            ({ pattern, fitment }) => together(variant, fitment, pistonFitted.fitment) && !neverWith(pattern, pistonFitted) && sameShare(fitment, pistonFitted),
          ) ?? at(slot).find(({ fitment }) => together(variant, fitment, pistonFitted.fitment));
        const [blockFitted, crankFitted, rodFitted] = [contemporary('block'), contemporary('crank'), contemporary('rod')];
        const deck = middleOf(blockFitted?.pattern, block.parameters.deckHeight);
        const stroke = middleOf(crankFitted?.pattern, crank.parameters.stroke);
        const length = middleOf(rodFitted?.pattern, rod.parameters.length);
        const height = middleOf(pistonFitted.pattern, piston.parameters.compressionHeight);
        if (!blockFitted || !crankFitted || !rodFitted || deck === undefined || stroke === undefined || length === undefined || height === undefined) continue;
        const clearance = deckClearance(deck, stroke, length, height);
        if (clearance >= -ABOVE && clearance <= BELOW) continue;
        yield {
          weight: 'wrong',
          where: { type: 'variant', id: variant.id, at: 'fitments' },
          also: [pistonFitted, rodFitted, crankFitted, blockFitted].map(({ pattern }) => ({ type: 'pattern', id: pattern.id })),
          says: sentence`In ${catalogue.variantLabel(variant.id)} the crown of ${pistonFitted.pattern.name} would stand ${value(Math.abs(clearance))} ${clearance < 0 ? 'above' : 'below'} the deck: ${value(deck)} deck, less ${value(stroke / 2)} half stroke, ${value(length)} rod and ${value(height)} compression height.`,
        };
      }
    }
  },
);

const neverWith = (pattern: Fitted['pattern'], other: Fitted): boolean =>
  [
    ...(pattern.companions ?? []).map((each) => [each, other.pattern.id] as const),
    ...(other.pattern.companions ?? []).map((each) => [each, pattern.id] as const),
  ].some(([each, id]) => each.relation === 'neverWith' && each.pattern === id);

const sameShare = (fitment: Fitted['fitment'], other: Fitted): boolean => (fitment.share ?? 1) === (other.fitment.share ?? 1);
