export * from './hiddenPart.js';
export { ask } from './ask.js';
export * from './solve.js';
export * from './simulate.js';
export * from './lookUp.js';
export * from './levels.js';
export * from './debrief.js';
