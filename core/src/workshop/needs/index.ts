export { isAmong, type Documents, type Listed, type OfferTold, type Seller, type SpecimensAsked } from './documents.js';
export { heldDocuments, type Held } from './heldDocuments.js';
export { resolveNeeds, type Known } from './resolve.js';
