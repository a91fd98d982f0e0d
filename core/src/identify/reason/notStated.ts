import type { Sentence } from '../../quantity/sentence.js';

/** For what the catalogue leaves open of a pattern. */
export const notStated = (what: string): Sentence => [`${what}: the catalogue does not say, so it counts neither way.`];
