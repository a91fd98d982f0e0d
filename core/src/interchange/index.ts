export * from './swap.js';
