import { sentence } from '../../quantity/sentence.js';
import { COMPANION_SAYS } from '../../catalogue/pattern.js';
import { auditRule } from '../rule.js';
import { together } from '../engine.js';

export const companions = auditRule(
  'companions',
  'Companions',
  'Where a part is fitted, what it is only valid with is fitted as well, and what it must never meet is not, at the same time and in every engine.',
  function* (catalogue) {
    for (const pattern of catalogue.catalogue.patterns)
      for (const { relation, pattern: otherId } of pattern.companions ?? []) {
        const other = catalogue.pattern(otherId);
        if (!other) continue;
        const mutual = (other.companions ?? []).some(
          (each) => each.relation === relation && each.pattern === pattern.id,
        );
        if (relation === 'pairWith' && !mutual)
          yield {
            weight: 'look',
            where: { type: 'pattern', id: other.id, at: 'companions' },
            also: [{ type: 'pattern', id: pattern.id, at: 'companions' }],
            says: sentence`${catalogue.label(pattern.id)} goes only as a pair with ${other.name}, which does not say so of itself.`,
          };
        for (const { variant, fitment } of catalogue.fittedIn(pattern.id)) {
          const beside = variant.fitments.filter(
            (each) => each.pattern === otherId && together(variant, each, fitment),
          );
          const where = { type: 'variant', id: variant.id, at: 'fitments' } as const;
          const also = [
            { type: 'pattern', id: pattern.id, at: 'companions' } as const,
            { type: 'pattern', id: otherId } as const,
          ];
          if (relation !== 'neverWith' && beside.length === 0)
            yield {
              weight: 'wrong',
              where,
              also,
              says: sentence`${catalogue.variantLabel(variant.id)} carries ${pattern.name}, ${COMPANION_SAYS[relation]} ${other.name}, which it does not carry.`,
            };
          // Two that must never meet may both be fitted, some engines with one and some with the other.
          if (
            relation === 'neverWith' &&
            beside.some((each) => each.share === undefined && fitment.share === undefined)
          )
            yield {
              weight: 'wrong',
              where,
              also,
              says: sentence`${catalogue.variantLabel(variant.id)} carries ${pattern.name} and ${other.name} in every engine at one time, and the two are never to meet.`,
            };
        }
      }
  },
);
