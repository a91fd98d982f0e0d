import { sayYears } from '../../catalogue/figure.js';
import { slotOf } from '../../dictionary/slots.js';
import { sentence } from '../../quantity/sentence.js';
import { auditRule } from '../rule.js';
import { monthsOf } from '../engine.js';

export const fitmentYears = auditRule(
  'fitmentYears',
  'Fitments',
  'A part is fitted in a place for its kind, in years in which the variant was made.',
  function* (catalogue) {
    for (const variant of catalogue.catalogue.variants)
      for (const fitment of variant.fitments) {
        const pattern = catalogue.pattern(fitment.pattern);
        const slot = slotOf(fitment.slot);
        if (!pattern || !slot) continue;
        const where = { type: 'variant', id: variant.id, at: 'fitments' } as const;
        const also = [{ type: 'pattern', id: pattern.id } as const];
        if (slot.kind !== pattern.kind)
          yield {
            weight: 'wrong',
            where,
            also,
            says: sentence`${catalogue.variantLabel(variant.id)} has ${pattern.name} under ${slot.name.toLowerCase()}, which is another kind of part.`,
          };
        if (!variant.years) continue;
        const [first, last] = monthsOf(variant, {});
        const [from, to] = monthsOf(variant, fitment);
        if (from < first || to > last)
          yield {
            weight: 'wrong',
            where,
            also,
            says: sentence`${catalogue.variantLabel(variant.id)} was made ${sayYears(variant.years)}, and ${pattern.name} is said to have been fitted ${fitment.from ?? variant.years.from} to ${fitment.to ?? variant.years.to ?? 'now'}.`,
          };
      }
  },
);
