import type { Sentence } from '../quantity/sentence.js';
import type { Evidence } from './evidence.js';
import type { OwnValue } from './ownValue.js';
import type { Slip } from './slips.js';

/** One piece of evidence, pulling for (positive) or against a candidate. */
export interface Pull {
  /** The words of the reading. */
  readonly text: string;
  readonly sort: Evidence['sort'];
  /** Weight against a part in no catalogue. The weights of a candidate add up. */
  readonly decibans: number;
  readonly why: Sentence;
  /** What was probably meant, where a slip explains a size that speaks against it: with it the size fits. */
  readonly meant?: Slip;
  /**
   * The pattern stands alone in its family in the size that speaks against it, and what was measured is what the others
   * have: the record may be wrong.
   */
  readonly recordDoubtful?: true;
}

export interface Candidate {
  readonly pattern: string;
  readonly probability: number;
  readonly pulls: readonly Pull[];
  /** Of a part like the pattern, but none of it: what it has otherwise. */
  readonly own?: readonly OwnValue[];
}
