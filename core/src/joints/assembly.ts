import type { LikelyValue } from '../catalogue/likelyValues.js';
import type { Part, Value } from '../catalogue/part.js';
import type { Feature, Interface, Parameter } from '../dictionary/definition.js';
import type { KindId } from '../dictionary/dictionary.js';
import type { HouseRules } from '../shop/houseRules.js';
import type { Interval } from '../quantity/interval.js';

/** Which of two parts of one kind is meant: the one that is there now, or the one whose place it takes. */
export type Where = 'parts' | 'replaced';

/** What the catalogue has to put between parts: shells, pins and the like, each kind in a list of its own. */
export type Stock = Readonly<Partial<Record<KindId, readonly Part[]>>>;

/** Parts that are to meet, one of each kind, and what stands round them. */
export interface Assembly {
  readonly parts: Readonly<Partial<Record<KindId, Part>>>;
  /** What was in the place of a part before: the faces of the machine that stay go by it. */
  readonly replaced: Readonly<Partial<Record<KindId, Part>>>;
  /** Shells, adapters and the like that may be chosen freely. */
  readonly stock: Stock;
  readonly rules: HouseRules;
  /** How a pattern is called; its id where nobody tells. */
  readonly nameOf?: (pattern: string) => string;
  /** What the engine that the parts are for is rated at; nothing where they are for no engine of the catalogue. */
  readonly rated?: Rating;
  /** The engines that have a pattern, with what is round it there; nothing where nobody knows of engines. */
  readonly enginesWith?: (pattern: string) => readonly EngineWith[];
  /** What a size, look or face of a pattern likely is; nothing where nobody knows of families. */
  readonly likelyValue?: (pattern: string, id: string) => LikelyValue | undefined;
}

/** What the maker rates an engine at. */
export interface Rating {
  readonly engine: string;
  readonly ratio?: Interval;
}

/** A part, and the place of the engine it is for. */
export interface PlacedPart {
  readonly slot: string;
  readonly part: Part;
}

/** An engine that has a pattern in one of its places, and all its parts, that one included. */
export interface EngineWith {
  readonly label: string;
  readonly slot: string;
  /** Whether most of these engines have it, and it is no exception whose mates may be others as well. */
  readonly isUsual: boolean;
  readonly parts: readonly PlacedPart[];
  /** What the engine itself is described as: sizes and looks by id of a variant. */
  readonly stated?: Pick<Part, 'values' | 'looks'>;
  /** The order in which it fires, as it is on record: `1-3-4-2`. */
  readonly firingOrder?: string;
  /** All parts that any of these engines ever had, those between which is chosen among them; or those of a kind. */
  readonly everHad: (kind?: KindId) => readonly Part[];
}

/** By id: asked for every value of every part that is judged. */
const KIND_OF = new Map<string, KindId>();

/** The kind a dictionary id belongs to. */
export function kindOf(id: string): KindId {
  const known = KIND_OF.get(id);
  if (known !== undefined) return known;
  const kind = id.slice(0, id.indexOf('.')) as KindId;
  KIND_OF.set(id, kind);
  return kind;
}

/** The value of a parameter on the part it belongs to. */
export const valueOf = (assembly: Assembly, parameter: Parameter, where: Where = 'parts'): Value | undefined =>
  assembly[where][kindOf(parameter.id)]?.values[parameter.id];

export const lookOf = (assembly: Assembly, feature: Feature, where: Where = 'parts'): string | undefined =>
  assembly[where][kindOf(feature.id)]?.looks[feature.id]?.option;

export const interfaceAt = (assembly: Assembly, face: Interface, where: Where = 'parts'): string | undefined =>
  assembly[where][kindOf(face.id)]?.interfaces[face.id];

/** The same assembly with one part replaced, say by itself after machining. */
export const withPart = (assembly: Assembly, part: Part): Assembly => ({
  ...assembly,
  parts: { ...assembly.parts, [part.kind]: part },
});

export const withParts = (assembly: Assembly, parts: readonly Part[]): Assembly => parts.reduce(withPart, assembly);

/** A part with one value changed by work done to it. */
export const machined = (part: Part, parameter: Parameter, interval: Interval): Part =>
  machinedTo(part, [[parameter, interval]]);

/** A part with several values changed by the same work. */
export function machinedTo(part: Part, sizes: readonly (readonly [Parameter, Interval])[]): Part {
  const values: Record<string, Value> = { ...part.values };
  for (const [{ id }, interval] of sizes) values[id] = { interval, source: 'machined' };
  return { ...part, values };
}
