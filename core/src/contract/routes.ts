import type { NeedName } from './needs.js';

/** Where a question is put. */
export interface QuestionRoute {
  /** Address of its route under /api. */
  readonly path: string;
  /** Its answer has sentences, and its request takes the units they are said in. */
  readonly says?: true;
  /** What it takes of the documents that the shop keeps, in the order in which one rests on the other. */
  readonly needs?: readonly NeedName[];
}

/**
 * Every question by where it is put: all that a page must know of it to ask. What is asked and answered stands in
 * QUESTIONS.
 */
export const ROUTES = {
  read: { path: '/read', says: true },
  kindsMeant: { path: '/kinds' },
  identify: { path: '/identify', says: true },
  calculation: { path: '/identify/calculation', says: true },
  engine: { path: '/engine', says: true },
  interchange: { path: '/interchange', says: true, needs: ['donors', 'recipients'] },
  whatElse: { path: '/interchange/what-else', says: true, needs: ['part', 'shelfOfKind'] },
  engines: { path: '/interchange/engines', says: true, needs: ['donors'] },
  grid: { path: '/interchange/grid' },
  gridSides: { path: '/interchange/grid/sides' },
  gridRows: { path: '/interchange/grid/rows' },
  gridOrder: { path: '/interchange/grid/order' },
  gridGroups: { path: '/interchange/grid/groups' },
  buildSheet: { path: '/builds/sheet', says: true, needs: ['partsOfBuild'] },
  buildJoints: { path: '/builds/joints', says: true, needs: ['partsOfBuild'] },
  buildCurves: { path: '/builds/curves', needs: ['partsOfBuild'] },
  buildSolve: { path: '/builds/solve', needs: ['partsOfBuild'] },
  buildSweep: { path: '/builds/sweep', needs: ['partsOfBuild'] },
  buildTolerance: { path: '/builds/tolerance', needs: ['partsOfBuild'] },
  buildBegin: { path: '/builds/begin', needs: ['partsOfJob'] },
  planChoices: { path: '/plan/choices', says: true, needs: ['partsOfBuild', 'sellers', 'shelfForBuild'] },
  planSets: { path: '/plan/sets', says: true, needs: ['partsOfBuild', 'sellers', 'offers', 'shelfForBuild'] },
  planWorth: { path: '/plan/worth', says: true, needs: ['partsOfBuild', 'sellers', 'offers', 'shelfForBuild'] },
  planConflicts: { path: '/plan/conflicts', says: true, needs: ['partsOfBuild', 'sellers', 'offers', 'shelfForBuild'] },
  fitSheet: { path: '/fit/sheet', says: true, needs: ['specimen'] },
  fitShells: { path: '/fit/shells', says: true, needs: ['partsOfJob', 'shelfOfShells'] },
  fitBores: { path: '/fit/bores', says: true, needs: ['specimen'] },
  fitSets: { path: '/fit/sets', says: true },
  orderList: { path: '/order/list', says: true, needs: ['job', 'shelfForJob'] },
  shopSheet: { path: '/order/work', says: true, needs: ['job'] },
  assemblyNotes: { path: '/order/assembly', says: true, needs: ['job'] },
  jobStages: { path: '/order/stages', needs: ['job'] },
  wantedBy: { path: '/order/wanted', says: true, needs: ['specimen', 'openJobs'] },
  search: { path: '/search', says: true },
  audit: { path: '/audit', says: true, needs: ['confirmed'] },
  compare: { path: '/compare', says: true, needs: ['subjects'] },
  decode: { path: '/decode' },
  readNumber: { path: '/numbers' },
  records: { path: '/catalogue/records' },
  page: { path: '/catalogue/page' },
  overview: { path: '/catalogue/overview' },
  tree: { path: '/catalogue/tree' },
  variantsOf: { path: '/catalogue/variants' },
  pick: { path: '/catalogue/pick' },
  faces: { path: '/catalogue/faces' },
  calibration: { path: '/calibration', needs: ['confirmed'] },
  practiceSheet: { path: '/practice/sheet' },
  practiceAsk: { path: '/practice/ask' },
  practiceEnd: { path: '/practice/end' },
} as const satisfies Readonly<Record<string, QuestionRoute>>;

export type QuestionName = keyof typeof ROUTES;
export const QUESTION_NAMES = Object.keys(ROUTES) as QuestionName[];
