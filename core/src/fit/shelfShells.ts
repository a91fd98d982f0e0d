import { munkres } from 'munkres';
import type { Part } from '../catalogue/part.js';
import { oilClearance, shellAsItIs, type PlainBearing } from '../joints/crankshaft/bearings.js';
import type { SizesRound } from '../joints/crankshaft/nearestShell.js';
import type { Assembly, Verdict } from '../joints/index.js';
import { hold } from '../joints/outcome.js';
import { apart, middle, type Interval } from '../quantity/interval.js';

/** A pair of shells that lies on the shelf, as far as it was named, marked or measured. */
export interface ShellOnShelf {
  readonly specimen: string;
  readonly name: string;
  readonly part: Part;
}

/** Such a pair in the place it would go into. */
export interface ShelfShellAt {
  readonly specimen: string;
  readonly name: string;
  readonly wall: Interval;
  readonly clearance: Interval;
  readonly verdict: Verdict;
}

/** One place of a row; nothing round it where nothing is known, or where what is known contradicts itself. */
interface PlaceToFill {
  readonly position: number;
  readonly round?: SizesRound;
  readonly wanted: Interval;
}

/** Larger than any sum of what clearances are off, in millimetres: a pair of which it cannot be told goes last. */
const UNTOLD = 1e3;
/** And a place without a pair is worse than all others together. */
const WITHOUT = 1e6;

/**
 * Which pair from the shelf goes into which place: as many places as possible, each pair once, and of all ways to do
 * it the one with the fewest that are measured too coarsely to tell, and then whose clearances lie nearest to the
 * middle of what is wanted, in sum. Only pairs that bring the middle of the clearance within what is wanted are used.
 */
export function shelfShells(
  bearing: PlainBearing,
  assembly: Assembly,
  places: readonly PlaceToFill[],
  shelf: readonly ShellOnShelf[],
): ReadonlyMap<number, ShelfShellAt> {
  const pairs = shelf.flatMap(({ specimen, name, part }) => {
    const size = part.kind === bearing.shell && bearing.suits(part, assembly) ? shellAsItIs(part) : undefined;
    return size ? [{ specimen, name, size }] : [];
  });
  const rows = places.flatMap(({ position, round, wanted }) =>
    round
      ? [
          {
            position,
            found: pairs.map(({ specimen, name, size }): ShelfShellAt | undefined => {
              const clearance = oilClearance(round.housing, size.wall, round.journal);
              const isWithin = middle(clearance) >= wanted.low && middle(clearance) <= wanted.high;
              if (!isWithin || apart(size.housing, round.housing)) return undefined;
              return { specimen, name, wall: size.wall, clearance, verdict: hold(clearance, wanted).verdict };
            }),
            wanted,
          },
        ]
      : [],
  );
  // A pair that does nowhere would only make the table larger.
  const usable = pairs.flatMap((_, column) => (rows.some(({ found }) => found[column]) ? [column] : []));
  if (usable.length === 0) return new Map();
  const costs = rows.map(({ found, wanted }) =>
    usable.map((column) => {
      const pair = found[column];
      if (!pair) return WITHOUT;
      return Math.abs(middle(pair.clearance) - middle(wanted)) + (pair.verdict === 'fits' ? 0 : UNTOLD);
    }),
  );
  return new Map(
    munkres(costs).flatMap(([row, column]) => {
      const [place, pair] = [rows[row], rows[row]?.found[usable[column] ?? -1]];
      return place && pair ? [[place.position, pair] as const] : [];
    }),
  );
}
