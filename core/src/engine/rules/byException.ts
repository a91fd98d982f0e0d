import { monthOf } from '../../catalogue/figure.js';
import type { Fitment, Variant } from '../../catalogue/pattern.js';
import { LONGEST_RUN } from '../../identify/claimed.js';
import { fitmentsOf } from '../eras.js';
import { FOREIGN_BELOW } from '../part.js';
import { exceptionSaid } from '../exception.js';
import { concerning, engineRule, takenFor, type PartRead } from './rule.js';

/** Carried by less than this of the engines, or of their months, it is an exception. */
const FEW = 0.5;

/**
 * Parts that the engine carries by an exception of the catalogue: an answer that rests on one says so, since such a
 * sentence is often somebody's memory.
 */
export const byException = engineRule(
  'byException',
  'Resting on an exception',
  'Parts that only some engines of a variant carry are named with that exception.',
  function* ({ variant, parts, catalogue }) {
    if (!variant) return;
    const byWords = new Map<string, PartRead[]>();
    for (const part of parts) {
      // What does not belong is nothing the answer rests on.
      if ((part.part.belongs ?? 1) < FOREIGN_BELOW) continue;
      const pattern = takenFor(part);
      const there = fitmentsOf(variant, part.part.kind).filter((each) => each.pattern === pattern);
      const said =
        there.length > 0 && there.every((each) => shareOf(variant, each) < FEW)
          ? there.map(exceptionSaid).find(Boolean)
          : undefined;
      if (said !== undefined) byWords.set(said, [...(byWords.get(said) ?? []), part]);
    }
    for (const [said, concerned] of byWords)
      yield {
        weight: 'look',
        ...concerning(concerned),
        says: [`That this is the ${catalogue.variantLabel(variant.id)} rests on an exception.${said}`],
      };
  },
);

/** How much of the run of a variant carries it. */
function shareOf({ years }: Variant, { from, to, share = 1 }: Fitment): number {
  if (!years) return share;
  const [first, last] = [monthOf(years.from), years.to === undefined ? undefined : monthOf(years.to, true)];
  const end = last ?? first + LONGEST_RUN;
  const [begins, ends] = [from === undefined ? first : monthOf(from), to === undefined ? end : monthOf(to, true)];
  return (share * (Math.min(ends, end) - Math.max(begins, first) + 1)) / (end - first + 1);
}
