export * from './column.js';
export * from './compare.js';
export * from './judge.js';
