import { byException } from './byException.js';
import { capSplit } from './capSplit.js';
import { companions } from './companions.js';
import { marksOfSet } from './marksOfSet.js';
import { oneTime } from './oneTime.js';
import type { EngineRule } from './rule.js';
import { serviceSizes } from './serviceSizes.js';
import { twoTypes } from './twoTypes.js';
import { weights } from './weights.js';

/** Everything that must not be mixed in one engine, in the order in which it is told. */
export const ENGINE_RULES: readonly EngineRule[] = [
  twoTypes,
  serviceSizes,
  capSplit,
  marksOfSet,
  weights,
  companions,
  oneTime,
  byException,
];

export type { EngineFinding } from './rule.js';
