export { bandsOf, brier, brierBetween, type Answer } from './calibration.js';
export { confirmedCases } from './cases.js';
export { CONTRADICTED_HERE, contradictedHere } from './contradicted.js';
export { asDimension, measuredHere } from './measuredHere.js';
export { PRIOR_CASES, reestimate } from './reestimate.js';
