export * from './definition.js';
export * from './dictionary.js';
export * from './serviceSizes.js';
export { crank } from './kinds/crank.js';
export { block } from './kinds/block.js';
export { mainShell } from './kinds/mainShell.js';
