export * from './unit.js';
export * from './interval.js';
export * from './format.js';
export * from './number.js';
export * from './normal.js';
export * from './instrument.js';
export * from './sentence.js';
