export { identifyEngine } from './engine.js';
export { FOREIGN_BELOW, type PartInEngine } from './part.js';
