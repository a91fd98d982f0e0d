/** All ways to take so many of a list, for plain enumeration. */
export function* taken<T>(list: readonly T[], count: number, from = 0): Generator<readonly T[]> {
  if (count === 0) yield [];
  else
    for (let at = from; at + count <= list.length; at++)
      for (const rest of taken(list, count - 1, at + 1)) yield [list[at] as T, ...rest];
}
