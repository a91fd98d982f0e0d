export * from './problem.js';
export * from './checkCatalogue.js';
export * from './checkReadings.js';
export * from './requests.js';
