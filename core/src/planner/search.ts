/**
 * Branch and bound over choices, exact: it proves that nothing better exists, or says how far it came. It knows nothing
 * of engines: what may go together is told by constraints, what a whole choice is worth by its leaf.
 */
import { Arc } from './arc.js';
import { Best, SAME, type Chosen, type Leaf } from './best.js';
import { SAYS, type Constraint } from './constraint.js';
import { allOf, countOf, drop, firstOf, only, optionsOf, type OptionSet } from './optionSet.js';

/** Something of which there is no more than so much: money, hours. */
export interface Budget {
  readonly name: string;
  readonly most: number;
  /** What each option of each variable takes of it; never less than nothing. */
  readonly takes: readonly Float64Array[];
}

/** Why a whole choice does not hold. */
export interface Refused {
  readonly refused: string;
}

export interface SearchProblem<L extends Leaf> {
  /** What each option of each variable costs, ascending; never less than nothing. */
  readonly costs: readonly Float64Array[];
  readonly constraints: readonly Constraint[];
  readonly budgets: readonly Budget[];
  /** How many constraints may be open. */
  readonly mostOpen: number;
  /** A leaf that scores more than `threshold` is not wanted: it may be refused for that alone. */
  readonly leaf: (selection: readonly number[], threshold: number) => L | Refused;
}

export interface SearchLimits {
  /** How many of the best are wanted, each of another key. */
  readonly answers: number;
  /** After so many nodes it stops, with what it has. */
  readonly effort: number;
  /** Only what scores less is wanted. */
  readonly below?: number;
  /** It is enough to know that there is one. */
  readonly first?: boolean;
  /** Asked now and then; it stops where this says so. */
  readonly isStopped?: () => boolean;
}

/** How far a search has come. */
export interface SearchProgress<L extends Leaf> {
  /** The best so far, the best first. */
  readonly best: readonly Chosen<L>[];
  /** No choice that was not looked at yet scores less. */
  readonly bound: number;
  readonly nodes: number;
  readonly leaves: number;
}

/** Told now and then while a search goes on, and whenever it has found something better. */
export type SearchTold<L extends Leaf> = (progress: () => SearchProgress<L>) => void;

export interface SearchResult<L extends Leaf> {
  /** The best first; equal ones in the order of their options. */
  readonly best: readonly Chosen<L>[];
  /** Whether nothing better exists. */
  readonly proved: boolean;
  /** No choice that was not looked at scores less. */
  readonly bound: number;
  readonly nodes: number;
  readonly leaves: number;
  /** What refused, and how often. */
  readonly refusals: ReadonlyMap<string, number>;
}

export const isLeaf = <L extends Leaf>(found: L | Refused): found is L => !('refused' in found);

/** Nodes between one look at whether it is to stop and the next. */
const BETWEEN_LOOKS = 16;
/** So many judgements are made in the hope of a first choice. */
const PROBED = 100_000;

/** Where the search stands on its way down. */
interface Node {
  readonly live: readonly OptionSet[];
  /** The option of each variable; -1 while none is chosen. */
  readonly chosen: readonly number[];
  readonly open: number;
  readonly floor: number;
}

/** A branching on the way down, with which of its options is gone into now. */
interface Branching {
  readonly node: Node;
  readonly at: number;
  readonly options: readonly number[];
  tried: number;
}

/** One search. */
class Search<L extends Leaf> {
  private readonly best: Best<L>;
  private readonly refusals = new Map<string, number>();
  private readonly about: readonly (readonly Constraint[])[];
  private readonly arcs: readonly (readonly Arc[])[];
  private readonly leastOf: readonly (readonly number[])[];
  private nodes = 0;
  private leaves = 0;
  private probed = 0;
  /** Where it sets out, while it probes. */
  private probing: Node | undefined;
  private readonly lookedAt = new Set<string>();
  /** Set by a look at whether it is to stop, or by the first answer where one is enough. */
  private stopped = false;
  private get isOver(): boolean {
    return this.stopped;
  }
  private bound = Infinity;
  /** From the root to where it is now. */
  private readonly way: Branching[] = [];

  constructor(
    private readonly problem: SearchProblem<L>,
    private readonly limits: SearchLimits,
    private readonly told?: SearchTold<L>,
  ) {
    const { costs, constraints, budgets } = problem;
    this.best = new Best(limits.answers, limits.below);
    this.about = costs.map((_, at) => constraints.filter(({ vars }) => vars.includes(at)));
    const arcs = costs.map((): Arc[] => []);
    for (const constraint of constraints) {
      const [a, b] = constraint.vars;
      if (constraint.dear || constraint.vars.length !== 2 || a === undefined || b === undefined) continue;
      arcs[a]?.push(new Arc(constraint, a, b, costs[b]?.length ?? 0));
      arcs[b]?.push(new Arc(constraint, b, a, costs[a]?.length ?? 0));
    }
    this.arcs = arcs;
    this.leastOf = budgets.map(({ takes }) => takes.map((each) => each.reduce((a, b) => Math.min(a, b), Infinity)));
  }

  /** Runs it to its end, or to where it is stopped. */
  run(): SearchResult<L> {
    const start = this.root();
    if (start) {
      this.probing = start;
      this.probe(start);
      this.probing = undefined;
      if (this.stopped) this.bound = this.boundOf(start);
      else if (this.arcConsistent(start.live, this.arcs.flat())) this.down(start);
    }
    return {
      best: this.best.all,
      proved: !this.stopped,
      bound: Math.min(this.bound, this.best.threshold),
      nodes: this.nodes,
      leaves: this.leaves,
      refusals: this.refusals,
    };
  }

  /** Counts a refusal; nothing goes on from there. */
  private refuse(why: string): undefined {
    this.refusals.set(why, (this.refusals.get(why) ?? 0) + 1);
  }

  /** Everything possible, less what some constraint of one or two variables refuses from the start. */
  private root(): Node | undefined {
    const { costs, constraints } = this.problem;
    const live = costs.map(({ length }) => allOf(length));
    if (costs.some(({ length }) => length === 0)) {
      this.refuse('nothing to choose from');
      return undefined;
    }
    for (const constraint of constraints) {
      const [at] = constraint.vars;
      const mine = at === undefined ? undefined : live[at];
      if (constraint.vars.length !== 1 || !mine) continue;
      for (const option of optionsOf(mine)) if (constraint.judge([option]) === SAYS.refuses) drop(mine, option);
      if (countOf(mine) === 0) {
        this.refuse(constraint.name);
        return undefined;
      }
    }
    for (const arc of this.arcs.flat()) arc.among = live[arc.to]?.slice();
    return { live, chosen: costs.map(() => -1), open: 0, floor: 0 };
  }

  /**
   * Goes down for choices that hold as they are, with nothing done to them. They are there at once, and what costs more
   * is not gone into any more.
   *
   * @returns whether it is at an end: it has as many as are wanted, or has judged enough
   */
  private probe(node: Node): boolean {
    if (this.probed > PROBED || this.limits.isStopped?.() === true) return true;
    const at = this.tightest(node);
    if (at === undefined) {
      this.look(node.chosen);
      return this.best.all.length >= (this.limits.first ? 1 : this.limits.answers);
    }
    const live = node.live[at];
    if (!live) return true;
    for (const option of optionsOf(live)) {
      const next = this.plainly(node, at, option);
      if (next && this.probe(next)) return true;
    }
    return false;
  }

  /** A node after one more choice, with what goes with it as it is; nothing where it does not. */
  private plainly(node: Node, at: number, option: number): Node | undefined {
    const chosen = [...node.chosen];
    chosen[at] = option;
    if (this.overBudget(chosen) !== undefined) return undefined;
    const live = [...node.live];
    let { open } = node;
    for (const { vars, judge, plain = judge } of this.about[at] ?? []) {
      const [one, ...others] = vars.filter((each) => chosen[each] === -1);
      if (others.length > 0) continue;
      const options = vars.map((each) => chosen[each] ?? 0);
      const theirs = one === undefined ? undefined : live[one];
      if (one === undefined || !theirs) {
        this.probed++;
        const says = plain(options);
        if (says === SAYS.refuses || (says === SAYS.open && ++open > this.problem.mostOpen)) return undefined;
        continue;
      }
      const place = vars.indexOf(one);
      const kept = theirs.slice();
      for (const each of optionsOf(theirs)) {
        this.probed++;
        options[place] = each;
        if (plain(options) === SAYS.refuses) drop(kept, each);
      }
      if (firstOf(kept) === undefined) return undefined;
      live[one] = kept;
    }
    return { ...node, live, chosen, open };
  }

  /** Drops what nothing on the other side of an arc goes with, until no more falls away. False if nothing is left. */
  private arcConsistent(live: readonly OptionSet[], start: readonly Arc[]): boolean {
    const queue = [...start];
    while (queue.length > 0) {
      const arc = queue.shift();
      // What is not dropped yet is no wrong choice: the search ends before it looks at any.
      if (this.limits.isStopped?.() === true) {
        this.stopped = true;
        return true;
      }
      const [mine, theirs] = arc ? [live[arc.from], live[arc.to]] : [];
      if (!arc || !mine || !theirs) continue;
      let fell = false;
      for (const option of optionsOf(mine)) {
        const row = arc.row(option);
        if (row.some((word, at) => (word & (theirs[at] ?? 0)) !== 0)) continue;
        drop(mine, option);
        fell = true;
      }
      if (!fell) continue;
      if (countOf(mine) === 0) {
        this.refuse(arc.constraint.name);
        return false;
      }
      // Those that lean on what fell must be looked at again.
      for (const back of this.arcs[arc.from] ?? [])
        for (const again of this.arcs[back.to] ?? [])
          if (again.to === arc.from && again !== arc && !queue.includes(again)) queue.push(again);
    }
    return true;
  }

  /** The least that any leaf under a node can score. */
  private boundOf({ live, chosen, floor }: Node): number {
    let sum = floor;
    for (let at = 0; at < live.length; at++) {
      const mine = live[at];
      const option = chosen[at] === -1 ? (mine ? firstOf(mine) : undefined) : chosen[at];
      sum += this.problem.costs[at]?.[option ?? 0] ?? 0;
    }
    return sum;
  }

  private overBudget(chosen: readonly number[]): string | undefined {
    return this.problem.budgets.find(({ most, takes }, which) => {
      const least = this.leastOf[which] ?? [];
      const sum = chosen.reduce(
        (so, option, at) => so + (option < 0 ? (least[at] ?? 0) : (takes[at]?.[option] ?? 0)),
        0,
      );
      return sum > most + SAME;
    })?.name;
  }

  /**
   * How far it has come. What is not looked at yet lies beside the way down from what is gone into now.
   *
   * @param here the node that is just being opened, if any
   */
  private progress(here = this.probing): SearchProgress<L> {
    return {
      best: this.best.all,
      bound: Math.min(
        this.best.threshold,
        here ? this.boundOf(here) : Infinity,
        ...this.way.map(({ node, at, options, tried }) => this.boundFrom(node, at, options[tried + 1])),
      ),
      nodes: this.nodes,
      leaves: this.leaves,
    };
  }

  /** The least that any leaf under a node can score once a variable has an option; options stand by cost. */
  private boundFrom(node: Node, at: number, option: number | undefined): number {
    if (option === undefined) return Infinity;
    const chosen = [...node.chosen];
    chosen[at] = option;
    return this.boundOf({ ...node, chosen });
  }

  private down(node: Node): void {
    this.nodes++;
    const isLook = this.nodes % BETWEEN_LOOKS === 1;
    if (this.nodes >= this.limits.effort || (isLook && this.limits.isStopped?.() === true)) this.stopped = true;
    if (this.stopped) {
      this.bound = Math.min(this.bound, this.boundOf(node));
      return;
    }
    if (isLook) this.told?.(() => this.progress(node));
    const at = this.tightest(node);
    if (at === undefined) return this.look(node.chosen);
    const live = node.live[at];
    if (!live) return;
    const branching: Branching = { node, at, options: [...optionsOf(live)], tried: 0 };
    this.way.push(branching);
    for (const option of branching.options) {
      const mine = [...node.live];
      mine[at] = only(this.problem.costs[at]?.length ?? 0, option);
      const chosen = [...node.chosen];
      chosen[at] = option;
      if (this.isOver) {
        // What was not tried costs no less than the first of it.
        this.bound = Math.min(this.bound, this.boundFrom(node, at, option));
        break;
      }
      const next = this.assign({ ...node, live: mine, chosen }, at);
      if (next && this.boundOf(next) <= this.best.threshold + SAME) this.down(next);
      branching.tried++;
    }
    this.way.pop();
  }

  /** The variable with the fewest options left; of equal ones the one that most is about. */
  private tightest({ live, chosen }: Node): number | undefined {
    let [found, fewest, most]: [number | undefined, number, number] = [undefined, Infinity, -1];
    for (let at = 0; at < live.length; at++) {
      const mine = live[at];
      if (chosen[at] !== -1 || !mine) continue;
      const [count, weight] = [countOf(mine), this.about[at]?.length ?? 0];
      if (count < fewest || (count === fewest && weight > most)) [found, fewest, most] = [at, count, weight];
    }
    return found;
  }

  /** A node after one more choice, with what that rules out elsewhere; nothing where it cannot be. */
  private assign(node: Node, at: number): Node | undefined {
    const { chosen } = node;
    const live = [...node.live];
    let { open, floor } = node;
    const over = this.overBudget(chosen);
    if (over !== undefined) {
      this.refuse(over);
      return undefined;
    }
    for (const constraint of this.about[at] ?? []) {
      const left = constraint.vars.filter((each) => chosen[each] === -1);
      const [one] = left;
      if (left.length === 0) {
        const options = constraint.vars.map((each) => chosen[each] ?? 0);
        const says = constraint.judge(options);
        if (says === SAYS.refuses) {
          this.refuse(constraint.name);
          return undefined;
        }
        if (says === SAYS.open && ++open > this.problem.mostOpen) {
          this.refuse('too much is open');
          return undefined;
        }
        if (says === SAYS.atACost) floor = Math.max(floor, constraint.floor?.(options) ?? 0);
      } else if (left.length === 1 && one !== undefined) {
        const theirs = live[one];
        const kept = theirs && this.kept(constraint, one, theirs, chosen, at);
        if (!kept || countOf(kept) === 0) {
          this.refuse(constraint.name);
          return undefined;
        }
        live[one] = kept;
      }
    }
    return { live, chosen, open, floor };
  }

  /** What a constraint leaves of the one variable of it that is not chosen yet. */
  private kept(
    constraint: Constraint,
    one: number,
    theirs: OptionSet,
    chosen: readonly number[],
    at: number,
  ): OptionSet {
    const kept = theirs.slice();
    const row = this.arcs[at]?.find((arc) => arc.constraint === constraint)?.row(chosen[at] ?? 0);
    if (row) {
      for (let word = 0; word < kept.length; word++) kept[word] = (kept[word] ?? 0) & (row[word] ?? 0);
      return kept;
    }
    const options = constraint.vars.map((each) => chosen[each] ?? 0);
    const place = constraint.vars.indexOf(one);
    for (const option of optionsOf(theirs)) {
      options[place] = option;
      if (constraint.judge(options) === SAYS.refuses) drop(kept, option);
    }
    return kept;
  }

  private look(selection: readonly number[]): void {
    const key = selection.join();
    if (this.lookedAt.has(key)) return;
    if (this.probing) this.lookedAt.add(key);
    this.leaves++;
    const leaf = this.problem.leaf(selection, this.best.threshold);
    if (!isLeaf(leaf)) {
      this.refuse(leaf.refused);
      return;
    }
    const before = this.best.all;
    this.best.offer({ selection, leaf });
    if (this.best.all !== before) this.told?.(() => this.progress());
    if (this.limits.first) this.stopped = true;
  }
}

/** Searches for the best choices there are. */
export const searchFor = <L extends Leaf>(
  problem: SearchProblem<L>,
  limits: SearchLimits,
  told?: SearchTold<L>,
): SearchResult<L> => new Search(problem, limits, told).run();
