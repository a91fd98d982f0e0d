import { plus, type Interval } from '../quantity/interval.js';

/** Cubic centimetres in a cubic millimetre. */
const CC = 1 / 1000;

/**
 * Volume of a disc, cubic centimetres, from millimetres. Ends are worst case; a negative height gives a negative
 * volume.
 */
function disc(diameter: Interval, height: Interval): Interval {
  const area = (d: number) => (Math.PI / 4) * d * d * CC;
  const corners = [diameter.low, diameter.high].flatMap((d) => [area(d) * height.low, area(d) * height.high]);
  return { low: Math.min(...corners), high: Math.max(...corners) };
}

/** What stands over the piston at top dead centre. Cubic centimetres; lengths in millimetres. */
interface Clearance {
  readonly chamber: Interval;
  readonly gasketBore: Interval;
  readonly gasketThickness: Interval;
  readonly bore: Interval;
  readonly deckClearance: Interval;
  /** Bowl and pockets less dome; negative for a dome. */
  readonly crown: Interval;
}

/**
 * Volume over the piston at top dead centre: chamber, gasket, the room to the deck, and what the crown gives or takes.
 */
export const clearanceVolume = ({
  chamber,
  gasketBore,
  gasketThickness,
  bore,
  deckClearance,
  crown,
}: Clearance): Interval => [chamber, disc(gasketBore, gasketThickness), disc(bore, deckClearance), crown].reduce(plus);

/** Volume swept by one piston, cubic centimetres. */
export const sweptVolume = (bore: Interval, stroke: Interval): Interval => disc(bore, stroke);

/** (Swept + clearance) / clearance. Worst case. Throws a RangeError where nothing is left over the piston. */
export function compressionRatio(swept: Interval, clearance: Interval): Interval {
  if (clearance.low <= 0)
    throw new RangeError('There is no room left over the piston: the clearance volume is not positive.');
  return { low: 1 + swept.low / clearance.high, high: 1 + swept.high / clearance.low };
}
