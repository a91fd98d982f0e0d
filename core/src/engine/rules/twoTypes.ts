import { listed } from '../../quantity/phrase.js';
import { KINDS, KIND_IDS } from '../../dictionary/dictionary.js';
import { SLOTS } from '../../dictionary/slots.js';
import { groupedBy, ids, names, ofKind, takenFor, type MixRule } from './rule.js';

/**
 * All pistons, rods and so on of one engine are of one type; and mixed compression ratios are refused outright.
 * *Common practice, no source.* Kinds that an engine has in several places, like valves, may differ place by place.
 */
export const twoTypes: MixRule = {
  id: 'twoTypes',
  name: 'Two types in one engine',
  find: ({ catalogue, parts }) =>
    KIND_IDS.filter((kind) => SLOTS.filter((slot) => slot.kind === kind).length === 1).flatMap((kind) => {
      const groups = groupedBy(ofKind(parts, kind), takenFor);
      if (groups.size < 2) return [];
      const ratios = new Set(
        [...groups.keys()].flatMap((id) => catalogue.pattern(id)?.dimensions['piston.ratio']?.low ?? []).map(Number),
      );
      const told = [...groups].map(([pattern, group]) => `${names(group)}: ${catalogue.label(pattern)}`).join('; ');
      const because =
        ratios.size > 1
          ? ` Their ratios are ${listed([...ratios].map(String))} to 1, and mixed ratios in one engine are refused.`
          : ' One engine takes one type.';
      return [
        {
          rule: 'twoTypes',
          weight: 'refuse' as const,
          says: [`${groups.size} types of ${KINDS[kind].plural.toLowerCase()}: ${told}.${because}`],
          specimens: ids([...groups.values()].flat()),
        },
      ];
    }),
};
