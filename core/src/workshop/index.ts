export { Workshop } from './workshop.js';
export type { OpenGrid } from './holdings.js';
export { isRefusal, refusalOf, UnknownRecordError, type Refusal } from './refusal.js';
export { opened as openedGrid, rowAt } from './answers/grid.js';
