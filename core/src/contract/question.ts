import type { TSchema } from '@sinclair/typebox';
import type { QuestionRoute } from './routes.js';

/** Part of the documentation that a question stands in. */
export type Subject = 'bench' | 'jobs' | 'swap' | 'builds' | 'fit' | 'order' | 'practice' | 'catalogue';

/**
 * One question that a workshop answers: what is asked, what comes back, and where. From it come the route of the server
 * with its check and its documentation, the message to the browser's worker, and the types of both ends.
 */
export interface Question<Request extends TSchema = TSchema, Answer extends TSchema = TSchema> extends QuestionRoute {
  readonly summary: string;
  readonly subject: Subject;
  readonly request: Request;
  readonly answer: Answer;
  /** An example of the request, for the documentation. */
  readonly example: unknown;
  /** May take seconds over a large catalogue: it is not to hold up those that take milliseconds. */
  readonly long?: true;
}

/** Declares a question. */
export const question = <Request extends TSchema, Answer extends TSchema>(
  declared: Question<Request, Answer>,
): Question<Request, Answer> => declared;
