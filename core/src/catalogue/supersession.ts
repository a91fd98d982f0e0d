import { normaliseMark } from '../marks/markText.js';
import type { CatalogueLookup } from './lookup.js';
import type { PartNumber } from './pattern.js';

/** What became of a number that was replaced, perhaps more than once. */
interface Supersession {
  /** The numbers that followed, the last of them living, or where it is a circle one that came before. */
  readonly way: readonly string[];
  /** The records lead back on themselves: none of these can be ordered. */
  readonly circle: boolean;
}

/**
 * Follows a number through what replaced it, to its living end.
 *
 * @returns an empty way for a number that was never replaced
 */
export function supersessionOf(catalogue: CatalogueLookup, { number, replacedBy }: PartNumber): Supersession {
  const [way, met] = [[] as string[], new Set([normaliseMark(number)])];
  let next = replacedBy;
  while (next !== undefined) {
    way.push(next);
    const normal = normaliseMark(next);
    if (met.has(normal)) return { way, circle: true };
    met.add(normal);
    next = catalogue
      .withNumber(next)
      .map((each) => each.number.replacedBy)
      .find((each) => each !== undefined);
  }
  return { way, circle: false };
}
