import { bigEnds, shellsInRod } from './bigEnds.js';
import { pistonAmongOthers, rodAmongOthers } from './besides.js';
import { camInBlock, camInHead, camInPlace, camOnLifters, camOnSprings } from './cams.js';
import type { Joint } from './check.js';
import { crankcase, rodsInCase } from './crankcase.js';
import { pistonInBlock, pistonInLiner } from './cylinders.js';
import { crownAndChamber } from './crowns.js';
import { compression, deck, squish } from './deck.js';
import { crankInPlace, frontEnd, rearEnd } from './ends.js';
import { fastenerInPlace } from './fasteners.js';
import { gasketOnBlock, gasketOnHead, headOnBlock } from './heads.js';
import { lifterInBlock, lifterInHead, lifterInPlace } from './lifters.js';
import { liners } from './liners.js';
import { location } from './location.js';
import { mains } from './mains.js';
import { blockInPlace, coverInPlace, coverOnBlock, flywheelInPlace, flywheelOnCrank, headInPlace, sealInCover, sealInPlace } from './outside.js';
import { ringsInBlock, ringsInLiner, ringsOnPiston } from './pistonRings.js';
import { bearingInCase, bearingInPlace, bearingOnCrank } from './rollingBearings.js';
import { pinInPiston, pinInRod, smallEnds } from './smallEnds.js';
import { valveToPiston } from './valveRoom.js';
import { springInHead, springInPlace, springOnValve, valveInHead, valveInPlace } from './valves.js';

export * from './assembly.js';
export * from './verdict.js';
export { hold, takes, type Finding, type WorkOption } from './finding.js';
export type { Check, Joint } from './check.js';
export { RECORD, REPLACED } from './check.js';
export { oilClearance } from './bearings.js';
export { OPERATIONS, OPERATION_IDS, type Operation, type OperationId } from './operations/operations.js';
export { record } from './record.js';

/** Every joint, in the order of assembly. */
export const JOINTS: readonly Joint[] = [
  mains,
  bearingInCase,
  bearingOnCrank,
  crankcase,
  rearEnd,
  frontEnd,
  crankInPlace,
  liners,
  pistonInBlock,
  pistonInLiner,
  ringsOnPiston,
  ringsInBlock,
  ringsInLiner,
  pinInPiston,
  pinInRod,
  smallEnds,
  shellsInRod,
  bigEnds,
  location,
  rodsInCase,
  pistonAmongOthers,
  rodAmongOthers,
  deck,
  squish,
  gasketOnBlock,
  headOnBlock,
  gasketOnHead,
  crownAndChamber,
  compression,
  valveToPiston,
  camInBlock,
  camInHead,
  camInPlace,
  lifterInBlock,
  lifterInHead,
  camOnLifters,
  lifterInPlace,
  valveInHead,
  valveInPlace,
  springInHead,
  springOnValve,
  springInPlace,
  camOnSprings,
  sealInCover,
  coverOnBlock,
  coverInPlace,
  sealInPlace,
  flywheelOnCrank,
  flywheelInPlace,
  headInPlace,
  blockInPlace,
  bearingInPlace,
  fastenerInPlace,
];
