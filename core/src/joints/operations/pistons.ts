import type { Part } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { around, middle, shifted, width, type Interval } from '../../quantity/interval.js';
import { machined } from '../assembly.js';
import { cut, type Worked } from './operation.js';

/** Most that is taken off a crown. *Common practice, no source*: the top ring and the bowl want what is under it. */
const MOST_OFF_CROWN = 0.8;

/** Turns `by` off the crown: the piston gets lower, its bowl shallower by the same. */
export function machineCrown(part: Part, by: number): Worked {
  const height = piston.parameters.compressionHeight;
  const now = part.values[height.id]?.interval;
  if (!now) return { refused: 'The compression height is not known.', unknown: height.id };
  if (by > MOST_OFF_CROWN) return { refused: 'So much off the crown weakens it over the top ring.' };
  return { part: machined(part, height, shifted(now, -by)) };
}

/** Most that a pin bore is opened. *Common practice, no source.* */
const MOST_OFF_PIN_BORE = 0.03;

/** Hones the pin bores out to `to`. */
export const openPinBore = (part: Part, to: Interval): Worked =>
  cut(part, piston.parameters['pin.diameter'], to, {
    way: 'larger',
    most: MOST_OFF_PIN_BORE + width(to),
    tooFar: 'So much is another pin, not a fit.',
  });

/** Most that a ring groove is widened, for a spacer or a wider ring. *Common practice, no source.* */
const MOST_WIDENED = 0.7;

/** Turns a ring groove wider, to `to`. */
export const widenGroove = (part: Part, groove: Parameter, to: Interval): Worked =>
  cut(part, groove, to, { way: 'larger', most: MOST_WIDENED, tooFar: 'So much leaves the land beside it too thin.' });

/** The groove that leaves a ring of this height the play wanted, as a lathe holds it. */
export const grooveFor = (ring: Interval, play: Interval): Interval => around(middle(ring) + middle(play), 0.005);
