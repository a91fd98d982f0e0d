import { QUESTIONS, shaped, type Answers, type QuestionName, type Requests, type Wording } from '../contract/index.js';
import { TO_ITS_END, type Course } from './answers/answering.js';
import { ANSWERS } from './answers/index.js';
import { KeptCatalogue } from './keptCatalogue.js';

/** A catalogue with fewer patterns is laid out so fast that nobody notices. */
const SMALL = 4000;

/**
 * Answers every question there is over a catalogue. The worker of the browser and the threads of
 * the server are thin adapters of it: what they answer to the same question is the same.
 */
export class Workshop extends KeptCatalogue {
  /**
   * Answers a question. Throws a DataError, NoJointError, UnknownPartError, UnknownRecordError or CompareError where
   * it cannot; `refusalOf` makes of those what is told.
   */
  ask<N extends QuestionName>(
    name: N,
    request: Requests[N],
    wording: Wording = 'pieces',
    course: Course = TO_ITS_END,
  ): Answers[N] {
    return shaped(QUESTIONS[name].answer, ANSWERS[name](this, request, course), wording) as Answers[N];
  }

  /**
   * Whether a question can be answered without laying anything out for it first that takes more than a moment;
   * `prepare` does that.
   */
  isPrepared<N extends QuestionName>(name: N, request: Requests[N]): boolean {
    if (this.catalogue.catalogue.patterns.length < SMALL) return true;
    if (name === 'search') return this.search.isLaidOut;
    if (name === 'identify') return this.hasIndex((request as Requests['identify']).kind);
    return name !== 'audit' || this.isAudited;
  }

  prepare<N extends QuestionName>(name: N, request: Requests[N]): void {
    if (name === 'search') this.search.layOut();
    else if (name === 'identify') this.index((request as Requests['identify']).kind);
    else if (name === 'audit') this.findings();
  }
}
