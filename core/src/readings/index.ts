export * from './reading.js';
export * from './entryLine.js';
export * from './kindsUnderstanding.js';
export * from './measured.js';
export { placesAsked } from './placesAsked.js';
export { completeEntry, type Completion } from './completion.js';
