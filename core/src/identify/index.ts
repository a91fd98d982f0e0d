export { indexCatalogue, type CatalogueIndex } from './catalogueIndex.js';
export { identify, type Candidate, type LineUp, type Pull, type Status } from './identify.js';
export { sayProbability, sayStatus } from './sayStatus.js';
export { ASSUMED, STRONG_CONTRADICTION, decibans } from './assumptions.js';
