import { sayYears, type CatalogueLookup } from '@which-bore/core';

/** How the candidates of a line-up are called: in full, by their own name, and what stands beneath it. */
export interface Naming {
  readonly label: (id: string) => string;
  readonly name: (id: string) => string;
  readonly under: (id: string) => string;
}

/** Patterns by their name, with family and years as far as the catalogue has them. */
export const patternNaming = (catalogue: CatalogueLookup): Naming => ({
  label: (id) => catalogue.label(id),
  name: (id) => catalogue.pattern(id)?.name ?? id,
  under: (id) => {
    const pattern = catalogue.pattern(id);
    const family = pattern?.family === undefined ? [] : [catalogue.familyLabel(pattern.family)];
    return [...family, ...(pattern?.years ? [sayYears(pattern.years)] : [])].join(', ');
  },
});

/** Engine variants by family and code, with their years and rating. */
export const variantNaming = (catalogue: CatalogueLookup): Naming => ({
  label: (id) => catalogue.variantLabel(id),
  name: (id) => catalogue.variantLabel(id),
  under: (id) => {
    const variant = catalogue.variant(id);
    return [...(variant?.years ? [sayYears(variant.years)] : []), ...(variant?.rating ? [variant.rating] : [])].join(', ');
  },
});
