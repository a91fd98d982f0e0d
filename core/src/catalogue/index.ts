export * from './pattern.js';
export * from './size.js';
export * from './part.js';
