/** In place of a pattern: the specimen is taken for nothing, only what was measured on it counts. */
export const AS_MEASURED = 'nothing';

/** Sorts of things that have an address. */
const ADDRESS_SORTS = ['pattern', 'specimen', 'variant', 'job', 'build'] as const;
type AddressSort = (typeof ADDRESS_SORTS)[number];

/** What a part, an engine, the parts of a job or a build are called in addresses and links: sort and id. */
export interface Address {
  readonly sort: AddressSort;
  readonly id: string;
}

/** `pattern:id`, `specimen:id`, `variant:id`, `job:id`, `build:id`. */
export const writeAddress = ({ sort, id }: Address): string => `${sort}:${id}`;

/**
 * An address as it is written; a bare id is that of a pattern.
 *
 * @example readAddress('specimen:4f1c') // { sort: 'specimen', id: '4f1c' }
 */
export function readAddress(text: string): Address {
  const at = text.indexOf(':');
  const sort = ADDRESS_SORTS.find((each) => each === text.slice(0, Math.max(0, at)));
  return sort ? { sort, id: text.slice(at + 1) } : { sort: 'pattern', id: text };
}
