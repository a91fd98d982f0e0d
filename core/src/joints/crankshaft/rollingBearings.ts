import type { Interval } from '../../quantity/interval.js';

/** The nearest size to which a ring is made. */
export const nominal = (ring: Interval): number => Math.max(1, Math.round(ring.high));
