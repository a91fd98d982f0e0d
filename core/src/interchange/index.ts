export { Grid, isNothingAgainst, verdictOf, verdictOfJoint } from './grid.js';
export * from './groups.js';
export * from './judge.js';
export * from './needs.js';
export { DONOR_KINDS, recipientsFor } from './pairing.js';
export * from './placedParts.js';
export { bestFirst } from './ranking.js';
export { ratioOfEngine } from './ratioOfEngine.js';
export { statedOf } from './statedOfEngine.js';
export * from './swapContext.js';
export type { Consequence } from './consequences.js';
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
