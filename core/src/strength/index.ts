export * from './bolt.js';
export * from './tightening.js';
