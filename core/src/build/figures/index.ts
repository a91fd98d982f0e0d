import { BALANCE } from './balance.js';
import type { Figure } from './figure.js';
import { LOADS } from './loads.js';
import { MOTION } from './motion.js';
import { RATIO } from './ratio.js';
import { ROOM } from './room.js';
import { TWO_STROKE } from './twoStroke.js';

export { SUBJECTS, type Figure, type Subject } from './figure.js';

/** Every figure of a build, in the order of the sheet. */
// Not spread: a page that wants none of them then has none of them in its code.
export const FIGURES: readonly Figure[] = [RATIO, MOTION, LOADS, ROOM, TWO_STROKE, BALANCE].flat();

const BY_ID = new Map(FIGURES.map((each) => [each.id, each]));

/** The figure of this id; undefined where there is none. */
export const figureOf = (id: string): Figure | undefined => BY_ID.get(id);
