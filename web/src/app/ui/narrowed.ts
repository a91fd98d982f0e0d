/** Words that were typed to narrow a list, lower case. */
export const wordsOf = (typed: string): readonly string[] => typed.toLowerCase().split(/\s+/).filter(Boolean);

/**
 * The first of a long list that bear all the words, in any order. The one that is chosen is always there, so that its
 * name shows.
 *
 * @param textOf what the words are looked for in
 * @param most how many are worth listing; typing narrows them
 */
export function narrowed<T>(
  all: Iterable<T>,
  words: readonly string[],
  {
    textOf,
    isChosen,
    most,
  }: { readonly textOf: (each: T) => string; readonly isChosen: (each: T) => boolean; readonly most: number },
): readonly T[] {
  const some: T[] = [];
  for (const each of all) {
    if (isChosen(each)) some.push(each);
    else if (some.length < most && words.every((word) => textOf(each).toLowerCase().includes(word))) some.push(each);
  }
  return some;
}
