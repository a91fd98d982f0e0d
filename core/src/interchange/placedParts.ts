import type { CatalogueLookup } from '../catalogue/lookup.js';
import { partFromSpecimen, type Part } from '../catalogue/part.js';
import type { Fitment, Pattern, Variant } from '../catalogue/pattern.js';
import { sizeOf } from '../catalogue/value.js';
import { CHOSEN_FREELY, engineVariant, type KindId } from '../dictionary/index.js';
import type { PlacedPart, Rating } from '../joints/index.js';
import { valve } from '../dictionary/kinds/valve.js';
import { orderOfSlot, SLOTS, slotOf } from '../dictionary/slots.js';
import type { Specimen } from '../readings/reading.js';
import type { ToolDrawer } from '../shop/ownInstrument.js';

/** The place a part goes by itself: the first of its kind, and a valve by its duty. */
export function slotFor(part: Part): string {
  const duty = part.looks[valve.features.duty.id]?.option;
  if (part.kind === 'valve' && duty) return `${duty}Valve`;
  return SLOTS.find((slot) => slot.kind === part.kind)?.id ?? part.kind;
}

export const placed = (part: Part): PlacedPart => ({ slot: slotFor(part), part });

/** The same, of a valve whose duty nobody has put down by the place it is on record in. */
function placedByRecord(catalogue: CatalogueLookup, part: Part): PlacedPart {
  const isUntold = part.kind === 'valve' && part.looks[valve.features.duty.id] === undefined;
  const slot = isUntold ? catalogue.fittedIn(part.pattern ?? '')[0]?.fitment.slot : undefined;
  return slot === undefined ? placed(part) : { slot, part };
}

/** How much of an engine's time a fitment covers; one that is told of all of it, the longest. */
function weightOf({ share = 1, from, to }: Fitment, at: string | undefined): number {
  if (
    at !== undefined &&
    ((from !== undefined && at < from.slice(0, at.length)) || (to !== undefined && at > to.slice(0, at.length)))
  )
    return 0;
  return share * (from === undefined && to === undefined ? 2 : 1);
}

/** Whether what goes there is chosen freely from the stock. */
export const isStocked = (slot: string): boolean => {
  const kind = slotOf(slot)?.kind;
  return kind !== undefined && CHOSEN_FREELY.includes(kind);
};

/** The middle of the years of something, so that parts are of one time; nothing where none are told. */
export function middleOf(years: { readonly from?: string; readonly to?: string } = {}): string | undefined {
  const [from, to] = [years.from ?? years.to, years.to ?? years.from].map((each) =>
    each === undefined ? undefined : Number(each.slice(0, 4)),
  );
  return from === undefined || to === undefined ? undefined : String(Math.round((from + to) / 2));
}

/**
 * An engine as most of its kind were built, or as it was built in a year: the likeliest pattern in each place. Where
 * it had one or another of several alike, as shells by their class, none is named: they are chosen from the stock.
 */
export function partsOfVariant(
  catalogue: CatalogueLookup,
  variant: Variant,
  at: string | undefined = middleOf(variant.years),
): readonly PlacedPart[] {
  const likeliest = new Map<
    string,
    { readonly fitment: Fitment; readonly weight: number; readonly chosen?: boolean }
  >();
  for (const fitment of variant.fitments) {
    const weight = weightOf(fitment, at);
    const known = likeliest.get(fitment.slot);
    if (weight > 0 && (!known || weight > known.weight)) likeliest.set(fitment.slot, { fitment, weight });
    else if (known?.weight === weight) likeliest.set(fitment.slot, { ...known, chosen: isStocked(fitment.slot) });
  }
  return [...likeliest.values()]
    .filter(({ chosen }) => !chosen)
    .sort((a, b) => orderOfSlot(a.fitment.slot) - orderOfSlot(b.fitment.slot))
    .flatMap(({ fitment }): readonly PlacedPart[] => {
      const part = catalogue.part(fitment.pattern);
      return part ? [{ slot: fitment.slot, part }] : [];
    });
}

/** What goes round in an engine, from crank to piston. */
const INTERNALS: readonly KindId[] = ['crank', 'rod', 'pin', 'piston', 'rings'];

/** The internals among the parts of an engine, to go into another block. */
export const internalsOf = (parts: readonly PlacedPart[]): readonly PlacedPart[] =>
  parts.filter(({ slot }) => INTERNALS.includes(slotOf(slot)?.kind ?? 'block'));

/**
 * A part, a set or an engine, as one is asked for it: a pattern, a specimen and what it is taken for, a variant, or all
 * that lies on one bench.
 */
export type PartOrEngine =
  | { readonly pattern: string }
  | { readonly specimen: Specimen; readonly as?: string }
  | {
      readonly variant: string;
      /** Year in which it was built. */
      readonly at?: string;
      /** Only what goes round in it, from crank to rings. */
      readonly internals?: boolean;
    }
  | {
      /** A build: its parts after their work, as they are in its places. */
      readonly built: { readonly id: string; readonly name: string };
      readonly parts: readonly PlacedPart[];
      readonly rated?: Rating;
    }
  | {
      /** What the parts are called together. */
      readonly bench: string;
      /** The job they belong to, where they are those of one. */
      readonly job?: string;
      readonly parts: readonly { readonly specimen: Specimen; readonly as?: string }[];
    };

/** Asked for something that the catalogue does not hold. */
export class UnknownPartError extends Error {
  constructor(
    readonly sort: 'pattern' | 'variant',
    readonly id: string,
  ) {
    super(`There is no ${sort} "${id}" in the catalogue.`);
    this.name = 'UnknownPartError';
  }
}

/**
 * A specimen as the joints see it, taken for a pattern or for none, with its class marks read by the catalogue's
 * schemes.
 */
export const partOfSpecimen = (
  catalogue: CatalogueLookup,
  specimen: Specimen,
  as: Pattern | undefined,
  drawer?: ToolDrawer,
): Part => partFromSpecimen(specimen, as, drawer, catalogue.catalogue.schemes);

/** The same from the shelf: it has not to be bought. */
export const partFromShelf = (
  catalogue: CatalogueLookup,
  specimen: Specimen,
  as: string | undefined,
  drawer?: ToolDrawer,
): Part => ({
  ...partOfSpecimen(catalogue, specimen, catalogue.pattern(as), drawer),
  price: 0,
});

/** The parts that are meant, how they are called together, and what they are rated at. Throws an UnknownPartError. */
export function placedPartsOf(
  catalogue: CatalogueLookup,
  ref: PartOrEngine,
  drawer?: ToolDrawer,
): { readonly label: string; readonly parts: readonly PlacedPart[]; readonly rated?: Rating } {
  const patternOf = (id: string): Pattern => {
    const pattern = catalogue.pattern(id);
    if (!pattern) throw new UnknownPartError('pattern', id);
    return pattern;
  };
  if ('pattern' in ref) {
    const part = catalogue.part(ref.pattern);
    if (!part) throw new UnknownPartError('pattern', ref.pattern);
    return { label: part.label, parts: [placedByRecord(catalogue, part)] };
  }
  if ('specimen' in ref) {
    const part = partOfSpecimen(catalogue, ref.specimen, ref.as === undefined ? undefined : patternOf(ref.as), drawer);
    return { label: part.label, parts: [placedByRecord(catalogue, part)] };
  }
  if ('built' in ref) return { label: ref.built.name, parts: ref.parts, ...(ref.rated ? { rated: ref.rated } : {}) };
  if ('bench' in ref)
    return { label: ref.bench, parts: ref.parts.flatMap((each) => placedPartsOf(catalogue, each, drawer).parts) };
  const variant = catalogue.variant(ref.variant);
  if (!variant) throw new UnknownPartError('variant', ref.variant);
  const all = partsOfVariant(catalogue, variant, ref.at);
  const label = catalogue.variantLabel(variant.id) + (ref.at === undefined ? '' : ` of ${ref.at}`);
  if (ref.internals) return { label: `Internals of the ${label}`, parts: internalsOf(all) };
  return { label, parts: all, rated: ratingOf(catalogue, variant) };
}

/** What an engine of the catalogue is rated at. */
export function ratingOf(catalogue: CatalogueLookup, variant: Variant): Rating {
  const ratio = sizeOf(variant, engineVariant.parameters.ratio)?.value.limits;
  return { engine: catalogue.variantLabel(variant.id), ...(ratio ? { ratio } : {}) };
}
