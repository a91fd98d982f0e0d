export * from './bolt.js';
