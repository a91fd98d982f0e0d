import type { Part } from '../../catalogue/part.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { around, shifted, type Interval } from '../../quantity/interval.js';
import { ends, limitOf, type HasFigures } from '../../thumb/index.js';
import { machined } from '../assembly.js';
import type { Worked } from './operation.js';

/** Turns the counterweights down by `off` in the radius. */
export function turnCounterweights(part: Part, off: number, rules: HasFigures = {}): Worked {
  const swing = part.values[crank.parameters.swing.id]?.interval;
  if (!swing) return { refused: 'The swing is not known.' };
  if (off > limitOf(ends.weightsTurned, rules))
    return { refused: 'So much off the counterweights leaves them too light.' };
  return { part: machined(part, crank.parameters.swing, shifted(swing, -off)) };
}

/** Turns the lip off the rear web, leaving it plain. */
export function turnOffWebLip(part: Part): Part {
  const { [crank.parameters['webLip.diameter'].id]: _lip, ...values } = part.values;
  return {
    ...part,
    values,
    looks: { ...part.looks, [crank.features.webLip.id]: { option: 'none', source: 'machined' } },
  };
}

/** Grinds the thrust faces of a crank apart until the thrust journal is `to` wide. */
export function grindThrustFaces(part: Part, to: number, rules: HasFigures = {}): Worked {
  const parameter = crank.parameters['thrustJournal.width'];
  const now = part.values[parameter.id]?.interval;
  if (!now) return { refused: 'The thrust journal is not known.' };
  if (to < now.high) return { refused: 'The thrust journal is already as wide.' };
  if (to - now.low > limitOf(ends.thrustGround, rules))
    return { refused: 'So much off the thrust faces goes through their hardening.' };
  return { part: machined(part, parameter, around(to, limitOf(ends.thrustWithin, rules))) };
}

/** Turns the rear seal land down to new limits. */
export function turnSealLand(part: Part, to: Interval, rules: HasFigures = {}): Worked {
  const parameter = crank.parameters['sealJournal.diameter'];
  const now = part.values[parameter.id]?.interval;
  if (!now) return { refused: 'The seal land is not known.' };
  if (to.high >= now.high) return { refused: 'The land is already smaller.' };
  if (now.high - to.low > limitOf(ends.sealTurned, rules))
    return { refused: 'So much off the seal land weakens the flange.' };
  return { part: machined(part, parameter, to) };
}
