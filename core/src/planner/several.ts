import type { SetFound } from './evaluate.js';
import { planFor } from './plan.js';
import type { PlanProblem } from './problem.js';
import type { SearchLimits, SearchResult, SearchTold } from './search.js';

/** Sets for several engines at once, no part of the shelf in two of them. */
interface SeveralFound extends SearchResult<SetFound> {
  /** Of the engines asked for, how many can be built; `best` has a set for each. */
  readonly engines: number;
}

/** The best sets for one engine that are looked for at first, and at most. */
const [AT_FIRST, AT_MOST] = [16, 400];
/** Ways to put them together that are gone through at most. */
const MOST_TRIED = 2_000_000;
const SAME = 1e-9;

/** Parts that are there once: what is bought can be bought again. */
const usedBy = ({ options }: SetFound): readonly string[] =>
  options.flatMap(({ lying, places }) => lying ?? places.flatMap(({ specimen }) => specimen ?? []));

/**
 * So many of some things that score the least in sum, where what each uses is used once.
 *
 * @param all by score, the best first; what uses nothing may be taken again
 * @param below a sum that is as much is not wanted
 * @returns the places of those that are taken, or nothing; and whether it was gone through to the end
 */
export function leastTogether(
  all: readonly { readonly score: number; readonly uses: readonly string[] }[],
  count: number,
  below = Infinity,
): { readonly taken?: readonly number[]; readonly sum: number; readonly whole: boolean } {
  const best: { taken?: readonly number[]; sum: number } = { sum: below };
  let tried = 0;
  const used = new Set<string>();
  const taken: number[] = [];
  const take = (from: number, so: number): void => {
    const left = count - taken.length;
    if (left === 0) {
      [best.taken, best.sum] = [[...taken], so];
      return;
    }
    for (let at = from; at < all.length; at++) {
      const each = all[at];
      // All that follow score as much.
      if (!each || so + left * each.score >= best.sum - SAME || ++tried > MOST_TRIED) return;
      if (each.uses.some((one) => used.has(one))) continue;
      for (const one of each.uses) used.add(one);
      taken.push(at);
      take(at, so + each.score);
      taken.pop();
      for (const one of each.uses) used.delete(one);
    }
  };
  take(0, 0);
  return { ...best, whole: tried <= MOST_TRIED };
}

/**
 * The sets for several engines of one kind that score the least in sum; where there is not enough for all, for as many
 * as there is. The best sets for one engine are looked for, and as many of them put together as there are engines. A
 * set beyond those scores no less than the last of them, and the others no less than the first: once that sum is no
 * better than what is there, it is proved; until then more of them are looked for.
 */
export function setsForEngines(
  problem: PlanProblem,
  engines: number,
  limits: Partial<SearchLimits> = {},
  told?: SearchTold<SetFound>,
): SeveralFound {
  let [nodes, leaves] = [0, 0];
  for (let answers = AT_FIRST * engines; ; answers = Math.min(AT_MOST, answers * 4)) {
    const one = planFor(problem, { ...limits, answers }, told);
    nodes += one.nodes;
    leaves += one.leaves;
    const all = one.best.map(({ leaf }) => ({ score: leaf.score, uses: usedBy(leaf) }));
    const isAll = one.proved && all.length < answers;
    // What is not among these scores no less than this.
    const beyond = isAll ? Infinity : one.proved ? (all.at(-1)?.score ?? Infinity) : one.bound;
    const { count, taken, sum, whole } = mostTogether(all, engines);
    const bound = beyond + (engines - 1) * (all[0]?.score ?? 0);
    const proved = one.proved && whole && (isAll || (count === engines && sum <= bound + SAME));
    if (proved || !one.proved || answers >= AT_MOST || limits.isStopped?.() === true)
      return {
        ...one,
        best: taken.flatMap((at) => one.best[at] ?? []),
        engines: count,
        proved,
        bound: Math.min(bound, sum),
        nodes,
        leaves,
      };
  }
}

/** As many together as there is enough for, and of these the least in sum. */
function mostTogether(all: Parameters<typeof leastTogether>[0], engines: number) {
  for (let count = engines; count > 0; count--) {
    const { taken, sum, whole } = leastTogether(all, count);
    if (taken) return { count, taken, sum, whole };
    if (!whole) return { count: 0, taken: [], sum: Infinity, whole };
  }
  return { count: 0, taken: [], sum: Infinity, whole: true };
}
