/** A closed interval of values in the inside unit: a tolerance, an uncertainty, a required band. `low <= high`. */
export interface Interval {
  readonly low: number;
  readonly high: number;
}

/** An interval from its ends. Throws a RangeError when they are not finite numbers in order. */
export function interval(low: number, high: number = low): Interval {
  if (!Number.isFinite(low) || !Number.isFinite(high) || low > high) {
    throw new RangeError(`An interval needs two finite numbers in order, not ${low} and ${high}.`);
  }
  return { low, high };
}

/** `centre` give or take `half`. */
export const around = (centre: number, half: number): Interval => interval(centre - half, centre + half);

export const plus = (a: Interval, b: Interval): Interval => ({ low: a.low + b.low, high: a.high + b.high });

/** The worst-case difference: each end pairs the far ends of the two. */
export const minus = (a: Interval, b: Interval): Interval => ({ low: a.low - b.high, high: a.high - b.low });

export const shifted = (a: Interval, by: number): Interval => ({ low: a.low + by, high: a.high + by });

/** The interval times a number, which may be negative. */
export function scaled(a: Interval, by: number): Interval {
  return by >= 0 ? { low: a.low * by, high: a.high * by } : { low: a.high * by, high: a.low * by };
}

/** Half way between the ends. */
export const middle = (a: Interval): number => (a.low + a.high) / 2;

export const width = (a: Interval): number => a.high - a.low;

/**
 * Two values that differ by less than this are the same: 0.1 µm is a tenth of the finest workshop
 * resolution, and far above the rounding of sums of inch and millimetre figures.
 */
export const SAME_WITHIN = 0.0001;

/** Whether all of `inner` lies inside `outer`. */
export const contains = (outer: Interval, inner: Interval): boolean =>
  inner.low >= outer.low - SAME_WITHIN && inner.high <= outer.high + SAME_WITHIN;

/** Whether the two share no value. */
export const apart = (a: Interval, b: Interval): boolean =>
  a.low > b.high + SAME_WITHIN || a.high < b.low - SAME_WITHIN;

/**
 * How far `found` stays inside `required`: positive, the smaller distance to an end; negative, how far the
 * worst end of `found` sticks out.
 */
export const margin = (found: Interval, required: Interval): number =>
  Math.min(found.low - required.low, required.high - found.high);
