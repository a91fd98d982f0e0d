export * from './needs/index.js';
export { Workshop } from './workshop.js';
export { isRefusal, refusalOf, type Refusal } from './refusal.js';
export { numbersToBuy } from './answers/plan.js';
export { opened as openedGrid, rowAt } from './answers/grid.js';
export type { Course } from './answers/answering.js';
