import { bigEnds } from './rods/bigEnds.js';
import { shellsInRod } from './rods/shellsInRod.js';
import { pistonAmongOthers } from './rods/pistonAmongOthers.js';
import { rodAmongOthers } from './rods/rodAmongOthers.js';
import { camInBlock } from './valveGear/camInBlock.js';
import { camInHead } from './valveGear/camInHead.js';
import { camOnCrank } from './valveGear/camOnCrank.js';
import { camInPlace } from './valveGear/camInPlace.js';
import { camOnLifters } from './valveGear/camOnLifters.js';
import { camOnSprings } from './valveGear/camOnSprings.js';
import type { Joint } from './check.js';
import { crankcase } from './crankshaft/crankcase.js';
import { throws } from './crankshaft/throws.js';
import { rodsInCase } from './crankshaft/rodsInCase.js';
import { pistonInBlock } from './cylinders/pistonInBlock.js';
import { pistonInLiner } from './cylinders/pistonInLiner.js';
import { crownAndChamber } from './deck/crownAndChamber.js';
import { compression } from './deck/compression.js';
import { deck } from './deck/deck.js';
import { squish } from './deck/squish.js';
import { crankInPlace } from './crankshaft/crankInPlace.js';
import { frontEnd } from './crankshaft/frontEnd.js';
import { rearEnd } from './crankshaft/rearEnd.js';
import { shellsInCase } from './crankshaft/shellsInCase.js';
import { fastenerInPlace } from './attachments/fastenerInPlace.js';
import { gasketOnBlock } from './deck/gasketOnBlock.js';
import { gasketOnHead } from './deck/gasketOnHead.js';
import { headOnBlock } from './deck/headOnBlock.js';
import { lifterInBlock } from './valveGear/lifterInBlock.js';
import { lifterInHead } from './valveGear/lifterInHead.js';
import { lifterInPlace } from './valveGear/lifterInPlace.js';
import { liners } from './cylinders/liners.js';
import { location } from './rods/location.js';
import { mains } from './crankshaft/mains.js';
import { blockInPlace } from './attachments/blockInPlace.js';
import { coverInPlace } from './attachments/coverInPlace.js';
import { coverOnBlock } from './attachments/coverOnBlock.js';
import { flywheelInPlace } from './attachments/flywheelInPlace.js';
import { flywheelOnCrank } from './attachments/flywheelOnCrank.js';
import { headInPlace } from './attachments/headInPlace.js';
import { sealInCover } from './attachments/sealInCover.js';
import { sealInPlace } from './attachments/sealInPlace.js';
import { thrustWasherInPlace } from './attachments/thrustWasherInPlace.js';
import { ringsInBlock } from './cylinders/ringsInBlock.js';
import { ringsInLiner } from './cylinders/ringsInLiner.js';
import { ringsOnPiston } from './cylinders/ringsOnPiston.js';
import { bearingInCase } from './crankshaft/bearingInCase.js';
import { bearingInPlace } from './crankshaft/bearingInPlace.js';
import { bearingOnCrank } from './crankshaft/bearingOnCrank.js';
import { pinInPiston } from './rods/pinInPiston.js';
import { pinInRod } from './rods/pinInRod.js';
import { smallEnds } from './rods/smallEnds.js';
import { valveToPiston } from './deck/valveToPiston.js';
import { decidedWithoutLooks } from './decidedWithoutLooks.js';
import { decidedWithoutSizes } from './decidedWithoutSizes.js';
import { springInHead } from './valveGear/springInHead.js';
import { springInPlace } from './valveGear/springInPlace.js';
import { springOnValve } from './valveGear/springOnValve.js';
import { valveInHead } from './valveGear/valveInHead.js';
import { valveInPlace } from './valveGear/valveInPlace.js';

export { ratioMade, ratioWanted } from './deck/compression.js';
export * from './assembly.js';
export * from './verdict.js';
export { countsIn, piecesOf, priceFor, takes, type SoldAs } from './cost.js';
export type { LikelyIf, Outcome, WorkOption } from './outcome.js';
export type { Chosen, JointCheck, Joint } from './check.js';
export { IMPLIED, isOverStack, RECORD, REPLACED, ROUND, verdictOfCheck } from './check.js';
export { isShopWork } from './operations/shopWork.js';
export { OPERATIONS, OPERATION_IDS, type Operation, type OperationId } from './operations/operations.js';
export { record } from './record.js';
export { MAIN_BEARING } from './crankshaft/mains.js';
export { ROD_BEARING } from './rods/bigEnds.js';

const ALL: readonly Joint[] = [
  mains,
  shellsInCase,
  throws,
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
  camOnCrank,
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
  thrustWasherInPlace,
  fastenerInPlace,
];

/** Every joint, in the order of assembly. None waits for a look that cannot matter. */
export const JOINTS: readonly Joint[] = ALL.map((joint) => ({
  ...joint,
  checks: joint.checks.map((check) => decidedWithoutSizes(decidedWithoutLooks(decidedWithoutSizes(check)))),
}));
