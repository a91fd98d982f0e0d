import type { Static } from '@sinclair/typebox';
import * as builds from './builds.js';
import * as catalogue from './catalogue.js';
import * as fit from './fit.js';
import * as identify from './identify.js';
import * as interchange from './interchange.js';
import * as learning from './learning.js';
import * as order from './order.js';
import * as plan from './plan.js';
import * as practice from './practice.js';
import type { NeedName } from './needs.js';
import { questionsIn, type QuestionRoute } from './question.js';

export { AS_MEASURED, readAddress, writeAddress, type Address } from './address.js';
export { CatalogueChangesSchema, RecordTypeSchema } from './catalogue.js';
export type { CatalogueChanges, ChoiceTold, Excerpt } from './catalogue.js';
export type { CurveTold, FigureFoundTold, FigureTold, PlacedTold } from './builds.js';
export * from './documents.js';
export { PlanProgressSchema, SetsAskedSchema } from './plan.js';
export { isOver, MOST_SEARCHES, SEARCH_STATES, type SearchState } from './searchState.js';
export { SetSearchSchema, type SetSearch } from './setSearch.js';
export type { PlanProgress, SetTold } from './plan.js';
export type { MeasuredHereTold } from './learning.js';
export type { RoundEndAnswer, SheetLineTold } from './practice.js';
export type { AdviceTold, CandidateTold, CheckTold, LineUpTold, PartInEngineTold } from './identify.js';
export { DOCUMENT_SORTS, type DocumentSort } from './documentSort.js';
export { GridRequestSchema } from './interchange.js';
export type {
  GridRequest,
  GridSides,
  JudgedCheckTold,
  JudgedJointTold,
  JudgementTold,
  NeedTold,
  OnSide,
  OptionTold,
  TakingTold,
} from './interchange.js';
export {
  MOST_A_SIDE,
  MOST_CONFIRMED,
  MOST_LISTED,
  MOST_OF_JOB,
  MOST_OF_SHELF,
  MOST_OFFERS,
  MOST_TOGETHER,
} from './limits.js';
export { NEEDS, type NeedName } from './needs.js';
export { type PartRef } from './parts.js';
export {
  RECORD_ROUTES,
  RESOURCES,
  type Resource,
  type Route,
  type RouteError,
  type Sent,
  type Told,
} from './resources/index.js';
export type { Question, QuestionRoute } from './question.js';
export { IdSchema, shaped, WordingSchema, type Wording } from './schema.js';

/** Every question that a workshop answers: whatever is declared as one in a module of a subject. */
export const QUESTIONS = questionsIn(() => ({
  ...identify,
  ...interchange,
  ...builds,
  ...plan,
  ...fit,
  ...order,
  ...catalogue,
  ...learning,
  ...practice,
}));

export type QuestionName = keyof typeof QUESTIONS;
export const QUESTION_NAMES = Object.keys(QUESTIONS) as QuestionName[];

/** What a question needs of the documents. */
export const needsOf = (name: QuestionName): readonly NeedName[] => (QUESTIONS[name] as QuestionRoute).needs ?? [];

export type Requests = { readonly [N in QuestionName]: Static<(typeof QUESTIONS)[N]['request']> };
export type Answers = { readonly [N in QuestionName]: Static<(typeof QUESTIONS)[N]['answer']> };
