export * from './job.js';
