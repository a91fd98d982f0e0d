import type { TSchema } from '@sinclair/typebox';
import type { NeedName } from './needs.js';

/** Where a question is put, and what it takes: all that a page must know of it to ask. */
export interface QuestionRoute {
  /** Address of its route under /api. */
  readonly path: string;
  /** Its answer has sentences, and its request takes the units they are said in. */
  readonly says?: true;
  /** What it takes of the documents that the shop keeps, in the order in which one rests on the other. */
  readonly needs?: readonly NeedName[];
}

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

type QuestionsIn<Module> = {
  readonly [Name in keyof Module as Module[Name] extends Question ? Name : never]: Module[Name];
};

const isQuestion = (declared: unknown): declared is Question =>
  typeof declared === 'object' && declared !== null && 'request' in declared && 'answer' in declared;

/**
 * The questions among what modules declare, each by the name it is declared with.
 *
 * @param declared a function, so that a page that asks none of this carries none of it: a bundler keeps what is spread
 */
export const questionsIn = <Module extends object>(declared: () => Module): QuestionsIn<Module> =>
  Object.fromEntries(Object.entries(declared()).filter(([, each]) => isQuestion(each))) as QuestionsIn<Module>;
