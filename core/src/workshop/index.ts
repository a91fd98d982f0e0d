export { Workshop } from './workshop.js';
export { isRefusal, refusalOf, type Refusal } from './refusal.js';
export { opened as openedGrid, rowAt } from './answers/grid.js';
