import { KINDS, type KindId } from '../../dictionary/dictionary.js';
import { sentence, value } from '../../quantity/sentence.js';
import { toInside } from '../../quantity/unit.js';
import { weightAllowed } from '../../shop/houseRules.js';
import { ids, names, ofKind, type MixRule, type PartRead } from './rule.js';

const MASSES: Readonly<Partial<Record<KindId, string>>> = { piston: 'piston.mass', rod: 'rod.mass', pin: 'pin.mass' };

const grams = (mass: number) => value(mass, 'mass');

const massOf = ({ readings }: PartRead, parameter: string): number | undefined => {
  for (const reading of readings)
    if (reading.sort === 'size' && reading.parameter === parameter)
      return toInside(reading.values[0] ?? 0, reading.unit);
  return undefined;
};

/** All pistons and rods of one engine weigh the same, within the house rule. *Common practice, no source.* */
export const weights: MixRule = {
  id: 'weights',
  name: 'Weight of a set',
  find: ({ parts, rules }) =>
    Object.entries(MASSES).flatMap(([kind, parameter]) => {
      const weighed = ofKind(parts, kind as KindId).flatMap((part) => {
        const mass = massOf(part, parameter);
        return mass === undefined ? [] : [{ part, mass }];
      });
      const sorted = weighed.sort((a, b) => a.mass - b.mass);
      const [lightest, heaviest] = [sorted[0], sorted[sorted.length - 1]];
      if (!lightest || !heaviest) return [];
      const spread = heaviest.mass - lightest.mass;
      const allowed = weightAllowed(rules);
      if (spread <= allowed) return [];
      return [
        {
          rule: 'weights',
          weight: 'doubt' as const,
          says: sentence`The ${KINDS[kind as KindId].plural.toLowerCase()} weigh from ${grams(lightest.mass)} (${names([lightest.part])}) to ${grams(heaviest.mass)} (${names([heaviest.part])}): ${grams(spread)} apart, and the house rule allows ${grams(allowed)}.`,
          specimens: ids(sorted.map(({ part }) => part)),
        },
      ];
    }),
};
