import { KINDS } from '../../dictionary/dictionary.js';
import { concerning, engineRule, groupedBy, names, ofKind, type PartRead } from './rule.js';

/** Places where a letter stands that must be the same all through an engine. */
const WEIGHT_PLACES = [
  ['piston', 'piston.weight'],
  ['rod', 'rod.weightLetter'],
] as const;

const letterAt =
  (place: string) =>
  ({ readings }: PartRead): string | undefined => {
    for (const reading of readings)
      if (reading.sort === 'mark' && reading.place === place && /^[^?[]+$/.test(reading.characters))
        return reading.characters;
    return undefined;
  };

/** Weight letters must agree across the engine. *Common practice, no source.* */
export const marksOfSet = engineRule(
  'marksOfSet',
  'Weight letters',
  'The pistons and the rods of one engine each have one weight letter.',
  function* ({ parts }) {
    for (const [kind, place] of WEIGHT_PLACES) {
      const groups = groupedBy(ofKind(parts, kind), letterAt(place));
      if (groups.size < 2) continue;
      const letters = [...groups].map(([letter, group]) => `${letter} on ${names(group)}`).join('; ');
      yield {
        weight: 'wrong',
        ...concerning([...groups.values()].flat()),
        says: [
          `Weight letters of the ${KINDS[kind].plural.toLowerCase()} differ: ${letters}. They must agree across the engine; when in doubt, weigh them.`,
        ],
      };
    }
  },
);
