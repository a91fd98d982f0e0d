/** Things in the order of their keys, whatever order they come in. */
export const inOrderOf = <T>(things: readonly T[], key: (thing: T) => string): T[] =>
  things
    .map((thing) => ({ thing, order: key(thing) }))
    .sort((a, b) => (a.order < b.order ? -1 : a.order > b.order ? 1 : 0))
    .map(({ thing }) => thing);
