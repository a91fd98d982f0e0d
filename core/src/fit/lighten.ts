import { pin } from '../dictionary/kinds/pin.js';
import { piston } from '../dictionary/kinds/piston.js';
import { rod } from '../dictionary/kinds/rod.js';

/**
 * Where a part has metal to spare, by the weight that is too much. Common practice, no source. Of lifters and valves
 * nothing is taken off.
 */
const METAL_TO_SPARE: Readonly<Record<string, string>> = {
  [rod.parameters['mass.bigEnd'].id]: 'the pad of the cap',
  [rod.parameters['mass.smallEnd'].id]: 'the pad over the small end',
  [rod.parameters.mass.id]: 'the pads of both ends: weigh the ends to know which',
  [piston.parameters.mass.id]: 'the inside of the pin bosses, both alike',
  [pin.parameters.mass.id]: 'the bore of the pin, at both ends alike',
};

/** What has to come off a piece before its set weighs alike. */
interface ToComeOff {
  /** Id of the weight that is too much. */
  readonly of: string;
  readonly grams: number;
  /** Boss, pad or cap it comes off; absent where such a part is not lightened, and another is chosen. */
  readonly from?: string;
}

/**
 * The least that brings all pieces to within what is allowed of the lightest.
 *
 * @param of id of the weight
 * @param weights of the pieces, grams
 * @param allowed largest less smallest, grams
 * @returns for each piece, undefined where nothing has to come off
 */
export function toComeOff(of: string, weights: readonly number[], allowed: number): readonly (ToComeOff | undefined)[] {
  const most = Math.min(...weights) + allowed;
  const from = METAL_TO_SPARE[of];
  return weights.map((weight) =>
    weight > most ? { of, grams: weight - most, ...(from === undefined ? {} : { from }) } : undefined,
  );
}
