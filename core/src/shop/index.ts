export * from './ownInstrument.js';
export * from './houseRules.js';
export * from './shop.js';
