export * from './rule.js';
export * from './audit.js';
export { voicesOf } from './rules/disputes.js';
