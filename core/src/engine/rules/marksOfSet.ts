import { KINDS, type KindId } from '../../dictionary/dictionary.js';
import { groupedBy, ids, names, ofKind, type MixRule, type PartRead } from './rule.js';

/** Places where a letter stands that must be the same all through an engine. */
const WEIGHT_PLACES: Readonly<Partial<Record<KindId, string>>> = { piston: 'piston.weight', rod: 'rod.weightLetter' };

const letterAt =
  (place: string) =>
  ({ readings }: PartRead): string | undefined => {
    for (const reading of readings)
      if (reading.sort === 'mark' && reading.place === place && /^[^?[]+$/.test(reading.characters))
        return reading.characters;
    return undefined;
  };

/** Weight letters must agree across the engine. *Common practice, no source.* */
export const marksOfSet: MixRule = {
  id: 'marksOfSet',
  name: 'Weight letters',
  find: ({ parts }) =>
    Object.entries(WEIGHT_PLACES).flatMap(([kind, place]) => {
      const groups = groupedBy(ofKind(parts, kind as KindId), letterAt(place));
      if (groups.size < 2) return [];
      const told = [...groups].map(([letter, group]) => `${letter} on ${names(group)}`).join('; ');
      return [
        {
          rule: 'marksOfSet',
          weight: 'refuse' as const,
          says: [
            `Weight letters of the ${KINDS[kind as KindId].plural.toLowerCase()} differ: ${told}. They must agree across the engine; when in doubt, weigh them.`,
          ],
          specimens: ids([...groups.values()].flat()),
        },
      ];
    }),
};
