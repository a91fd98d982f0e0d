import type { Answers, PlanProgress, QuestionName, Requests } from '../../contract/index.js';
import type { KeptCatalogue } from '../keptCatalogue.js';

/** What whoever asks has to say while an answer that takes long is worked out, and wants to hear. */
export interface Course {
  /** Asked now and then: whether nobody waits for the answer any more. */
  readonly isStopped: () => boolean;
  /** Told how far a search for sets has come; makes of it what it wants to know only when it asks. */
  readonly searchTold?: (progress: () => PlanProgress) => void;
}

/** Nobody stops it and nobody listens. */
export const TO_ITS_END: Course = { isStopped: () => false };

/** How a question is answered: its request in, its answer out; nothing else goes in or out. */
export type Answering<N extends QuestionName> = (
  workshop: KeptCatalogue,
  request: Requests[N],
  course: Course,
) => Answers[N];
