export * from './protocol.js';
export * from './simulated.js';
