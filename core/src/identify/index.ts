export { indexCatalogue, indexEngines, bytesOf, type CatalogueIndex } from './catalogueIndex.js';
export { STATUSES, type HeldBy, type Status } from './standing.js';
export { kindsMeant } from './kindsMeant.js';
export { Identification, identify, type IdentifyOptions, type LineUp } from './identify.js';
export { takenFor } from './takenFor.js';
export { sayProbability, sayStatus, sayStrength } from './sayStatus.js';
export * from './nextCheck/index.js';
export { calculationOf } from './calculation.js';
export { checkOwnAssumptions, LEARNT_IDS, withOwn, type LearntId } from './assumptions.js';
