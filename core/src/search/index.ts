export { CodeIndex } from './codeIndex.js';
export * from './search.js';
