export * from './finding.js';
export * from './audit.js';
export { deckClearance } from './rules/stackInDeck.js';
export { sweptVolume } from './rules/displacement.js';
export { voicesOf } from './rules/disputes.js';
