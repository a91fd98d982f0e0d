import type { InstrumentId } from '../quantity/instrument.js';
import type { Interval } from '../quantity/interval.js';
import type { QuantityKind } from '../quantity/unit.js';

/** How far the engine must be apart before a thing can be seen or measured. In the order of a teardown. */
export const REACHES = [
  'outside',
  'flywheelOff',
  'frontOff',
  'panOff',
  'headOff',
  'headAndPanOff',
  'rotatingPartsOut',
  'onTheBench',
] as const;
export type Reach = (typeof REACHES)[number];

/** Which way use moves a size. */
export type Wear = 'grows' | 'shrinks' | 'neither';

/** How a mark was made. */
export const MAKINGS = ['cast', 'stamped', 'etched', 'painted', 'tag'] as const;
export type Making = (typeof MAKINGS)[number];

/** Something measured on a kind of part. */
export interface ParameterSpec {
  readonly name: string;
  /** Other words for it, lower case; the name itself is understood as well. */
  readonly synonyms: readonly string[];
  readonly quantity: QuantityKind;
  /** What is measured, between what and what, in one sentence. */
  readonly definition: string;
  readonly per: 'part' | 'main' | 'crankpin' | 'cylinder';
  readonly wear: Wear;
  /** Mean wear of parts that come in, inside unit; small where a thing hardly wears. */
  readonly usualWear: number;
  /** Half the spread of as-made parts where a pattern states no limits, inside unit. */
  readonly usualTolerance: number;
  /** Signed service steps usual for it, digits as the trade writes them, by unit; first step first. */
  readonly service?: { readonly mm: readonly string[]; readonly in: readonly string[] };
  /** Sizes that real parts of this kind have, inside unit; anything outside is a slip of the pen or the unit. */
  readonly plausible: Interval;
  readonly reach: Reach;
  /**
   * Standard uncertainty of taking it, whatever the instrument, inside unit: where it begins at an axis nobody can
   * touch or ends at a rough casting.
   */
  readonly taking?: number;
  /** Instruments that reach it, the usual one first. */
  readonly instruments: readonly [InstrumentId, ...InstrumentId[]];
  readonly minutes: number;
  /** The place on the kind's drawing where it is called out. */
  readonly drawing?: string;
  /** Whether it is a thread, which may be written M10. */
  readonly thread?: true;
}

/** Sizes that are said in one breath, in a fixed order: `25 x 52 x 15`, `2.02/1.60 valves`, `10/10`. */
export interface Together {
  /** Keys of the sizes of the kind. */
  readonly sizes: readonly string[];
  /** What stands after the figures, lower case; none where the figures alone are enough. */
  readonly words: readonly string[];
  /** Whether they are sizes, or how far each is from standard. */
  readonly as: 'sizes' | 'steps';
}

/** Two sizes that are reworked together: what service size one stands at tells of the other. */
interface Reworked {
  /** Keys of the two sizes of the kind, each with service steps. */
  readonly sizes: readonly [string, string];
  /** Share of parts on which both stand at the same step for that reason, and not by chance. */
  readonly alike: number;
}

export interface Option {
  readonly id: string;
  readonly name: string;
  readonly words: readonly string[];
}

/** Something seen: one of some options, or a count. */
export interface FeatureSpec {
  readonly name: string;
  readonly synonyms: readonly string[];
  /** One sentence on how to tell the options apart. */
  readonly tell: string;
  readonly form: { readonly options: readonly Option[] } | { readonly count: Interval };
  /** How often a practised eye gets it wrong. */
  readonly misjudged: number;
  readonly reach: Reach;
  readonly minutes: number;
}

/** Where marks are found, and how they are made there. */
export interface MarkPlaceSpec {
  readonly name: string;
  readonly words: readonly string[];
  readonly makings: readonly Making[];
  readonly reach: Reach;
}

/** A face that mates by pattern rather than by size. */
export interface InterfaceSpec {
  readonly name: string;
  /** Other words for it, lower case; the name itself is understood as well. */
  readonly synonyms: readonly string[];
  readonly definition: string;
}

/** What there are several of in an engine. */
export type CountedBy = 'cylinder' | 'main' | 'crankpin' | 'valve';

/** A place in an engine that one kind of part fills. */
export interface PlaceSpec {
  /** The word a fitment uses; that of the kind where it fills one place only. */
  readonly id?: string;
  readonly name: string;
  /** The place before it in the order of assembly; none before the first. */
  readonly after?: string;
  /** One of those an engine is chosen by, which a plan asks about first. */
  readonly main?: true;
}

/** What it takes to fit new ones instead of those of the engine. */
interface FittedNew {
  /** What the work is called in house rules, prices and builds. */
  readonly operation: string;
  readonly name: string;
  /** Kinds with which new ones come; absent where new ones go in whenever an engine is built. */
  readonly with?: readonly string[];
  /** Hours of work for an engine of four cylinders. *From memory*; the shop puts its own in the house rules. */
  readonly hours: number;
  /** Usual price for such an engine, in the shop's money. *From memory*, as the hours. */
  readonly price: number;
  /** How much of that is for the parts. */
  readonly parts: number;
}

/** A simple drawing, by the keys of the sizes it shows; a kind that is more than that has one in `outline/kinds`. */
export type DrawnAs =
  | { readonly form: 'ring'; readonly outside: string; readonly inside: string; readonly width: string }
  | { readonly form: 'bar'; readonly across: string; readonly length: string; readonly bore?: string };

export interface KindSpec {
  readonly id: string;
  readonly name: string;
  readonly plural: string;
  readonly words: readonly string[];
  /** Where in an engine it goes; a kind without places is told with the words of parts, and is none. */
  readonly places?: readonly PlaceSpec[];
  /** How many an engine has, and how they are sold; absent where one goes in, or a set that is sold as one. */
  readonly counted?: { readonly by: CountedBy; readonly sold: 'singly' | 'asSet' };
  /** Whether it is chosen to join what meets in it, whatever the engine had: shells, bearings, liners. */
  readonly chosenFreely?: true;
  /** New ones go in where the old ones do not do. *Common practice, no source.* */
  readonly fittedNew?: FittedNew;
  /**
   * Kinds that may lie with it, or be sold with it, and save buying them: what is asked of one on the bench. Shells are
   * chosen anew whatever lies there. *Common practice, no source.*
   */
  readonly comesWith?: readonly string[];
  readonly drawnAs?: DrawnAs;
  readonly parameters: Readonly<Record<string, ParameterSpec>>;
  readonly features: Readonly<Record<string, FeatureSpec>>;
  readonly markPlaces: Readonly<Record<string, MarkPlaceSpec>>;
  readonly interfaces: Readonly<Record<string, InterfaceSpec>>;
  readonly together?: readonly Together[];
  readonly reworked?: readonly Reworked[];
  /** Keys of the sizes by which a part of this kind goes with others: to name it without them leaves a doubt. */
  readonly keySizes?: readonly string[];
}

export interface Parameter extends ParameterSpec {
  /** The full id, kind first: `crank.mainJournal.diameter`. */
  readonly id: string;
}
export interface Feature extends FeatureSpec {
  readonly id: string;
}
export interface MarkPlace extends MarkPlaceSpec {
  readonly id: string;
}
export interface Interface extends InterfaceSpec {
  readonly id: string;
}

type Named<S, T> = { readonly [K in keyof S]: T };

/**
 * A kind of part with every entry carrying its full id. The keys stay known, so code reaches entries by name, checked.
 */
export type Kind<S extends KindSpec = KindSpec> = Omit<S, 'parameters' | 'features' | 'markPlaces' | 'interfaces'> & {
  readonly parameters: Named<S['parameters'], Parameter>;
  readonly features: Named<S['features'], Feature>;
  readonly markPlaces: Named<S['markPlaces'], MarkPlace>;
  readonly interfaces: Named<S['interfaces'], Interface>;
};

/** Declares a kind of part: gives each entry its full id from the kind's id and its key, so no name stands twice. */
export function defineKind<const S extends KindSpec>(spec: S): Kind<S> {
  const named = <T extends object>(entries: Readonly<Record<string, T>>) =>
    Object.fromEntries(Object.entries(entries).map(([key, entry]) => [key, { ...entry, id: `${spec.id}.${key}` }]));
  return {
    ...spec,
    parameters: named(spec.parameters),
    features: named(spec.features),
    markPlaces: named(spec.markPlaces),
    interfaces: named(spec.interfaces),
  } as unknown as Kind<S>;
}
