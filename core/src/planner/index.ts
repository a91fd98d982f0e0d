export { conflictsOf, type Demand } from './conflicts.js';
export { DemandsSchema, type Demands } from './demands.js';
export { TAKEN_FROM, USUAL_OPEN, usualWeights, type TakenFrom } from './usual.js';
export { setOf, type AimFound, type SetFound } from './evaluate.js';
export type { Option } from './options.js';
export { planFor } from './plan.js';
export { problemOf, type PlanGround, type PlanProblem } from './problem.js';
export { worthOf } from './worth.js';
export { nonsenseOf } from './nonsense.js';
