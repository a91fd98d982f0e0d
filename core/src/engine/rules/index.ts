import { capSplit } from './capSplit.js';
import { companions } from './companions.js';
import { marksOfSet } from './marksOfSet.js';
import type { MixRule } from './rule.js';
import { twoTypes } from './twoTypes.js';
import { weights } from './weights.js';

/** Everything that must not be mixed in one engine, in the order in which it is told. */
export const MIX_RULES: readonly MixRule[] = [twoTypes, capSplit, marksOfSet, weights, companions];

export type { MixFinding, MixRule } from './rule.js';
