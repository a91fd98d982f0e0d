/**
 * The numbers the identification rests on that no part can tell. From memory of the trade, to be learnt from records
 * later; each is a plain probability so that it can be argued about.
 */
export const ASSUMED = {
  /** A part on the bench is in no catalogue. */
  notInCatalogue: 0.05,
  /** A size was taken at the wrong place, misread or written wrongly. */
  sizeMistaken: 0.003,
  /** A mark was read that the catalogue does not record for the part: a date, a foundry, a workshop. */
  markUnrecorded: 0.05,
  /** A journal that can be reground has not been. */
  standardSize: 0.75,
  /** A part worn several times more than is usual. */
  muchWorn: 0.1,
  /** How many times more. */
  muchWornTimes: 4,
  /** An unknown part shares this size with the parts of the catalogue: it is often a sister of one. */
  sharedSize: 0.25,
  /** An unknown part bears a mark of the catalogue. */
  sharedMark: 0.02,
  /** A mark is looked for at its place and is not there, though the catalogue records it. */
  markGone: 0.1,
  /** A mark recorded in one place is found in another; or said to be cast and is stamped. */
  elsewhere: 0.3,
} as const;

/** Decibans at and below which one piece of evidence is a strong contradiction. */
export const STRONG_CONTRADICTION = -10;
/** Probability from which an answer is settled, when nothing contradicts it strongly. */
export const SETTLED_FROM = 0.98;
/** Probability from which an answer is probable. */
export const PROBABLE_FROM = 0.75;

/** Natural logarithm of a likelihood ratio, as decibans: ten times its decimal logarithm (I. J. Good, Biometrika 66 (1979) 393). */
export const decibans = (logRatio: number): number => (10 * logRatio) / Math.LN10;
