import { minus, scaled, type Interval } from '../quantity/interval.js';

/**
 * How far the flat of the piston stands below the deck at top dead centre; negative where it stands proud.
 * Deck height - stroke / 2 - rod length - compression height. Millimetres. *Common practice, no source.*
 */
export const deckClearance = (
  deckHeight: Interval,
  stroke: Interval,
  rodLength: Interval,
  compressionHeight: Interval,
): Interval => minus(minus(minus(deckHeight, scaled(stroke, 0.5)), rodLength), compressionHeight);
