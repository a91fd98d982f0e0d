import { balancedAssignment } from './sets.js';

/** Who goes to which cylinder, so that what comes together weighs as alike as can be. */
interface ThrowsMatched {
  /** For each list, which of it goes to each cylinder; the first goes as it is. */
  readonly order: readonly (readonly number[])[];
  readonly low: number;
  readonly high: number;
  /** Nothing better exists; else the search was stopped. */
  readonly proved: boolean;
}

/** What is looked at at most before a search is stopped: a second or so. */
const MOST_STEPS = 4_000_000;

/**
 * One of each list to every cylinder, so that the sums lie closest together. With two lists it is the balanced
 * assignment problem. With more it is searched: cylinder by cylinder, only what lies within the best spread found so
 * far of all that went before, which leaves few ways once that is small. Exact, unless it says otherwise.
 *
 * @param lists weights, as many in each: rods, pistons, pins
 */
export function alikeThrows(lists: readonly (readonly number[])[]): ThrowsMatched {
  const [rows = [], ...others] = lists;
  const count = rows.length;
  if (others.some(({ length }) => length !== count)) throw new RangeError('As many of each are wanted.');
  const [only] = others;
  if (!only || others.length === 1) {
    const { columns, low, high } = balancedAssignment(
      rows.map((own) => (only ?? rows.map(() => 0)).map((each) => own + each)),
    );
    return { order: [rows.map((_, at) => at), ...(only ? [columns] : [])], low, high, proved: true };
  }
  const best = oneAfterAnother(rows, others);
  const used = others.map(() => new Set<number>());
  const taken: number[][] = rows.map(() => []);
  let steps = 0;
  // Heavy rods first: they leave the least to choose.
  const byWeight = rows.map((_, at) => at).sort((a, b) => (rows[b] ?? 0) - (rows[a] ?? 0));
  const place = (depth: number, low: number, high: number): void => {
    const row = byWeight[depth];
    if (row === undefined) {
      if (high - low < best.high - best.low)
        [best.low, best.high, best.taken] = [low, high, taken.map((each) => [...each])];
      return;
    }
    const choose = (list: number, sum: number): void => {
      if (++steps > MOST_STEPS) return;
      const weights = others[list];
      if (!weights) {
        const [least, most] = [Math.min(low, sum), Math.max(high, sum)];
        if (most - least < best.high - best.low) place(depth + 1, least, most);
        return;
      }
      for (const [at, weight] of weights.entries()) {
        if (used[list]?.has(at)) continue;
        used[list]?.add(at);
        taken[row]?.push(at);
        choose(list + 1, sum + weight);
        taken[row]?.pop();
        used[list]?.delete(at);
      }
    };
    choose(0, rows[row] ?? 0);
  };
  place(0, Infinity, -Infinity);
  return {
    order: [rows.map((_, at) => at), ...others.map((_, list) => best.taken.map((each) => each[list] ?? 0))],
    low: best.low,
    high: best.high,
    proved: steps <= MOST_STEPS,
  };
}

/** A good beginning: each list matched to what the lists before it make, one list after another. */
function oneAfterAnother(rows: readonly number[], others: readonly (readonly number[])[]) {
  let sums = rows;
  const taken: number[][] = rows.map(() => []);
  for (const weights of others) {
    const { columns } = balancedAssignment(sums.map((sum) => weights.map((each) => sum + each)));
    columns.forEach((at, row) => taken[row]?.push(at));
    sums = sums.map((sum, row) => sum + (weights[columns[row] ?? 0] ?? 0));
  }
  return { taken, low: Math.min(...sums), high: Math.max(...sums) };
}
