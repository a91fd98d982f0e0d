import type { QuestionName, Requests } from '../contract/index.js';

/** A question with its request. */
export interface Asked<N extends QuestionName = QuestionName> {
  readonly name: N;
  readonly request: Requests[N];
}

export const asked = <N extends QuestionName>(name: N, request: Requests[N]): Asked => ({ name, request });
