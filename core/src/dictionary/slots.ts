import type { Kind, PlaceSpec } from './definition.js';
import type { KindId } from './kindId.js';
import * as kinds from './kinds/index.js';

/** A place in an engine that one kind of part fills. The word a fitment uses. */
interface Slot extends PlaceSpec {
  readonly id: string;
  readonly kind: KindId;
}

const declared: readonly Slot[] = Object.entries<Kind>(kinds).flatMap(([kind, { places = [] }]) =>
  places.map((place): Slot => ({ id: kind, ...place, kind: kind as KindId })),
);

/** A place and all that are assembled after it. Of two after the same one, the later in the alphabet comes later. */
const withThoseAfter = (place: Slot): readonly Slot[] => [
  place,
  ...declared.filter(({ after }) => after === place.id).flatMap(withThoseAfter),
];

/** Every place of an engine, in the order of assembly. */
export const SLOTS: readonly Slot[] = declared.filter(({ after }) => after === undefined).flatMap(withThoseAfter);

const BY_ID = new Map(SLOTS.map((each) => [each.id, each]));

/** The place in an engine of this id; undefined where there is none. */
export const slotOf = (id: string): Slot | undefined => BY_ID.get(id);

const PLACE_OF = new Map(SLOTS.map(({ id }, at) => [id, at]));

/** Where a place of an engine stands in the order of assembly, counted from 0; −1 where there is no such place. */
export const orderOfSlot = (id: string): number => PLACE_OF.get(id) ?? -1;
