export { JobFileSchema, JobSchema, type Job, type JobFile } from './job.js';
export { FOREIGN_BELOW, identifyEngine, type EngineLineUp } from './engine.js';
export type { PartInEngine } from './part.js';
export { MIX_RULES, type MixFinding, type MixRule } from './rules/index.js';
