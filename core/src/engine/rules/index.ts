import { capSplit } from './capSplit.js';
import { companions } from './companions.js';
import { marksOfSet } from './marksOfSet.js';
import type { EngineRule } from './rule.js';
import { twoTypes } from './twoTypes.js';
import { weights } from './weights.js';

/** Everything that must not be mixed in one engine, in the order in which it is told. */
export const ENGINE_RULES: readonly EngineRule[] = [twoTypes, capSplit, marksOfSet, weights, companions];

export type { EngineFinding } from './rule.js';
