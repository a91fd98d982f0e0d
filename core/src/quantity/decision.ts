import { COVERAGE, expanded, type Estimate, type Precision } from './instrument.js';
import { apart, contains, type Interval } from './interval.js';

/** Where a measured size lies to its limits, once what the instrument cannot tell is guarded in. */
type Decision = 'inside' | 'outside' | 'cannotTell';

/**
 * Decides whether a size lies inside its limits, with a guard band of the expanded uncertainty on either side
 * (ISO 14253-1:2017, 5.2 and 5.3: conformity and non-conformity are only proven past the uncertainty).
 */
export const decide = (measured: Estimate, limits: Interval): Decision => decideWithin(expanded(measured), limits);

/**
 * The same for a size that is known as an interval already: the estimate give or take its expanded uncertainty.
 *
 * @param measured in the unit of the limits
 * @param leeway limits past which alone it is surely outside, where those given are only a rule of thumb
 * @example decideWithin({ low: 0.03, high: 0.09 }, { low: 0.025, high: 0.1 }) // 'inside'
 */
export function decideWithin(measured: Interval, limits: Interval, leeway: Interval = limits): Decision {
  if (contains(limits, measured)) return 'inside';
  return apart(measured, leeway) ? 'outside' : 'cannotTell';
}

/** Standard uncertainty of one reading with an instrument: JCGM 100:2008, 4.3.7, as in `estimate`. Inside unit. */
export const uncertaintyOf = ({ permissibleError, resolution }: Precision): number =>
  Math.sqrt(permissibleError ** 2 / 3 + resolution ** 2 / 12);

/**
 * Whether an instrument can tell two classes of one size apart: their middles lie further apart than the expanded
 * uncertainty of the difference between the reading and either class. *Common practice, no source*, for taking the
 * middles; the expanded uncertainty is that of JCGM 100:2008, 6.2.1.
 */
export function separable(a: Interval, b: Interval, instrument: Precision): boolean {
  const apart = Math.abs((a.low + a.high) / 2 - (b.low + b.high) / 2);
  return apart > COVERAGE * uncertaintyOf(instrument);
}
