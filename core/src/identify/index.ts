export { indexCatalogue, indexEngines, bytesOf, type CatalogueIndex, type Indexed } from './catalogueIndex.js';
export {
  Identification,
  identify,
  type Candidate,
  type Circumstances,
  type HeldBy,
  type LineUp,
  type Pull,
  type Status,
} from './identify.js';
export { takenFor } from './takenFor.js';
export { sayProbability, sayStatus } from './sayStatus.js';
export { ASSUMED, STRONG_CONTRADICTION, decibans } from './assumptions.js';
export { FIXED, type Weighed } from './weigh/weighed.js';
export { listAt } from './columns.js';
export type { Evidence } from './evidence.js';
export * from './nextCheck/index.js';
export { calculationOf } from './calculation.js';
