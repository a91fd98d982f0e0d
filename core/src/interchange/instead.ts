import { sort } from 'd3-array';
import type { Part } from '../catalogue/part.js';
import { countsIn, priceFor, verdictOfCheck, type PlacedPart } from '../joints/index.js';
import { jointAssembliesOf } from './jointAssemblies.js';
import { baseOf, sidesOf } from './sides.js';
import type { SwapContext } from './swapContext.js';

/** A part to be bought that goes in as it is, where another would have to be machined. */
export interface Instead {
  /** What would have to be machined. */
  readonly old: string;
  readonly pattern: string;
  readonly label: string;
  /** For as many as the engine takes; absent where nobody says what one costs. */
  readonly price?: number;
}

/** So many are named for each part that would be machined, and so many tried. */
const NAMED = 2;
const TRIED = 300;

/**
 * What may be bought instead of machining: for each part that work is done to, the cheapest on record that drop in
 * where it would go.
 *
 * @param machined the parts that the work is done to, as they are before it
 */
export function insteadOf(
  machined: readonly Part[],
  donors: readonly PlacedPart[],
  recipients: readonly PlacedPart[],
  context: SwapContext,
): readonly Instead[] {
  const counts = countsIn(baseOf(sidesOf(donors, recipients), context));
  return machined.flatMap((old) => {
    const family = context.familyOf?.(old.pattern ?? '');
    const priced = (context.ofKind?.(old.kind) ?? [])
      .filter(({ pattern }) => pattern !== undefined && pattern !== old.pattern)
      .map((part) => ({
        part,
        price: priceFor(part, counts),
        isKin: family !== undefined && context.familyOf?.(part.pattern ?? '') === family,
      }));
    const found: Instead[] = [];
    // Its own family first, then the cheapest.
    const inOrder = sort(
      priced,
      ({ isKin }) => Number(!isKin),
      ({ price }) => price ?? Number.MAX_SAFE_INTEGER,
    );
    for (const { part, price } of inOrder.slice(0, TRIED)) {
      if (found.length === NAMED) break;
      const put = (each: PlacedPart): PlacedPart => (each.part === old ? { ...each, part } : each);
      if (part.pattern !== undefined && dropsIn(donors.map(put), recipients.map(put), context))
        found.push({
          old: old.label,
          pattern: part.pattern,
          label: part.label,
          ...(price === undefined ? {} : { price }),
        });
    }
    return found;
  });
}

/** Whether nothing at all has to be done, and nothing is open. */
function dropsIn(donors: readonly PlacedPart[], recipients: readonly PlacedPart[], context: SwapContext): boolean {
  const met = jointAssembliesOf(sidesOf(donors, recipients), context);
  return (
    met.length > 0 &&
    met.every(({ joint, assembly }) => joint.checks.every((check) => verdictOfCheck(check, assembly) === 'fits'))
  );
}
