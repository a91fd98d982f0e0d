import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { Variant } from '../catalogue/pattern.js';
import { ratioMade } from '../joints/index.js';
import type { Interval } from '../quantity/interval.js';
import { partsOfVariant } from './placedParts.js';

/** The compression ratio that the parts of an engine on record make; undefined where one of them is not known. */
export function ratioOfEngine(catalogue: CatalogueLookup, variant: Variant): Interval | undefined {
  const parts = Object.fromEntries(
    [...partsOfVariant(catalogue, variant)].reverse().map(({ part }) => [part.kind, part]),
  );
  return ratioMade({ parts, replaced: {}, stock: {}, rules: {} });
}
