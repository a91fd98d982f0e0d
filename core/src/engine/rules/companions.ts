import { KINDS } from '../../dictionary/dictionary.js';
import { concerning, engineRule, names, ofKind, takenFor } from './rule.js';

/** A note as the end of what is said. */
const asEnd = (note: string | undefined): string => (note ? ` ${note}${/[.!?]$/.test(note) ? '' : '.'}` : '');

/** Parts that are only valid together, only as a pair, or never in one engine, as the catalogue records. */
export const companions = engineRule(
  'companions',
  'Parts that belong together or apart',
  'What the catalogue says is only valid together is together, and what must never meet does not.',
  function* ({ catalogue, parts }) {
    for (const part of parts)
      for (const { relation, pattern, note } of catalogue.pattern(takenFor(part))?.companions ?? []) {
        const other = catalogue.pattern(pattern);
        if (!other) continue;
        const there = parts.filter((each) => takenFor(each) === pattern);
        if (relation === 'neverWith') {
          if (there.length > 0)
            yield {
              weight: 'wrong',
              ...concerning([part, ...there]),
              says: [`${part.part.name} and ${names(there)} must never be in one engine.${asEnd(note)}`],
            };
          continue;
        }
        const others = ofKind(parts, other.kind).filter((each) => takenFor(each) !== undefined);
        // Only where the place is filled by something else: a part not yet looked at is no contradiction.
        if (there.length > 0 || others.length === 0) continue;
        const only = relation === 'pairWith' ? 'goes only as a pair with' : 'is only valid together with';
        yield {
          weight: 'look',
          ...concerning([part, ...others]),
          says: [
            `${part.part.name} ${only} the ${catalogue.label(pattern)}, and the ${KINDS[other.kind].name.toLowerCase()} here is another: ${names(others)}.${asEnd(note)}`,
          ],
        };
      }
  },
);
