import type { Static } from '@sinclair/typebox';
import {
  audit,
  compare,
  decode,
  faces,
  overview,
  page,
  pick,
  readNumber,
  records,
  search,
  tree,
  variantsOf,
} from './catalogue.js';
import { buildBegin, buildCurves, buildJoints, buildSheet, buildSolve, buildSweep, buildTolerance } from './builds.js';
import { fitBores, fitSets, fitSheet, fitShells } from './fit.js';
import { assemblyNotes, jobStages, orderList, shopSheet, wantedBy } from './order.js';
import { planChoices, planConflicts, planSets, planWorth } from './plan.js';
import { calibration } from './learning.js';
import { practiceAsk, practiceEnd, practiceSheet } from './practice.js';
import { calculation, engine, identify, kindsMeant, read } from './identify.js';
import { engines, grid, gridGroups, gridOrder, gridRows, gridSides, interchange, whatElse } from './interchange.js';
import type { QuestionName } from './routes.js';

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
export type { Question } from './question.js';
export { QUESTION_NAMES, ROUTES, type QuestionName, type QuestionRoute } from './routes.js';
export { IdSchema, shaped, WordingSchema, type Wording } from './schema.js';

/** Every question that a workshop answers. */
export const QUESTIONS = {
  kindsMeant,
  read,
  identify,
  calculation,
  engine,
  interchange,
  whatElse,
  engines,
  grid,
  gridSides,
  gridRows,
  gridOrder,
  gridGroups,
  buildSheet,
  buildJoints,
  buildCurves,
  buildSolve,
  buildSweep,
  buildTolerance,
  buildBegin,
  planChoices,
  planSets,
  planWorth,
  planConflicts,
  fitSheet,
  fitShells,
  fitBores,
  fitSets,
  orderList,
  shopSheet,
  assemblyNotes,
  jobStages,
  wantedBy,
  search,
  audit,
  compare,
  decode,
  readNumber,
  records,
  page,
  overview,
  tree,
  variantsOf,
  pick,
  faces,
  calibration,
  practiceSheet,
  practiceAsk,
  practiceEnd,
} as const satisfies Readonly<Record<QuestionName, object>>;

export type Requests = { readonly [N in QuestionName]: Static<(typeof QUESTIONS)[N]['request']> };
export type Answers = { readonly [N in QuestionName]: Static<(typeof QUESTIONS)[N]['answer']> };
