import { demandsOf, type Demand, type DemandedBuild } from './conflicts.js';
import type { SetFound } from './evaluate.js';
import { Groundworks } from './groundwork.js';
import { planFor } from './plan.js';
import { problemOf, type PlanGround, type PlanProblem } from './problem.js';
import type { Chosen } from './best.js';

/** What a demand costs: the best set there is without it. */
interface Worth {
  readonly demand: Demand;
  readonly setting: DemandedBuild;
  readonly best: Chosen<SetFound>;
  /** How much less it counts than the best with the demand. */
  readonly saves: number;
  readonly proved: boolean;
}

/** What it would be worth to have the part of a place already. */
interface AtHand {
  readonly slot: string;
  readonly best: Chosen<SetFound>;
  readonly problem: PlanProblem;
  /** How much less the best set then counts. */
  readonly saves: number;
  readonly proved: boolean;
}

/** What all demands cost, the dearest first, and what parts would be worth that are not there. */
interface Worths {
  readonly worth: readonly Worth[];
  readonly atHand: readonly AtHand[];
  /** Whether all were looked at to the end: of those that are not named none costs anything. */
  readonly proved: boolean;
}

/** Nodes of the search without one demand, and of all of them together. */
const EFFORT = { nodes: 1500, altogether: 8000 };
/** What saves less is not worth a word. */
const LEAST = 1;

/**
 * What each demand costs by itself: which part that is not looked for, which limit, which end of which target would
 * make the best set better if it were let go; and what the part of a place would save, were it there already. Each is a
 * search of its own, which needs to look only at what beats the best there is.
 *
 * @param score of the best set that meets all demands
 * @param isStopped asked now and then; where it says so, what was found so far is told
 */
export function worthOf(
  setting: DemandedBuild,
  ground: PlanGround,
  score: number,
  isStopped: () => boolean = () => false,
): Worths {
  let [proved, left] = [true, EFFORT.altogether];
  const groundworks = new Groundworks();
  const better = (laidOut: () => PlanProblem) => {
    if (isStopped() || left <= 0) {
      proved = false;
      return undefined;
    }
    const problem = laidOut();
    const effort = Math.min(EFFORT.nodes, left);
    const result = planFor(problem, { answers: 1, effort, below: score - LEAST, isStopped }, undefined, groundworks);
    left -= result.nodes;
    if (!result.proved) proved = false;
    const [best] = result.best;
    return best && { problem, best, saves: score - best.leaf.score, proved: result.proved };
  };
  const worth = demandsOf(setting, ground).flatMap((demand): readonly Worth[] => {
    const without = demand.without(setting);
    const found = better(() => problemOf(without.build, without.demands, ground));
    return found ? [{ demand, setting: without, ...found }] : [];
  });
  const atHand = setting.demands.places.flatMap(({ slot, from }): readonly AtHand[] => {
    const found = from === 'shelf' ? undefined : better(() => problemOf(setting.build, setting.demands, ground, slot));
    return found ? [{ slot, ...found }] : [];
  });
  const dearestFirst = (a: { readonly saves: number }, b: typeof a): number => b.saves - a.saves;
  return { worth: worth.sort(dearestFirst), atHand: atHand.sort(dearestFirst), proved };
}
