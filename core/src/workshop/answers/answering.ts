import type { Answers, QuestionName, Requests } from '../../contract/index.js';
import type { Holdings } from '../holdings.js';

/** How a question is answered: its request in, its answer out; nothing else goes in or out. */
export type Answering<N extends QuestionName> = (workshop: Holdings, request: Requests[N]) => Answers[N];
