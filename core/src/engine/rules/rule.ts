import { listed } from '../../quantity/phrase.js';
import type { CatalogueLookup } from '../../catalogue/lookup.js';
import type { Variant } from '../../catalogue/pattern.js';
import type { KindId } from '../../dictionary/dictionary.js';
import type { Understood } from '../../readings/reading.js';
import { defineRule, type Finding, type Rule } from '../../rules/rule.js';
import type { PartInEngine } from '../part.js';

/** One part of the engine with what was read on it. */
export interface PartRead {
  readonly part: PartInEngine;
  readonly readings: readonly Understood[];
}

/** The parts of one engine, as far as they were read. */
export interface PartsTogether {
  readonly catalogue: CatalogueLookup;
  readonly parts: readonly PartRead[];
  /** The engine it most likely is, where it is none that nothing fits. */
  readonly variant?: Variant;
}

/** Parts of one engine that must not be mixed; `where` and `also` are the specimens concerned. */
export type EngineFinding = Finding<string>;
/** One rule about what goes together in one engine. */
export type EngineRule = Rule<PartsTogether, string>;

export const engineRule = defineRule<PartsTogether, string>;

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

/** The specimens that a finding is about, as it names them. */
export function concerning(parts: readonly PartRead[]): Pick<EngineFinding, 'where' | 'also'> {
  const [where = '', ...also] = parts.map(({ part }) => part.specimen);
  return { where, also };
}
