import { KINDS, type KindId } from '../../dictionary/dictionary.js';
import {
  concerning,
  engineRule,
  groupedBy,
  names,
  ofKind,
  takenFor,
  type PartRead,
  type PartsTogether,
} from './rule.js';

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

/** A letter without the circle round it. */
const bare = (letter: string): string => letter.replace(/^\((.+)\)$/, '$1');

/** What a circle means by the mark scheme of whoever made these parts; nothing where no scheme on record tells. */
function circleSaid({ catalogue }: PartsTogether, kind: KindId, parts: readonly PartRead[]): string | undefined {
  const families = new Set(parts.flatMap((part) => catalogue.pattern(takenFor(part))?.family ?? []));
  const makers = new Set([...families].map((family) => catalogue.family(family)?.maker));
  return catalogue.catalogue.schemes.find(
    ({ kinds, circle, family, maker }) =>
      circle !== undefined &&
      kinds.includes(kind) &&
      (family === undefined ? maker !== undefined && makers.has(maker) : families.has(family)),
  )?.circle;
}

/** Weight letters must agree across the engine. *Common practice, no source.* */
export const marksOfSet = engineRule(
  'marksOfSet',
  'Weight letters',
  'The pistons and the rods of one engine each have one weight letter.',
  function* (together) {
    for (const [kind, place] of WEIGHT_PLACES) {
      const all = ofKind(together.parts, kind);
      const groups = groupedBy(all, letterAt(place));
      if (groups.size < 2) continue;
      const letters = [...groups].map(([letter, group]) => `${letter} on ${names(group)}`).join('; ');
      const plural = KINDS[kind].plural.toLowerCase();
      const concerned = concerning([...groups.values()].flat());
      if (new Set([...groups.keys()].map(bare)).size > 1) {
        yield {
          weight: 'wrong',
          ...concerned,
          says: [
            `Weight letters of the ${plural} differ: ${letters}. They must agree across the engine; when in doubt, weigh them.`,
          ],
        };
        continue;
      }
      const circle = circleSaid(together, kind, all);
      yield {
        weight: 'look',
        ...concerned,
        says: [
          `One weight letter on the ${plural}, with and without a circle: ${letters}. ${
            circle === undefined
              ? 'What the circle means is the maker’s to say, and no mark scheme on record does: weigh them.'
              : `By the maker’s scheme a circle means: ${circle}. Weigh them all in one way.`
          }`,
        ],
      };
    }
  },
);
