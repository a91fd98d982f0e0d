import { KINDS } from '../../dictionary/dictionary.js';
import { pin } from '../../dictionary/kinds/pin.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rod } from '../../dictionary/kinds/rod.js';
import { sentence, value } from '../../quantity/sentence.js';
import { toInside } from '../../quantity/unit.js';
import { weightAllowed } from '../../shop/houseRules.js';
import { concerning, engineRule, names, ofKind, type PartRead } from './rule.js';

/** What is weighed of a set. */
const WEIGHED = [
  ['piston', piston.parameters.mass.id],
  ['rod', rod.parameters.mass.id],
  ['pin', pin.parameters.mass.id],
] as const;

const grams = (mass: number) => value(mass, 'mass');

const massOf = ({ readings }: PartRead, parameter: string): number | undefined => {
  for (const reading of readings)
    if (reading.sort === 'size' && reading.parameter === parameter)
      return toInside(reading.values[0] ?? 0, reading.unit);
  return undefined;
};

/** All pistons and rods of one engine weigh the same, within the house rule. *Common practice, no source.* */
export const weights = engineRule(
  'weights',
  'Weight of a set',
  'The pistons, rods and pins of one engine weigh the same, within the house rule.',
  function* ({ parts }, rules) {
    for (const [kind, parameter] of WEIGHED) {
      const weighed = ofKind(parts, kind)
        .flatMap((part) => {
          const mass = massOf(part, parameter);
          return mass === undefined ? [] : [{ part, mass }];
        })
        .sort((a, b) => a.mass - b.mass);
      const [lightest, heaviest] = [weighed[0], weighed.at(-1)];
      if (!lightest || !heaviest) continue;
      const spread = heaviest.mass - lightest.mass;
      const allowed = weightAllowed(rules);
      if (spread <= allowed) continue;
      yield {
        weight: 'look',
        ...concerning(weighed.map(({ part }) => part)),
        says: sentence`The ${KINDS[kind].plural.toLowerCase()} weigh from ${grams(lightest.mass)} (${names([lightest.part])}) to ${grams(heaviest.mass)} (${names([heaviest.part])}): ${grams(spread)} apart, and the house rule allows ${grams(allowed)}.`,
      };
    }
  },
);
