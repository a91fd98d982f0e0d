export { indexCatalogue, indexEngines, bytesOf, type CatalogueIndex } from './catalogueIndex.js';
export { kindsMeant } from './kindsMeant.js';
export {
  Identification,
  identify,
  STATUSES,
  type HeldBy,
  type IdentifyOptions,
  type LineUp,
  type Status,
} from './identify.js';
export { takenFor } from './takenFor.js';
export { sayProbability, sayStatus, sayStrength } from './sayStatus.js';
export * from './nextCheck/index.js';
export { calculationOf } from './calculation.js';
