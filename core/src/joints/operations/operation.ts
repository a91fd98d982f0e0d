import type { Part } from '../../catalogue/part.js';

/** What work on a part gives: the part as it then is, or why the work may not be done. */
export type Worked = { readonly part: Part } | { readonly refused: string };
