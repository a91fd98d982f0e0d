export * from './definition.js';
export * from './dictionary.js';
export * from './serviceSizes.js';
export { running } from './running.js';
export * from './slots.js';
export { variant as engineVariant } from './variant.js';
