import { crank } from '../../dictionary/kinds/crank.js';
import { flywheel } from '../../dictionary/kinds/flywheel.js';
import { lookOf, type Assembly } from '../assembly.js';
import type { Joint } from '../check.js';
import { work, type Offer } from '../outcome.js';
import { withPattern } from '../operations/patterns.js';
import { sameLook, samePattern, type Pair } from '../shapes/same.js';

const SEATS = [flywheel.features.flywheelSeat, crank.features.flywheelSeat];

/** A flywheel is redrilled where both are made for a flange; there is nothing to drill in a taper. */
function redrilled(assembly: Assembly, { theirs }: Pair): readonly Offer[] {
  const seats = SEATS.map((each) => lookOf(assembly, each));
  const part = assembly.parts.flywheel;
  if (!part || seats.includes('taper')) return [];
  const unknown = SEATS.find((_, at) => seats[at] === undefined);
  if (unknown) return [{ unknown: unknown.id }];
  return [
    work({
      steps: ['redrillFlange'],
      name: 'Redrill the flywheel',
      says: [`Plug and redrill the flywheel for ${theirs}, by a shop that balances and crack-tests it.`],
      parts: [withPattern(part, flywheel.interfaces.flywheelFlange, theirs)],
    }),
  ];
}

/** Bolt circle, count, spigot and dowels of the flange; a flywheel that is held by less bursts. */
export const flywheelOnCrank: Joint = {
  id: 'flywheelOnCrank',
  name: 'Flywheel on the crank',
  kinds: ['crank', 'flywheel'],
  checks: [
    samePattern({
      id: 'flange',
      name: 'Flange',
      of: flywheel.interfaces.flywheelFlange,
      as: crank.interfaces.flywheelFlange,
      also: SEATS.map(({ id }) => id),
      mend: redrilled,
    }),
    sameLook({
      id: 'wheelBalance',
      name: 'Balance',
      of: flywheel.features.balance,
      as: crank.features.balance,
      both: ({ mine }) => [
        mine === 'external' ? 'Crank and flywheel are balanced together.' : 'Each is balanced by itself.',
      ],
      otherwise: ({ mine }) => [
        mine === 'external'
          ? 'The flywheel carries a weight, and the crank is balanced without one: it would shake itself to pieces.'
          : 'The crank is balanced with a weight on its flywheel, and this one carries none: it would shake itself to pieces.',
      ],
    }),
  ],
};
