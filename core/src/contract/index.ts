import type { Static } from '@sinclair/typebox';
import { audit, compare, decode, faces, overview, page, pick, readNumber, records, search, tree, variantsOf } from './catalogue.js';
import { drillAsk, drillEnd, drillSheet } from './drill.js';
import { calculation, engine, identify, read } from './identify.js';
import { engines, grid, gridGroups, gridOrder, gridRows, gridSides, interchange, whatElse } from './interchange.js';

export { CatalogueChangesSchema, ExcerptSchema, RecordTypeSchema } from './catalogue.js';
export type { CatalogueChanges, ChoiceTold, Excerpt, FindingTold } from './catalogue.js';
export * from './documents.js';
export type { DrillEndTold, SheetLineTold } from './drill.js';
export type { AdviceTold, CandidateTold, CheckTold, LineUpTold, PartInEngineTold } from './identify.js';
export { GridRequestSchema, MOST_A_SIDE, MOST_LISTED, MOST_OF_SHELF } from './interchange.js';
export type { GridRequest, GridSides, JudgedCheckTold, JudgedJointTold, JudgementTold, NeedTold, OnSide, OptionTold, TakingTold } from './interchange.js';
export { AS_MEASURED, PartRefSchema, readAddress, writeAddress, type Address, type AddressSort, type PartRef } from './parts.js';
export type { Question } from './question.js';
export { IdSchema, KindSchema, list, SentenceSchema, shaped, VerdictSchema, WordingSchema, type Wording } from './schema.js';

/** Every question that a workshop answers. */
export const QUESTIONS = {
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
  drillSheet,
  drillAsk,
  drillEnd,
} as const;

export type QuestionName = keyof typeof QUESTIONS;
export const QUESTION_NAMES = Object.keys(QUESTIONS) as QuestionName[];
export type Requests = { readonly [N in QuestionName]: Static<(typeof QUESTIONS)[N]['request']> };
export type Answers = { readonly [N in QuestionName]: Static<(typeof QUESTIONS)[N]['answer']> };
