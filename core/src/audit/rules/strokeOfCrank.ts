import { crank } from '../../dictionary/kinds/crank.js';
import { variant as engineVariant } from '../../dictionary/variant.js';
import { apart } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { auditRule } from '../rule.js';
import { fittedAt, limitsOf } from '../engine.js';

export const strokeOfCrank = auditRule(
  'strokeOfCrank',
  'Stroke of the crank',
  'A variant has the stroke of the cranks fitted to it.',
  function* (catalogue) {
    for (const variant of catalogue.catalogue.variants) {
      const stated = limitsOf(variant, engineVariant.parameters.stroke);
      if (!stated) continue;
      for (const { pattern } of fittedAt(catalogue, variant, 'crank')) {
        const thrown = limitsOf(pattern, crank.parameters.stroke);
        if (!thrown || !apart(stated, thrown)) continue;
        yield {
          weight: 'wrong',
          where: { type: 'variant', id: variant.id, at: engineVariant.parameters.stroke.id },
          also: [{ type: 'pattern', id: pattern.id, at: crank.parameters.stroke.id }],
          says: sentence`${catalogue.variantLabel(variant.id)} has a stroke of ${band(stated)}, and its crank ${pattern.name} throws ${band(thrown)}.`,
        };
      }
    }
  },
);
