export { conflictsOf, type Conflicts, type Demand, type Setting } from './conflicts.js';
export { DemandsSchema, type Demands, type PlaceDemand, type Target } from './demands.js';
export { MOST_ANSWERS, TAKEN_FROM, USUAL_OPEN, USUAL_WEIGHTS, type TakenFrom } from './usual.js';
export { setOf, type AimFound, type SetFound } from './evaluate.js';
export { SHAPES, type Choice, type Option } from './options.js';
export { planFor } from './plan.js';
export { problemOf, type PlanGround, type PlanProblem } from './problem.js';
export type { SearchResult } from './search.js';
export { nonsenseOf } from './nonsense.js';
