import type { Part } from '../catalogue/part.js';
import type { SwapContext } from './swapContext.js';

/** What the records say of two parts without anybody having looked at them. */
export interface Kinship {
  /** Engines in which both are on record. */
  readonly recordedIn: readonly string[];
  readonly sameFamily: boolean;
}

/** Engines by the patterns that they ever had, for patterns that were asked about. */
const known = new WeakMap<object, Map<string, ReadonlyMap<string, readonly string[]>>>();

function recordedWith(context: SwapContext, pattern: string): ReadonlyMap<string, readonly string[]> {
  const { enginesWith } = context;
  if (!enginesWith) return new Map();
  const byPattern = known.get(enginesWith) ?? new Map<string, ReadonlyMap<string, readonly string[]>>();
  known.set(enginesWith, byPattern);
  const found = byPattern.get(pattern);
  if (found) return found;
  const mates = new Map<string, string[]>();
  for (const { label, everHad } of enginesWith(pattern))
    for (const { pattern: mate } of everHad()) {
      if (mate === undefined) continue;
      const labels = mates.get(mate);
      if (!labels) mates.set(mate, [label]);
      else if (!labels.includes(label)) labels.push(label);
    }
  byPattern.set(pattern, mates);
  return mates;
}

/** How two parts are related, by the pattern that each is or is taken for. */
export function kinshipOf(context: SwapContext, { pattern: one }: Part, { pattern: other }: Part): Kinship {
  if (one === undefined || other === undefined) return { recordedIn: [], sameFamily: false };
  const family = context.familyOf?.(one);
  return {
    recordedIn: recordedWith(context, one).get(other) ?? [],
    sameFamily: family !== undefined && family === context.familyOf?.(other),
  };
}
