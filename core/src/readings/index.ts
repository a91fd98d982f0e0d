export * from './reading.js';
export * from './entryLine.js';
export * from './measured.js';
export { completeEntry, type Completion } from './completion.js';
