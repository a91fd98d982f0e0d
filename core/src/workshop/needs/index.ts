export { isAmong, type Documents, type Listed, type OfferTold, type Seller, type SpecimensAsked } from './documents.js';
export { resolveNeeds } from './resolve.js';
