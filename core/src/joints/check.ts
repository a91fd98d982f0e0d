import type { Part, Value } from '../catalogue/part.js';
import type { Feature, Interface, Parameter } from '../dictionary/definition.js';
import type { KindId } from '../dictionary/dictionary.js';
import { apart, contains, margin, type Interval } from '../quantity/interval.js';
import type { Sentence } from '../quantity/sentence.js';
import type { QuantityKind } from '../quantity/unit.js';
import type { Verdict } from './verdict.js';

/** Parts that are to meet: one of each kind, and what the catalogue has to put between them. */
export interface Assembly {
  readonly parts: Readonly<Partial<Record<KindId, Part>>>;
  /** Shells, adapters and the like that may be chosen freely. */
  readonly available: readonly Part[];
}

/** Something that would mend a check, and what the check would then say. */
export interface WorkOption {
  readonly name: string;
  readonly says: Sentence;
  readonly found?: Interval;
  readonly required?: Interval;
  /** False where the work cannot be taken back. */
  readonly canUndo: boolean;
  readonly caution?: string;
}

/** What a check says of an assembly. Intervals are inside units and carry tolerance and measurement uncertainty. */
export interface Finding {
  readonly verdict: Verdict;
  readonly quantity: QuantityKind;
  readonly found?: Interval;
  readonly required?: Interval;
  /** True when more than enough is as good: only the low end of `required` counts, the high end is for the drawing. */
  readonly atLeast?: boolean;
  /** Where the required band comes from, when it is not the recipient's own specification. */
  readonly ruleOfThumb?: string;
  readonly margin?: number;
  readonly because: Sentence;
  readonly work: readonly WorkOption[];
  /** Ids of what must be known before it can be told. */
  readonly needs: readonly string[];
  readonly caution?: string;
}

/** One thing that must be right where parts meet: a pure function of the parts' values. */
export interface Check {
  readonly id: string;
  readonly name: string;
  readonly judge: (assembly: Assembly) => Finding;
}

/** A place where kinds of part meet. */
export interface Joint {
  readonly id: string;
  readonly name: string;
  readonly kinds: readonly KindId[];
  readonly checks: readonly Check[];
}

const partOf = (assembly: Assembly, id: string): Part | undefined => assembly.parts[id.slice(0, id.indexOf('.')) as KindId];

/** The value of a parameter on the part it belongs to. */
export const valueOf = (assembly: Assembly, parameter: Parameter): Value | undefined => partOf(assembly, parameter.id)?.values[parameter.id];

export const lookOf = (assembly: Assembly, feature: Feature): string | undefined => partOf(assembly, feature.id)?.looks[feature.id]?.option;

export const interfaceAt = (assembly: Assembly, face: Interface): string | undefined => partOf(assembly, face.id)?.interfaces[face.id];

/** The same assembly with one part replaced, say by itself after machining. */
export function withPart(assembly: Assembly, part: Part): Assembly {
  return { ...assembly, parts: { ...assembly.parts, [part.kind]: part } };
}

/** A part with one value changed by work done to it. */
export function machined(part: Part, parameter: Parameter, interval: Interval): Part {
  return { ...part, values: { ...part.values, [parameter.id]: { interval, source: 'machined' } } };
}

/** Nothing can be said before these are known. */
export function missing(needs: readonly { readonly id: string; readonly name: string }[], quantity: QuantityKind = 'length'): Finding {
  const names = needs.map((need) => need.name.toLowerCase());
  return {
    verdict: 'cannotTell',
    quantity,
    because: [`Not known: ${names.join(' and ')}.`],
    work: [],
    needs: needs.map((need) => need.id),
  };
}

/**
 * Holds a found interval against the band it must lie in, guarded by all that is uncertain (ISO 14253-1): inside
 * altogether fits, outside altogether does not, astride an end cannot be told until it is measured closer.
 */
export function hold(
  found: Interval,
  required: Interval,
): { readonly verdict: Extract<Verdict, 'fits' | 'cannotTell' | 'doesNotFit'>; readonly margin: number } {
  const verdict = contains(required, found) ? 'fits' : apart(found, required) ? 'doesNotFit' : 'cannotTell';
  return { verdict, margin: margin(found, required) };
}
