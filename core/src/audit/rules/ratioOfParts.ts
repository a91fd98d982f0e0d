import { sizeOf } from '../../catalogue/value.js';
import { engineVariant } from '../../dictionary/index.js';
import { ratioOfEngine } from '../../interchange/index.js';
import { apart, plus } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { bandOf, deck } from '../../thumb/index.js';
import { auditRule } from '../rule.js';

export const ratioOfParts = auditRule(
  'ratioOfParts',
  'Rated ratio',
  'The parts of an engine must make the ratio it is rated at.',
  function* (catalogue, rules) {
    const { ratio } = engineVariant.parameters;
    for (const variant of catalogue.catalogue.variants) {
      const rated = sizeOf(variant, ratio)?.value.limits;
      const made = rated && ratioOfEngine(catalogue, variant);
      if (!made || !apart(made, plus(rated, bandOf(deck.ratioRated, rules)))) continue;
      yield {
        weight: 'look',
        where: { type: 'variant', id: variant.id, at: ratio.id },
        says: sentence`Its parts make ${band(made, 'ratio')}, and it is rated at ${band(rated, 'ratio')}.`,
      };
    }
  },
  [deck.ratioRated],
);
