import { pin } from '../../dictionary/kinds/pin.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { around, middle, minus } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { limitOf, rods } from '../../thumb/index.js';
import type { Joint } from '../check.js';
import { work } from '../outcome.js';
import { isDone } from '../operations/operation.js';
import { openPinBore } from '../operations/pistons.js';
import { sameLook } from '../shapes/same.js';
import { noLess, usually, within } from '../shapes/within.js';

const { 'pin.diameter': pinBore } = piston.parameters;

/**
 * A pin must turn in the bosses without knocking, be short enough for its locks, and be held as the piston holds it.
 */
export const pinInPiston: Joint = {
  id: 'pinInPiston',
  name: 'Pin in the piston',
  kinds: ['piston', 'pin'],
  checks: [
    within({
      id: 'pinInBosses',
      name: 'Pin in the bosses',
      of: { boss: pinBore, size: pin.parameters.diameter },
      found: ({ boss, size }) => minus(boss, size),
      required: usually(rods.pinInBosses),
      subject: 'The pin bore over the pin',
      tooLittle: 'the pin does not go in',
      tooMuch: 'the pin is loose and will knock',
      mend: (assembly, { found, required, sizes: { size } }) => {
        const part = assembly.parts.piston;
        if (!part || found.high >= required.low) return [];
        const to = around(middle(size) + middle(required), limitOf(rods.pinBoreWithin, assembly.rules));
        const worked = openPinBore(part, to, assembly.rules);
        return isDone(worked)
          ? [work({ steps: ['openPinBore'], says: sentence`Hone the pin bores to ${band(to)}.`, parts: [worked.part] })]
          : [];
      },
    }),
    within({
      id: 'pinLength',
      name: 'Length of the pin',
      of: { bore: piston.parameters.bore, length: pin.parameters.length },
      found: ({ bore, length }) => minus(bore, length),
      required: noLess(rods.pinEnds),
      subject: 'The room at the ends of the pin',
      tooLittle: 'it would stand out and score the bore',
      tooMuch: 'there is more than enough',
    }),
    sameLook({
      id: 'pinLocks',
      name: 'How the pin is held',
      of: pin.features.fixing,
      as: piston.features.pinFixing,
      agree: ({ mine, theirs }) =>
        mine !== 'pressed' && theirs !== 'pressed'
          ? ['Both are for a floating pin; the locks are those of the piston.']
          : undefined,
    }),
  ],
};
