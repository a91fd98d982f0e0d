import type { Parameter } from '../../dictionary/definition.js';
import { block } from '../../dictionary/kinds/block.js';
import { variant as engineVariant } from '../../dictionary/variant.js';
import { liner } from '../../dictionary/kinds/liner.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { apart, type Interval } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { limitOf, records } from '../../thumb/index.js';
import { auditRule } from '../rule.js';
import { fittedAt, limitsOf, together, type Fitted } from '../engine.js';

export const pistonInBore = auditRule(
  'pistonInBore',
  'Piston and bore',
  'A piston is made for the bore of its variant, and is a little smaller than the block or liner it runs in.',
  function* (catalogue, rules) {
    const rounding = limitOf(records.rounding, rules);
    const widened = ({ low, high }: Interval): Interval => ({ low: low - rounding, high: high + rounding });
    for (const variant of catalogue.catalogue.variants) {
      const stated = limitsOf(variant, engineVariant.parameters.bore);
      const holes: { readonly fitted: Fitted; readonly parameter: Parameter }[] = [
        ...fittedAt(catalogue, variant, 'liner').map((fitted) => ({ fitted, parameter: liner.parameters.bore })),
        ...fittedAt(catalogue, variant, 'block').map((fitted) => ({ fitted, parameter: block.parameters.bore })),
      ];
      for (const { pattern, fitment } of fittedAt(catalogue, variant, 'piston')) {
        const made = limitsOf(pattern, piston.parameters.bore);
        if (stated && made && apart(widened(stated), made))
          yield {
            weight: 'wrong',
            where: { type: 'variant', id: variant.id, at: 'fitments' },
            also: [{ type: 'pattern', id: pattern.id, at: piston.parameters.bore.id }],
            says: sentence`${catalogue.variantLabel(variant.id)} has a bore of ${band(stated)}, and its piston ${pattern.name} is made for ${band(made)}.`,
          };
        const skirt = limitsOf(pattern, piston.parameters['skirt.diameter']);
        // With wet liners the block has no bore of its own: only the first of the two that there is counts.
        const hole = holes.find(
          ({ fitted, parameter }) => together(variant, fitted.fitment, fitment) && limitsOf(fitted.pattern, parameter),
        );
        const bore = hole && limitsOf(hole.fitted.pattern, hole.parameter);
        if (!skirt || !bore) continue;
        const clearance = { low: bore.low - skirt.high, high: bore.high - skirt.low };
        if (clearance.low > 0 && clearance.high < limitOf(records.slap, rules) * bore.high) continue;
        yield {
          weight: 'wrong',
          where: { type: 'pattern', id: pattern.id, at: piston.parameters['skirt.diameter'].id },
          also: [
            { type: 'pattern', id: hole.fitted.pattern.id, at: hole.parameter.id },
            { type: 'variant', id: variant.id, at: 'fitments' },
          ],
          says: sentence`In ${catalogue.variantLabel(variant.id)} the piston ${pattern.name} of ${band(skirt)} runs in a bore of ${band(bore)}: ${clearance.low <= 0 ? 'it does not go in' : 'it would slap'}.`,
        };
      }
    }
  },
  [records.rounding, records.slap],
);
