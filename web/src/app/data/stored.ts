import { isSpecimen } from '@which-bore/core/validators';
import type { Held } from './specimens';

const PENDING = new Set<unknown>(['nothing', 'save', 'remove', 'restore']);

/** Whether what was found in the browser's storage is a specimen held there; another version's leavings are not. */
export function isHeldSpecimen(value: unknown): value is Held {
  if (typeof value !== 'object' || value === null) return false;
  const held = value as Partial<Record<keyof Held, unknown>>;
  return isSpecimen(held.specimen) && (held.base === undefined || isSpecimen(held.base)) && Number.isInteger(held.version) && PENDING.has(held.pending);
}
