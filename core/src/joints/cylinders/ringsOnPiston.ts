import type { Parameter } from '../../dictionary/definition.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rings } from '../../dictionary/kinds/rings.js';
import { around, middle, minus } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { cylinders, limitOf } from '../../thumb/index.js';
import { lookOf } from '../assembly.js';
import type { JointCheck, Joint } from '../check.js';
import { missing, said, work } from '../outcome.js';
import { isDone } from '../operations/operation.js';
import { widenGroove } from '../operations/pistons.js';
import { sameCount } from '../shapes/same.js';
import { specified, within } from '../shapes/within.js';

const groove = (id: string, name: string, of: Parameter, ring: Parameter): JointCheck =>
  within({
    id,
    name,
    of: { room: of, height: ring },
    also: [rings.features.oilForm.id, rings.parameters.sidePlay.id],
    ...(id === 'oilGroove'
      ? {
          unless: (assembly) => {
            const form = lookOf(assembly, rings.features.oilForm);
            if (form === undefined) return missing([rings.features.oilForm], 'count');
            return form === 'none' ? said('fits', ['The set has no oil ring.']) : undefined;
          },
        }
      : {}),
    found: ({ room, height }) => minus(room, height),
    required: (assembly) => specified(assembly, rings.parameters.sidePlay, cylinders.groovePlay),
    subject: 'The play in the groove',
    tooLittle: 'the ring does not enter or sticks',
    tooMuch: 'the ring flutters and pumps oil',
    mend: (assembly, { found, required, sizes: { height } }) => {
      const part = assembly.parts.piston;
      if (!part || found.high >= required.low) return [];
      const to = around(middle(height) + middle(required), limitOf(cylinders.grooveWithin, assembly.rules));
      const worked = widenGroove(part, of, to, assembly.rules);
      return isDone(worked)
        ? [
            work({
              steps: ['widenGrooves'],
              says: sentence`Turn the grooves out to ${band(to)}.`,
              parts: [worked.part],
            }),
          ]
        : [];
    },
  });

/** As many rings as grooves, each with play enough to move and too little to flutter. */
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
