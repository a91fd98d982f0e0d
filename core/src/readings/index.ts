export * from './reading.js';
export * from './entryLine.js';
export { readFigures, type Figures } from './size.js';
export * from './measured.js';
