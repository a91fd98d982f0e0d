export { JobFileSchema, type Job, type JobFile } from './job.js';
export { FOREIGN_BELOW, identifyEngine } from './engine.js';
export type { PartInEngine } from './part.js';
