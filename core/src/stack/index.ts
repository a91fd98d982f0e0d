export * from './ratio.js';
export * from './stack.js';
