import { block } from '../../dictionary/kinds/block.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rod } from '../../dictionary/kinds/rod.js';
import { contains, interval, middle } from '../../quantity/interval.js';
import { sentence, value } from '../../quantity/sentence.js';
import { deckClearance } from '../../stack/index.js';
import { bandOf, records } from '../../thumb/index.js';
import { auditRule } from '../rule.js';
import { fittedAt, middleOf, together, type Fitted } from '../engine.js';

export const stackInDeck = auditRule(
  'stackInDeck',
  'Rod and piston against the deck',
  'Half the stroke, the rod and the piston’s compression height must come to the deck height, or nearly.',
  function* (catalogue, rules) {
    for (const variant of catalogue.catalogue.variants) {
      const at = (slot: string) => fittedAt(catalogue, variant, slot);
      for (const pistonFitted of at('piston')) {
        const contemporary = (slot: string): Fitted | undefined =>
          at(slot).find(
            ({ pattern, fitment }) =>
              together(variant, fitment, pistonFitted.fitment) &&
              !neverWith(pattern, pistonFitted) &&
              sameShare(fitment, pistonFitted),
          ) ?? at(slot).find(({ fitment }) => together(variant, fitment, pistonFitted.fitment));
        const [blockFitted, crankFitted, rodFitted] = [
          contemporary('block'),
          contemporary('crank'),
          contemporary('rod'),
        ];
        const deck = middleOf(blockFitted?.pattern, block.parameters.deckHeight);
        const stroke = middleOf(crankFitted?.pattern, crank.parameters.stroke);
        const length = middleOf(rodFitted?.pattern, rod.parameters.length);
        const height = middleOf(pistonFitted.pattern, piston.parameters.compressionHeight);
        if (
          !blockFitted ||
          !crankFitted ||
          !rodFitted ||
          deck === undefined ||
          stroke === undefined ||
          length === undefined ||
          height === undefined
        )
          continue;
        const below = deckClearance(interval(deck), interval(stroke), interval(length), interval(height));
        if (contains(bandOf(records.crown, rules), below)) continue;
        const clearance = middle(below);
        yield {
          weight: 'wrong',
          where: { type: 'variant', id: variant.id, at: 'fitments' },
          also: [pistonFitted, rodFitted, crankFitted, blockFitted].map(({ pattern }) => ({
            type: 'pattern',
            id: pattern.id,
          })),
          says: sentence`In ${catalogue.variantLabel(variant.id)} the crown of ${pistonFitted.pattern.name} would stand ${value(Math.abs(clearance))} ${clearance < 0 ? 'above' : 'below'} the deck: ${value(deck)} deck, less ${value(stroke / 2)} half stroke, ${value(length)} rod and ${value(height)} compression height.`,
        };
      }
    }
  },
  [records.crown],
);

const neverWith = (pattern: Fitted['pattern'], other: Fitted): boolean =>
  [
    ...(pattern.companions ?? []).map((each) => [each, other.pattern.id] as const),
    ...(other.pattern.companions ?? []).map((each) => [each, pattern.id] as const),
  ].some(([each, id]) => each.relation === 'neverWith' && each.pattern === id);

const sameShare = (fitment: Fitted['fitment'], other: Fitted): boolean =>
  (fitment.share ?? 1) === (other.fitment.share ?? 1);
