import { pin } from '../../dictionary/kinds/pin.js';
import { rod } from '../../dictionary/kinds/rod.js';
import { interval, middle, minus, type Interval } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { bandOf, cite, limitOf, rods } from '../../thumb/index.js';
import type { Assembly } from '../assembly.js';
import type { Joint } from '../check.js';
import { sameLook } from '../shapes/same.js';
import { within, type Requirement } from '../shapes/within.js';
import { onNeedles } from './needleCages.js';
import { type Holding, holdingUnknown, holding, bushed, reamedFor } from './pinHolding.js';

const { 'smallEnd.bore': smallEnd } = rod.parameters;

const { smallEndForm, pinFixing: rodFixing } = rod.features;

/**
 * What the small end leaves over a pin: a pressed one is held by what is wanting, a floating one runs in what is left.
 */
function wantedOver({ rules }: Assembly, size: Interval, held: Holding): Requirement {
  const [figure, share] =
    held === 'pressed'
      ? ([rods.pinPress, rods.pinPressShare] as const)
      : ([rods.pinFloat, rods.pinFloatShare] as const);
  const { low, high } = bandOf(figure, rules);
  const most = high + limitOf(share, rules) * Math.max(0, middle(size));
  return {
    band: held === 'pressed' ? interval(-most, -low) : interval(low, most),
    ruleOfThumb: () => sentence`${cite(figure, rules)} ${cite(share, rules)}`,
  };
}

/** A pressed pin is held by the rod, a floating one runs in it: the small end is made for one of the two. */
export const pinInRod: Joint = {
  id: 'pinInRod',
  name: 'Pin in the rod',
  kinds: ['rod', 'pin'],
  checks: [
    within({
      id: 'pinInRod',
      name: 'Pin in the small end',
      of: { eye: smallEnd, size: pin.parameters.diameter },
      also: [smallEndForm.id, rodFixing.id, rod.parameters['smallEnd.housing'].id],
      unless: (assembly) => {
        const unknown = holdingUnknown(assembly);
        if (unknown) return unknown;
        return holding(assembly) === 'needles'
          ? onNeedles(assembly, pin.parameters.diameter, smallEnd, { pin: 'pin', eye: 'small end' })
          : undefined;
      },
      found: ({ eye, size }) => minus(eye, size),
      required: (assembly, { size }) => wantedOver(assembly, size, holding(assembly) ?? 'floating'),
      fits: ({ found, sizes: { size } }) =>
        found.high < 0
          ? sentence`The pin ${band(size)} is held by a press of ${band({ low: -found.high, high: -found.low })}.`
          : sentence`The pin ${band(size)} runs with ${band(found)}.`,
      subject: 'The small end over the pin',
      tooLittle: 'the pin does not enter or would seize',
      tooMuch: 'the pin is loose and will knock',
      mend: (assembly, { required, sizes: { size } }) =>
        holding(assembly) === 'floating'
          ? bushed(assembly, reamedFor(assembly, size), { found: required, required })
          : [],
    }),
    sameLook({
      id: 'pinFixing',
      name: 'How the pin is held',
      of: pin.features.fixing,
      as: rodFixing,
      agree: ({ mine, theirs }) =>
        mine !== 'pressed' && theirs !== 'pressed' ? ['Both let the pin float.'] : undefined,
    }),
  ],
};
