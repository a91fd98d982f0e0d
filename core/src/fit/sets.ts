/** One of a pool, with what must agree in a set. */
export interface Piece {
  readonly id: string;
  /** What is compared, each in its own unit: weight, diameter. All pieces have as many. */
  readonly figures: readonly number[];
}

/** A set chosen from a pool. */
export interface MatchedSet {
  readonly chosen: readonly string[];
  /** Largest less smallest of each figure. */
  readonly spreads: readonly number[];
  /** Sum of the spreads, each in parts of what is allowed: 1 where one figure alone uses all of it. */
  readonly cost: number;
}

/** A pool is one shelf: more than these nobody lays side by side. */
export const MOST_IN_POOL = 200;

/**
 * The set of `count` pieces whose figures lie closest together, by the sum of their spreads in parts of what is
 * allowed. Exact: the smallest set has some piece as its lightest and some as its heaviest, so every pair of first
 * figures is tried as the ends, and between them the best run of the second figure is found by sorting. Figures beyond
 * the second are only told.
 *
 * @param allowed how far each figure may spread
 * @returns nothing where the pool is too small
 */
export function closestSet(pool: readonly Piece[], count: number, allowed: readonly number[]): MatchedSet | undefined {
  if (pool.length > MOST_IN_POOL) throw new RangeError(`More than ${MOST_IN_POOL} pieces are not matched at once.`);
  if (count < 1 || pool.length < count) return undefined;
  const byFirst = [...pool].sort((a, b) => first(a) - first(b) || (a.id < b.id ? -1 : 1));
  let best: MatchedSet | undefined;
  for (let low = 0; low + count <= byFirst.length; low++) {
    for (let high = low + count - 1; high < byFirst.length; high++) {
      const [lightest, heaviest] = [byFirst[low], byFirst[high]];
      if (!lightest || !heaviest) continue;
      const atLeast = share(first(heaviest) - first(lightest), allowed[0]);
      // From here on the first figure alone costs more than the best set.
      if (best && atLeast >= best.cost) break;
      const run = closestRun(byFirst.slice(low, high + 1), count);
      const set = measured(run, allowed);
      if (!best || set.cost < best.cost) best = set;
    }
  }
  return best;
}

const first = ({ figures }: Piece): number => figures[0] ?? 0;
const second = ({ figures }: Piece): number => figures[1] ?? 0;
const share = (spread: number, allowed = 1): number => spread / allowed;

/** The run of pieces whose second figures lie closest together. */
function closestRun(pieces: readonly Piece[], count: number): readonly Piece[] {
  const sorted = [...pieces].sort((a, b) => second(a) - second(b) || (a.id < b.id ? -1 : 1));
  let [at, least] = [0, Infinity];
  for (let from = 0; from + count <= sorted.length; from++) {
    const [low, high] = [sorted[from], sorted[from + count - 1]];
    const spread = low && high ? second(high) - second(low) : Infinity;
    if (spread < least) [at, least] = [from, spread];
  }
  return sorted.slice(at, at + count);
}

/** A set with how far its figures spread. */
export function measured(set: readonly Piece[], allowed: readonly number[]): MatchedSet {
  const spreads = (set[0]?.figures ?? []).map((_, which) => {
    const all = set.map(({ figures }) => figures[which] ?? 0);
    return Math.max(...all) - Math.min(...all);
  });
  return {
    chosen: set.map(({ id }) => id),
    spreads,
    cost: costWithin(spreads, allowed),
  };
}

/** Sum of the spreads of the two figures that count, each in parts of what is allowed. */
export const costWithin = (spreads: readonly number[], allowed: readonly number[]): number =>
  spreads.slice(0, 2).reduce((sum, spread, which) => sum + share(spread, allowed[which]), 0);

/** The best set that leaves out at least one piece of another: what it would cost not to have them all. */
export function nextBestSet(
  pool: readonly Piece[],
  count: number,
  allowed: readonly number[],
  best: MatchedSet,
): MatchedSet | undefined {
  return best.chosen
    .flatMap(
      (without) =>
        closestSet(
          pool.filter(({ id }) => id !== without),
          count,
          allowed,
        ) ?? [],
    )
    .sort((a, b) => a.cost - b.cost)[0];
}

/** Who goes where, so that what comes together is as alike as can be. */
interface Assignment {
  /** For each row its column. */
  readonly columns: readonly number[];
  readonly low: number;
  readonly high: number;
}

/**
 * The assignment of rows to columns whose sums lie closest together: the balanced assignment problem (Martello,
 * Pulleyblank, Toth and de Werra, 1984). A window over all values in order is moved up: while those in it cannot make a
 * whole assignment it grows, and while they can it shrinks. Exact.
 *
 * @param values what each row makes with each column; as many columns as rows, or more, of which some are left over
 */
export function balancedAssignment(values: readonly (readonly number[])[]): Assignment {
  const count = values.length;
  if (values.some((row) => row.length < count || row.length !== values[0]?.length))
    throw new RangeError('At least as many columns as rows are wanted.');
  const levels = [...new Set(values.flat())].sort((a, b) => a - b);
  let best: Assignment | undefined;
  let low = 0;
  for (let high = 0; high < levels.length;) {
    const [from, to] = [levels[low] ?? 0, levels[high] ?? 0];
    const columns = low <= high ? perfectMatching(values, from, to) : undefined;
    if (!columns) {
      high++;
      continue;
    }
    if (!best || to - from < best.high - best.low) best = { columns, low: from, high: to };
    low++;
  }
  return best ?? { columns: [], low: 0, high: 0 };
}

/** A matching of all rows over the values between two, by augmenting paths; nothing where there is none. */
function perfectMatching(
  values: readonly (readonly number[])[],
  low: number,
  high: number,
): readonly number[] | undefined {
  const rowOf = new Array<number>(values[0]?.length ?? 0).fill(-1);
  const seat = (row: number, seen: Set<number>): boolean =>
    (values[row] ?? []).some((value, column) => {
      if (value < low || value > high || seen.has(column)) return false;
      seen.add(column);
      const sitting = rowOf[column] ?? -1;
      if (sitting >= 0 && !seat(sitting, seen)) return false;
      rowOf[column] = row;
      return true;
    });
  if (!values.every((_, row) => seat(row, new Set()))) return undefined;
  return values.map((_, row) => rowOf.indexOf(row));
}
