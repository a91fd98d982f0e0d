import type { Specimen } from '@which-bore/core';
import { isSpecimen } from '@which-bore/core/validators';

/** A specimen as this browser holds it. */
export interface Held {
  readonly specimen: Specimen;
  /** What the server last said of it; undefined when it was never saved. */
  readonly base?: Specimen;
  readonly version: number;
  /** What still has to go up. */
  readonly pending: 'nothing' | 'save' | 'remove' | 'restore';
  /** Why the server would not have it; it stays here. */
  readonly refused?: string;
}

const PENDING = new Set<unknown>(['nothing', 'save', 'remove', 'restore']);

/** Whether what was found in the browser's storage is a specimen held there; another version's leavings are not. */
export function isHeldSpecimen(value: unknown): value is Held {
  if (typeof value !== 'object' || value === null) return false;
  const held = value as Partial<Record<keyof Held, unknown>>;
  return isSpecimen(held.specimen) && (held.base === undefined || isSpecimen(held.base)) && Number.isInteger(held.version) && PENDING.has(held.pending);
}
