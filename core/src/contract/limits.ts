/** Lists of interchange hold at most so many; what is over is counted. */
export const MOST_LISTED = 200;
/** Grids have at most so many a side. */
export const MOST_A_SIDE = 1000;
/** At most so many specimens of the shelf are looked at when it is asked what else there is. */
export const MOST_OF_SHELF = 500;
/** Parts of one bench that are judged together. */
export const MOST_TOGETHER = 60;
/** At most so many confirmed specimens are learnt from, the last changed. */
export const MOST_CONFIRMED = 2000;
/** Parts of one job: an engine of five hundred parts, and some. */
export const MOST_OF_JOB = 600;
/** Lines of price lists that a plan may buy from. */
export const MOST_OFFERS = 20_000;
