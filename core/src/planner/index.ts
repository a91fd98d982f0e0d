export { conflictsOf, type Conflicts, type Demand, type Setting } from './conflicts.js';
export * from './demands.js';
export { setOf, type AimFound, type SetFound } from './evaluate.js';
export { SHAPES, type Choice, type Option } from './options.js';
export { planFor } from './plan.js';
export { problemOf, type PlanGround, type PlanProblem } from './problem.js';
export type { SearchResult } from './search.js';
export { nonsenseOf } from './nonsense.js';
