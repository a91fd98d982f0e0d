import type { Parameter } from '../dictionary/definition.js';
import { block } from '../dictionary/kinds/block.js';
import { liner } from '../dictionary/kinds/liner.js';
import { piston } from '../dictionary/kinds/piston.js';
import { rings } from '../dictionary/kinds/rings.js';
import { interval, minus, plus, scaled } from '../quantity/interval.js';
import { band, sentence } from '../quantity/sentence.js';
import { lookOf } from './assembly.js';
import type { Check, Joint } from './check.js';
import { missing, said, work } from './finding.js';
import { isDone } from './operations/operation.js';
import { grooveFor, widenGroove } from './operations/pistons.js';
import { sameCount } from './shapes/same.js';
import { NONE, usually, within } from './shapes/within.js';

/** Play of a ring in its groove. *Common practice, no source*: up to a tenth, a keystone ring a little more. */
const GROOVE_PLAY = interval(0.012, 0.12);

const groove = (id: string, name: string, of: Parameter, ring: Parameter): Check =>
  within({
    id,
    name,
    of: [of, ring],
    also: [rings.features.oilForm.id],
    ...(id === 'oilGroove'
      ? {
          unless: (assembly) => {
            const form = lookOf(assembly, rings.features.oilForm);
            if (form === undefined) return missing([rings.features.oilForm], 'count');
            return form === 'none' ? said('fits', ['The set has no oil ring.']) : undefined;
          },
        }
      : {}),
    found: ([room = NONE, height = NONE]) => minus(room, height),
    required: usually(GROOVE_PLAY, 'A ring moves freely in its groove with a few hundredths and is loose from a tenth.'),
    subject: 'The play in the groove',
    tooLittle: 'the ring does not enter or sticks',
    tooMuch: 'the ring flutters and pumps oil',
    mend: (assembly, { found, required, values: [, height = NONE] }) => {
      const part = assembly.parts.piston;
      if (!part || found.high >= GROOVE_PLAY.low) return [];
      const worked = widenGroove(part, of, grooveFor(height, required));
      return isDone(worked)
        ? [work({ steps: ['widenGrooves'], says: sentence`Turn the grooves out to ${band(grooveFor(height, required))}.`, parts: [worked.part] })]
        : [];
    },
  });

/** Rings in the grooves of a piston. */
export const ringsOnPiston: Joint = {
  id: 'ringsOnPiston',
  name: 'Rings in their grooves',
  kinds: ['piston', 'rings'],
  checks: [
    sameCount({ id: 'ringCount', name: 'Number of rings', of: rings.features.count, as: piston.features.rings }),
    groove('topGroove', 'Top groove', piston.parameters['ring.top'], rings.parameters['top.height']),
    groove('secondGroove', 'Second groove', piston.parameters['ring.second'], rings.parameters['second.height']),
    groove('oilGroove', 'Oil ring groove', piston.parameters['ring.oil'], rings.parameters['oil.height']),
  ],
};

/** End gap of the top ring by a millimetre of bore. *Common practice, no source*: three to six thou an inch, and half of that either way. */
const GAP_OF_BORE = { low: 0.0015, high: 0.0085 } as const;

const endGap = (bore: Parameter): Check =>
  within({
    id: 'endGap',
    name: 'End gap',
    of: [bore, rings.parameters.bore, rings.parameters['top.gap']],
    // A ring in a larger bore opens by pi times the difference.
    found: ([hole = NONE, madeFor = NONE, gap = NONE]) => plus(gap, scaled(minus(hole, madeFor), Math.PI)),
    required: (_assembly, [hole = NONE]) => ({
      band: interval(GAP_OF_BORE.low * hole.high, GAP_OF_BORE.high * hole.low),
      ruleOfThumb: 'Three to six thousandths of the bore, more in a supercharged engine. Common practice.',
    }),
    subject: 'The end gap',
    tooLittle: 'the ends would butt and the ring break',
    tooMuch: 'it leaks',
    mend: (_assembly, { found, required }) =>
      found.high < required.low && found.high > -2
        ? [
            work({
              steps: ['fileRings'],
              says: sentence`File the ends until the gap is ${band(required)}, each ring in its own bore.`,
              found: required,
              required,
            }),
          ]
        : [],
  });

export const ringsInBlock: Joint = { id: 'ringsInBlock', name: 'Rings in the bore', kinds: ['block', 'rings'], checks: [endGap(block.parameters.bore)] };

export const ringsInLiner: Joint = { id: 'ringsInLiner', name: 'Rings in the liner', kinds: ['liner', 'rings'], checks: [endGap(liner.parameters.bore)] };
