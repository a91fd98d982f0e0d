export { Sorter } from './classes.js';
export { Grid, isNothingAgainst, verdictOf, verdictOfJoint } from './grid.js';
export * from './groups.js';
export * from './judge.js';
export * from './needs.js';
export { DONOR_KINDS, recipientsFor } from './pairing.js';
export * from './placedParts.js';
export { bestFirst } from './ranking.js';
export { bystandingIn, mayBeRecorded, meetingsOf } from './jointAssemblies.js';
export { ratioOfEngine } from './ratioOfEngine.js';
export { statedOf } from './statedOfEngine.js';
export * from './swapContext.js';
export { changedBy, type CheckAtJoint, type Consequence } from './consequences.js';
export {
  NoJointError,
  refuses,
  swap,
  swapParts,
  type JudgedCheck,
  type JudgedJoint,
  type JudgedOption,
  type LeftOut,
  type Swap,
} from './swap.js';
export { WhatElse, type Taker, type Takers } from './whatElse.js';
export { assembled, baseOf, sidesOf, type JointWithParts, type Sides } from './sides.js';
export { permitting, weigh, weighed, type Weighed } from './weigh.js';
export { givingWay, RENEWALS } from './chosenAnew.js';
