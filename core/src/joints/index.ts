import { crankcase } from './crankcase.js';
import { frontEnd, rearEnd } from './ends.js';
import { mains } from './mains.js';
import type { Joint } from './check.js';

export * from './verdict.js';
export type { Assembly, Check, Finding, Joint, WorkOption } from './check.js';
export { oilClearance } from './shellChoice.js';

/** Every joint, in the order of assembly. */
export const JOINTS: readonly Joint[] = [mains, crankcase, rearEnd, frontEnd];
