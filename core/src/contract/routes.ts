/** Where a question is put. */
export interface QuestionRoute {
  /** Address of its route under /api. */
  readonly path: string;
  /** Its answer has sentences, and its request takes the units they are said in. */
  readonly says?: true;
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
  interchange: { path: '/interchange', says: true },
  whatElse: { path: '/interchange/what-else', says: true },
  engines: { path: '/interchange/engines', says: true },
  grid: { path: '/interchange/grid' },
  gridSides: { path: '/interchange/grid/sides' },
  gridRows: { path: '/interchange/grid/rows' },
  gridOrder: { path: '/interchange/grid/order' },
  gridGroups: { path: '/interchange/grid/groups' },
  buildSheet: { path: '/builds/sheet', says: true },
  buildJoints: { path: '/builds/joints', says: true },
  buildCurves: { path: '/builds/curves' },
  buildSolve: { path: '/builds/solve' },
  buildSweep: { path: '/builds/sweep' },
  buildTolerance: { path: '/builds/tolerance' },
  buildBegin: { path: '/builds/begin' },
  planChoices: { path: '/plan/choices', says: true },
  planSets: { path: '/plan/sets', says: true },
  planWorth: { path: '/plan/worth', says: true },
  planConflicts: { path: '/plan/conflicts', says: true },
  fitSheet: { path: '/fit/sheet', says: true },
  fitShells: { path: '/fit/shells', says: true },
  fitBores: { path: '/fit/bores', says: true },
  fitSets: { path: '/fit/sets', says: true },
  orderList: { path: '/order/list', says: true },
  shopSheet: { path: '/order/work', says: true },
  assemblyNotes: { path: '/order/assembly', says: true },
  jobStages: { path: '/order/stages' },
  wantedBy: { path: '/order/wanted', says: true },
  search: { path: '/search', says: true },
  audit: { path: '/audit', says: true },
  compare: { path: '/compare', says: true },
  decode: { path: '/decode' },
  readNumber: { path: '/numbers' },
  records: { path: '/catalogue/records' },
  page: { path: '/catalogue/page' },
  overview: { path: '/catalogue/overview' },
  tree: { path: '/catalogue/tree' },
  variantsOf: { path: '/catalogue/variants' },
  pick: { path: '/catalogue/pick' },
  faces: { path: '/catalogue/faces' },
  calibration: { path: '/calibration' },
  practiceSheet: { path: '/practice/sheet' },
  practiceAsk: { path: '/practice/ask' },
  practiceEnd: { path: '/practice/end' },
} as const satisfies Readonly<Record<string, QuestionRoute>>;

export type QuestionName = keyof typeof ROUTES;
export const QUESTION_NAMES = Object.keys(ROUTES) as QuestionName[];
