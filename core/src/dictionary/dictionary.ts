import { running } from './running.js';
import { variant as engineVariant } from './variant.js';
import type { Feature, Interface, Kind, MarkPlace, Parameter } from './definition.js';
import type { KindId } from './kindId.js';
import * as kinds from './kinds/index.js';
import { SLOTS } from './slots.js';

export type { KindId } from './kindId.js';

/** In the order of an engine's assembly, by the first place each fills; the same order in every list. */
export const KIND_IDS: readonly KindId[] = [...new Set(SLOTS.map(({ kind }) => kind))];

/** Every kind the dictionary knows, by id, seen through the general shape. */
export const KINDS: Readonly<Record<KindId, Kind>> = kinds;

/** Whether this is the id of a kind of part. */
export const isKindId = (id: string): id is KindId => Object.hasOwn(KINDS, id);

/** A kind of part, or the engine as a whole: whatever has sizes and looks of its own. */
export type DescribedId = KindId | 'variant';
export const DESCRIBED_IDS: readonly DescribedId[] = [...KIND_IDS, 'variant'];

/** The words for a kind of part or for the engine as a whole. */
export const describedAs = (id: DescribedId): Kind => (id === 'variant' ? engineVariant : KINDS[id]);

/** Ids of the sizes of a kind by which a part goes with others. */
export function keySizesOf(kind: DescribedId): readonly string[] {
  const { id, keySizes = [] } = describedAs(kind);
  return keySizes.map((key) => `${id}.${key}`);
}

/** Kinds of which one property holds. */
const those = (is: (kind: Kind) => unknown): readonly KindId[] => KIND_IDS.filter((id) => is(KINDS[id]));

/** Kinds that are chosen to join what meets in them, whatever the engine had. */
export const CHOSEN_FREELY = those(({ chosenFreely }) => chosenFreely);
/** Kinds of which new ones go in where the old ones do not do. */
export const FITTED_NEW = those(({ fittedNew }) => fittedNew);
/** Kinds of which every cylinder has its own, one or several. */
export const ONE_A_CYLINDER: ReadonlySet<KindId> = new Set(
  those(({ counted }) => counted?.by === 'cylinder' || counted?.by === 'valve'),
);

/** Kinds that may lie with one of a kind, or be sold with it. */
export const comesWith = (kind: KindId): readonly KindId[] => (KINDS[kind].comesWith ?? []) as readonly KindId[];

type FittedNewOf<K> = K extends { readonly fittedNew: { readonly operation: infer Id extends string } } ? Id : never;
/** The work of fitting new ones of a kind, for every kind of which that is done. */
export type NewPartOperation = { [K in KindId]: FittedNewOf<(typeof kinds)[K]> }[KindId];

const DESCRIBED: readonly Kind[] = [...DESCRIBED_IDS.map(describedAs), running];

function gather<T extends { readonly id: string }>(
  of: (kind: Kind) => Readonly<Record<string, T>>,
): ReadonlyMap<string, T> {
  return new Map(DESCRIBED.flatMap((kind) => Object.values(of(kind)).map((entry): [string, T] => [entry.id, entry])));
}

const PARAMETERS = gather<Parameter>((kind) => kind.parameters);
const FEATURES = gather<Feature>((kind) => kind.features);
const MARK_PLACES = gather<MarkPlace>((kind) => kind.markPlaces);
const INTERFACES = gather<Interface>((kind) => kind.interfaces);

/** The entry with this full id. Throws a RangeError that names an unknown one. */
function entry<T>(entries: ReadonlyMap<string, T>, what: string, id: string): T {
  const found = entries.get(id);
  if (!found) throw new RangeError(`The dictionary has no ${what} called "${id}".`);
  return found;
}

const ENTRIES = { parameter: PARAMETERS, feature: FEATURES, markPlace: MARK_PLACES, interface: INTERFACES } as const;

/** Whether an id is that of a parameter, a look, a mark place or a face. */
export const isIdOf = (sort: keyof typeof ENTRIES, id: string): boolean => ENTRIES[sort].has(id);

/**
 * The parameter of this id, of whatever part; undefined where the dictionary has none.
 *
 * @example parameterOf('crank.mainJournal.diameter')?.quantity // 'length'
 */
export const parameterOf = (id: string): Parameter => entry(PARAMETERS, 'parameter', id);
/** The feature of this id, of whatever part; undefined where the dictionary has none. */
export const featureOf = (id: string): Feature => entry(FEATURES, 'look', id);
/** The face of this id, of whatever part. */
export const interfaceOf = (id: string): Interface => entry(INTERFACES, 'face', id);
/** The place of marks of this id, of whatever part. */
export const markPlaceOf = (id: string): MarkPlace => entry(MARK_PLACES, 'mark place', id);

/**
 * What an entry of any sort is called: `main journal`.
 *
 * @throws RangeError where the dictionary has no such entry
 */
export function nameOfEntry(id: string): string {
  const found = PARAMETERS.get(id) ?? FEATURES.get(id) ?? INTERFACES.get(id) ?? MARK_PLACES.get(id);
  if (!found) throw new RangeError(`The dictionary has nothing called "${id}".`);
  return found.name.toLowerCase();
}

/**
 * What an entry of any sort is called, with the part it is on: `main journal of the crank`.
 *
 * @throws RangeError where the dictionary has no such entry
 */
export function sayEntry(id: string): string {
  const kind = DESCRIBED.find((each) => id.startsWith(`${each.id}.`));
  if (!kind) throw new RangeError(`The dictionary has nothing called "${id}".`);
  return `${nameOfEntry(id)} of the ${kind.name.toLowerCase()}`;
}

/** How an option or count of a feature is said: `forged`, `8 counterweights`. */
export function sayLook(feature: Feature, option: string): string {
  if ('options' in feature.form) return feature.form.options.find((each) => each.id === option)?.name ?? option;
  return `${option} ${feature.name.toLowerCase()}`;
}

/** Whether `option` is one that the feature can take. */
export function isOptionOf(feature: Feature, option: string): boolean {
  if ('options' in feature.form) return feature.form.options.some((each) => each.id === option);
  const count = Number(option);
  return Number.isInteger(count) && count >= feature.form.count.low && count <= feature.form.count.high;
}
