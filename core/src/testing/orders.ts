/** All orders of so many things, for plain enumeration. */
export function* orders(count: number): Generator<readonly number[]> {
  if (count === 0) yield [];
  else
    for (const rest of orders(count - 1))
      for (let at = 0; at <= rest.length; at++) yield [...rest.slice(0, at), count - 1, ...rest.slice(at)];
}

/** Largest less smallest. */
export const spread = (all: readonly number[]): number => Math.max(...all) - Math.min(...all);
