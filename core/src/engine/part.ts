import type { KindId } from '../dictionary/dictionary.js';
import type { LineUp } from '../identify/index.js';
import type { Sentence } from '../quantity/sentence.js';

/** Below this probability a part is said not to belong. */
export const FOREIGN_BELOW = 0.05;

/** What is told of one part of an engine. */
export interface PartInEngine {
  readonly specimen: string;
  readonly name: string;
  readonly kind: KindId;
  /** Its own line-up, from its readings alone. */
  readonly lineUp: LineUp;
  /** Probability that it came with this engine, over the engines it may be; undefined where nothing tells. */
  readonly belongs: number | undefined;
  /** What the likeliest engine carries there, likeliest first. */
  readonly expected: readonly string[];
  /** Why it does, or does not. */
  readonly because: Sentence;
}
