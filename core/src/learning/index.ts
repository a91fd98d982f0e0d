export { bandsOf, brier, brierBetween, shareBetween, type Answer, type Band } from './calibration.js';
export { confirmedCases, type ConfirmedCase } from './cases.js';
export { asDimension, measuredHere, type MeasuredHere } from './measuredHere.js';
export { PRIOR_CASES, reestimate, type Reestimated } from './reestimate.js';
export { CONTRADICTED_HERE, contradictedHere } from './contradicted.js';
