import type { Reach } from '../../dictionary/definition.js';
import { SETTLED_FROM } from '../assumptions.js';
import type { Identification } from '../identify.js';
import { checkKey, foreseen, type NextCheck, type Foreseen, type CheckContext } from './checks.js';
import { hypothesesOf, type Hypotheses } from './hypotheses.js';
import { onceMore, type OnceMore } from './onceMore.js';
import { after, entropy, gainOf, likelihoodOf } from './outcomes.js';
import { dismantling, stepsTo } from './teardown.js';
import { tellApart, type Separation } from './tellApart.js';

/** A check with what it is worth now. */
export interface Advised extends NextCheck {
  /** Expected drop in uncertainty, bits. */
  readonly bits: number;
  readonly bitsPerMinute: number;
  /** Chance that the part is named beyond reasonable doubt afterwards. */
  readonly settles: number;
}

export interface Advice {
  /** How uncertain it is now, bits: 1 is two candidates alike. */
  readonly uncertainty: number;
  /** Worth doing, what gains the most a minute first; empty where nothing left tells anything. */
  readonly checks: readonly Advised[];
  /** The next three, each chosen for what those before may come to. */
  readonly plan: readonly Advised[];
  /** How the first two candidates can be told apart, or that they cannot. Absent where only one is left. */
  readonly separation?: Separation;
}

/** Gains below this, in bits, are not worth a minute. */
const WORTH = 0.004;
const PLANNED = 3;
/** What remains of uncertainty below which there is nothing to plan for, bits. */
const SURE = 0.02;

/**
 * What to look at, read or measure next, and why: what gains the most a minute comes first.
 *
 * @param identification what is known so far
 * @param context what can be reached, what is skipped, and the shop's instruments
 * @param planned how many checks ahead to plan; one is only the next
 */
export function advise(identification: Identification, context: CheckContext, planned = PLANNED): Advice {
  const { index } = identification;
  const hypotheses = hypothesesOf(identification);
  const open = foreseen(index, hypotheses, context);
  const ranked = rank(open, hypotheses.weights).map(settlingBy(identification));
  const again = onceMore(identification);
  const isWanted = again && again.bits >= WORTH && !context.skipped?.includes(checkKey(again.check));
  const checks = isWanted ? [takenAgain(again), ...ranked] : ranked;
  const separation = tellApart(index, hypotheses, context, open);
  return {
    uncertainty: entropy(hypotheses.weights),
    checks,
    plan: planFrom(open, hypotheses, ranked, stepsTo(context.state ?? 'onTheBench'), planned),
    ...(separation ? { separation } : {}),
  };
}

/** Looks by themselves settle nothing: a mark or a size has to bear them out, as the standing of an answer has it. */
function settlingBy({ weighed }: Identification): (advised: Advised) => Advised {
  const isBorneOut = weighed.some(({ evidence }) => evidence.sort === 'size' || evidence.sort === 'mark');
  return (advised) => (advised.sort === 'look' && !isBorneOut ? { ...advised, settles: 0 } : advised);
}

const takenAgain = ({ check, bits }: OnceMore): Advised => ({
  ...check,
  bits,
  settles: 0,
  bitsPerMinute: bits / (check.minutes + check.dismantling),
});

function worthOf({ check, outcomes }: Foreseen, weights: Float64Array): Advised {
  const { bits, settles } = gainOf(outcomes, weights, SETTLED_FROM);
  return { ...check, bits, settles, bitsPerMinute: bits / (check.minutes + check.dismantling) };
}

/** Worthwhile checks, the most a minute first; of one size only the instrument that does best. */
function rank(open: readonly Foreseen[], weights: Float64Array): Advised[] {
  const best = new Map<string, Advised>();
  for (const each of open) {
    const advised = worthOf(each, weights);
    if (advised.bits >= WORTH && advised.bitsPerMinute > (best.get(checkKey(advised))?.bitsPerMinute ?? 0))
      best.set(checkKey(advised), advised);
  }
  return [...best.values()].sort((a, b) => b.bitsPerMinute - a.bitsPerMinute || (a.id < b.id ? -1 : 1));
}

interface Branch {
  readonly chance: number;
  readonly weights: Float64Array;
}
/** Branches followed at most; the rest is unlikely enough not to change a plan. */
const BRANCHES = 12;

/** The first check, then what gains the most on average over what it may come to, and so once more. */
function planFrom(
  open: readonly Foreseen[],
  hypotheses: Hypotheses,
  checks: readonly Advised[],
  state: ReadonlySet<Reach>,
  planned: number,
): Advised[] {
  const [first] = checks;
  if (!first) return [];
  const plan = [first];
  let branches: Branch[] = [{ chance: 1, weights: hypotheses.weights }];
  while (plan.length < planned) {
    const last = plan[plan.length - 1];
    const made = open.find(
      ({ check }) => last && checkKey(check) === checkKey(last) && check.tool?.sort === last.tool?.sort,
    );
    if (!made) break;
    branches = followed(branches, made);
    if (branches.reduce((sum, { chance, weights }) => sum + chance * entropy(weights), 0) < SURE) break;
    const rest = open.filter(({ check }) => !plan.some((each) => checkKey(each) === checkKey(check)));
    // What was taken apart for one is apart for the next.
    const done = new Set([...state, ...stepsTo(...plan.map(({ reach }) => reach))]);
    const next = bestOver(rest, branches, done);
    if (!next) break;
    plan.push(next);
  }
  return plan;
}

function followed(branches: readonly Branch[], { outcomes }: Foreseen): Branch[] {
  return branches
    .flatMap(({ chance, weights }) =>
      [...likelihoodOf(outcomes, weights)].map((share, outcome): Branch => ({
        chance: chance * share,
        weights: after(outcomes, weights, outcome),
      })),
    )
    .sort((a, b) => b.chance - a.chance)
    .slice(0, BRANCHES);
}

function bestOver(
  open: readonly Foreseen[],
  branches: readonly Branch[],
  done: ReadonlySet<Reach>,
): Advised | undefined {
  let best: Advised | undefined;
  for (const { check, outcomes } of open) {
    let bits = 0;
    let settles = 0;
    for (const { chance, weights } of branches) {
      const gain = gainOf(outcomes, weights, SETTLED_FROM);
      bits += chance * gain.bits;
      settles += chance * gain.settles;
    }
    const before = dismantling(done, check.reach);
    const perMinute = bits / (check.minutes + before);
    if (bits >= WORTH && perMinute > (best?.bitsPerMinute ?? 0))
      best = { ...check, dismantling: before, bits, settles, bitsPerMinute: perMinute };
  }
  return best;
}
