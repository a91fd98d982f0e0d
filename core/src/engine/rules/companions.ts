import { KINDS } from '../../dictionary/dictionary.js';
import { ids, names, ofKind, takenFor, type MixFinding, type MixRule } from './rule.js';

/** Parts that are only valid together, only as a pair, or never in one engine, as the catalogue records. */
export const companions: MixRule = {
  id: 'companions',
  name: 'Parts that belong together or apart',
  find: ({ catalogue, parts }) =>
    parts.flatMap((part): MixFinding[] => {
      const own = catalogue.pattern(takenFor(part));
      return (own?.companions ?? []).flatMap(({ relation, pattern, note }): MixFinding[] => {
        const other = catalogue.pattern(pattern);
        if (!own || !other) return [];
        const there = parts.filter((each) => takenFor(each) === pattern);
        const because = note ? ` ${note}${/[.!?]$/.test(note) ? '' : '.'}` : '';
        if (relation === 'neverWith')
          return there.length === 0
            ? []
            : [
                {
                  rule: 'companions',
                  weight: 'refuse',
                  says: [`${part.part.name} and ${names(there)} must never be in one engine.${because}`],
                  specimens: ids([part, ...there]),
                },
              ];
        const others = ofKind(parts, other.kind).filter((each) => takenFor(each) !== undefined);
        // Only where the place is filled by something else: a part not yet looked at is no contradiction.
        if (there.length > 0 || others.length === 0) return [];
        const only = relation === 'pairWith' ? 'goes only as a pair with' : 'is only valid together with';
        return [
          {
            rule: 'companions',
            weight: 'doubt',
            says: [
              `${part.part.name} ${only} the ${catalogue.label(pattern)}, and the ${KINDS[other.kind].name.toLowerCase()} here is another: ${names(others)}.${because}`,
            ],
            specimens: ids([part, ...others]),
          },
        ];
      });
    }),
};
