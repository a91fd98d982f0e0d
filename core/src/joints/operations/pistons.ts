import type { Part } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { around, middle, shifted, width, type Interval } from '../../quantity/interval.js';
import { cylinders, deck, limitOf, rods, type HasFigures } from '../../thumb/index.js';
import { machined } from '../assembly.js';
import { cut, type Worked } from './operation.js';

/** Turns `by` off the crown: the piston gets lower, its bowl shallower by the same. */
export function machineCrown(part: Part, by: number, rules: HasFigures = {}): Worked {
  const height = piston.parameters.compressionHeight;
  const now = part.values[height.id]?.interval;
  if (!now) return { refused: 'The compression height is not known.', unknown: height.id };
  if (by > limitOf(deck.crownTurned, rules)) return { refused: 'So much off the crown weakens it over the top ring.' };
  return { part: machined(part, height, shifted(now, -by)) };
}

/**
 * Cuts valve pockets: deeper ones, or ones for valves that had none. The crown takes what was cut away.
 *
 * @param count pockets there should be; as many as there are where nobody knows
 * @param deeper how much deeper, mm
 * @param valve diameter of the largest valve, mm; where it is not known the crown volume is unknown afterwards
 */
export function cutPockets(
  part: Part,
  {
    count,
    deeper,
    valve,
  }: { readonly count: string | undefined; readonly deeper: number; readonly valve: number | undefined },
  rules: HasFigures = {},
): Worked {
  const { 'valvePocket.depth': depth, 'crown.volume': volume, 'crown.dome': dome } = piston.parameters;
  const had = Number(part.looks[piston.features.valvePockets.id]?.option ?? 0);
  const has = Math.max(had, Number(count ?? 0));
  if (has === 0)
    return { refused: 'How many valves there are is not known.', unknown: piston.features.valvePockets.id };
  const now = had === 0 ? around(0, 0) : part.values[depth.id]?.interval;
  if (deeper > limitOf(deck.pocketDeepened, rules))
    return { refused: 'So deep a pocket leaves too little crown under it.' };
  if (!now && deeper > 0) return { refused: 'The depth of the pockets is not known.', unknown: depth.id };
  // Where nobody measured them, a pocket for another valve is reckoned with the usual depth.
  const before = now ? middle(now) : limitOf(deck.pocketDepth, rules);
  const to = before + deeper;
  const cut = (has * to - had * before) * ((Math.PI / 4) * (valve ?? 0) ** 2 * limitOf(deck.pocketShare, rules));
  const looks = {
    ...part.looks,
    [piston.features.valvePockets.id]: { option: String(has), source: 'machined' as const },
  };
  const deep = now ? machined({ ...part, looks }, depth, shifted(now, to - before)) : { ...part, looks };
  // A dome is told net of its pockets; what is cut away now is hollow.
  const bowl = part.values[volume.id]?.interval ?? (part.values[dome.id] && around(0, 0));
  if (!bowl) return { part: deep };
  if (valve !== undefined) return { part: machined(deep, volume, shifted(bowl, cut / 1000)) };
  const { [volume.id]: _unknownNow, ...values } = deep.values;
  return { part: { ...deep, values } };
}

/** Hones the pin bores out to `to`. */
export const openPinBore = (part: Part, to: Interval, rules: HasFigures = {}): Worked =>
  cut(part, piston.parameters['pin.diameter'], to, {
    way: 'larger',
    most: limitOf(rods.pinBoreOpened, rules) + width(to),
    tooFar: 'So much is another pin, not a fit.',
  });

/** Turns a ring groove wider, to `to`. */
export const widenGroove = (part: Part, groove: Parameter, to: Interval, rules: HasFigures = {}): Worked =>
  cut(part, groove, to, {
    way: 'larger',
    most: limitOf(cylinders.grooveWidened, rules),
    tooFar: 'So much leaves the land beside it too thin.',
  });
