import type * as kinds from './kinds/index.js';

/** The id of a kind of part: the name it is listed by in `kinds/index.ts`. */
export type KindId = keyof typeof kinds;
