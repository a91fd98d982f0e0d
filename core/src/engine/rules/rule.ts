import { listed } from '../../quantity/phrase.js';
import type { CatalogueLookup } from '../../catalogue/lookup.js';
import type { KindId } from '../../dictionary/dictionary.js';
import type { Sentence } from '../../quantity/sentence.js';
import type { Understood } from '../../readings/reading.js';
import type { HouseRules } from '../../shop/houseRules.js';
import type { PartInEngine } from '../part.js';

/** One part of the engine with what was read on it. */
export interface PartRead {
  readonly part: PartInEngine;
  readonly readings: readonly Understood[];
}

export interface Mixing {
  readonly catalogue: CatalogueLookup;
  readonly parts: readonly PartRead[];
  /** The likeliest variant, where one is named. */
  readonly variant: string | undefined;
  readonly rules: HouseRules;
}

/** Parts of one engine that must not be mixed. */
export interface MixFinding {
  readonly rule: string;
  /** `refuse`: never so; `doubt`: to be looked into. */
  readonly weight: 'refuse' | 'doubt';
  readonly says: Sentence;
  readonly specimens: readonly string[];
}

/** One rule about what goes together in one engine. */
export interface MixRule {
  readonly id: string;
  readonly name: string;
  readonly find: (mixing: Mixing) => readonly MixFinding[];
}

/** The pattern a part is taken for, once that is at least probable. */
export const takenFor = ({ part: { lineUp } }: PartRead): string | undefined =>
  lineUp.status === 'settled' || lineUp.status === 'probable' ? lineUp.candidates[0]?.pattern : undefined;

export const ofKind = (parts: readonly PartRead[], kind: KindId): PartRead[] =>
  parts.filter(({ part }) => part.kind === kind);

/** Groups by what `key` says; parts of which it says nothing are left out. */
export function groupedBy<T>(parts: readonly PartRead[], key: (part: PartRead) => T | undefined): Map<T, PartRead[]> {
  const groups = new Map<T, PartRead[]>();
  for (const part of parts) {
    const of = key(part);
    if (of !== undefined) groups.set(of, [...(groups.get(of) ?? []), part]);
  }
  return groups;
}

export const names = (parts: readonly PartRead[]): string => listed(parts.map(({ part }) => part.name));
export const ids = (parts: readonly PartRead[]): string[] => parts.map(({ part }) => part.specimen);
