import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { Variant } from '../catalogue/pattern.js';
import type { EngineWith, PlacedPart } from '../joints/index.js';
import { statedOf } from './statedOfEngine.js';
import { isStocked, middleOf, partsOfVariant } from './placedParts.js';

/** Whether an engine had one or another of several in a place, and none of them more than the others. */
const isChosen = (slot: string, parts: readonly PlacedPart[]): boolean =>
  isStocked(slot) && !parts.some((each) => each.slot === slot);

/**
 * The engines that have a pattern, each built as most of its kind but with this pattern in its place. What was asked
 * once is kept: engines are asked for again and again while many parts are put in place of many.
 */
export function enginesWithOf(catalogue: CatalogueLookup): (pattern: string) => readonly EngineWith[] {
  const known = new Map<string, readonly EngineWith[]>();
  const built = new Map<string, readonly PlacedPart[]>();
  const described = new Map<Variant, EngineWith['stated']>();
  const partsAt = (variant: Variant, at: string | undefined): readonly PlacedPart[] => {
    const key = `${variant.id} ${at ?? ''}`;
    const parts = built.get(key) ?? partsOfVariant(catalogue, variant, at);
    built.set(key, parts);
    return parts;
  };
  const stated = (variant: Variant): NonNullable<EngineWith['stated']> => {
    const is = described.get(variant) ?? statedOf(variant);
    described.set(variant, is);
    return is;
  };
  const engines = (id: string): readonly EngineWith[] => {
    const part = catalogue.part(id);
    if (!part) return [];
    const seen = new Set<string>();
    return catalogue.fittedIn(id).flatMap(({ variant, fitment }): readonly EngineWith[] => {
      const { slot } = fitment;
      if (seen.has(`${variant.id} ${slot}`)) return [];
      seen.add(`${variant.id} ${slot}`);
      // What was fitted for a time only met the parts of that time.
      const all = partsAt(variant, middleOf(fitment) ?? middleOf(variant.years));
      return [
        {
          label: catalogue.variantLabel(variant.id),
          slot,
          // One of several alike, as shells are by their class, is as usual as the others.
          isUsual: all.some((each) => each.slot === slot && each.part.pattern === id) || isChosen(slot, all),
          parts: [{ slot, part }, ...all.filter((each) => each.slot !== slot)],
          stated: stated(variant),
          ...(variant.firingOrder === undefined ? {} : { firingOrder: variant.firingOrder }),
          everHad: (kind) =>
            variant.fitments.flatMap(({ pattern }) => {
              const had = catalogue.part(pattern);
              return had && (kind === undefined || had.kind === kind) ? [had] : [];
            }),
        },
      ];
    });
  };
  return (id) => {
    const found = known.get(id) ?? engines(id);
    known.set(id, found);
    return found;
  };
}
