import type { QuantityKind } from '../quantity/unit.js';
import { middle, type Interval } from '../quantity/interval.js';
import type { Parameter } from '../dictionary/definition.js';
import type { BuildEngine, Origin, Spot, Taken } from './engine.js';
import { OVER, type Figure, type Input } from './figures/figure.js';

/** A size at the end of all formulas: what is put in. */
export interface Leaf {
  /** Where it stands among the values. */
  readonly index: number;
  /** Id of its parameter, or what else it is called. */
  readonly id: string;
  readonly name: string;
  readonly quantity: QuantityKind;
  readonly interval: Interval;
  readonly origin: Origin;
  /** The part it is of. */
  readonly of: string;
  /** Which of its row it is; absent where there is one. */
  readonly at?: number;
  /** Of a likely one, how surely it is so. */
  readonly probability?: number;
  /** What it is and between which it lies, in a word: leaves of one word are worth the same. */
  readonly key: string;
}

/** What a figure at one place goes by, by the name in the formula. */
export interface Argument {
  readonly name: string;
  /** Where its value stands. */
  readonly index: number;
  /** The figure, where it is one. */
  readonly figure?: Figure;
  readonly leaf?: Leaf;
  /** What was taken for want of better. */
  readonly assumed?: string;
}

/** A figure at one place, with where its value stands and what it goes by. */
export interface Node {
  readonly figure: Figure;
  readonly spot?: Spot;
  readonly index: number;
  readonly arguments: readonly Argument[];
  /** Leaves it rests on. */
  readonly leaves: ReadonlySet<number>;
}

/** A figure that cannot be told, and what must be known first. */
interface Untold {
  readonly figure: Figure;
  readonly spot?: Spot;
  readonly needs: readonly string[];
}

type Found = { readonly index: number; readonly leaves: ReadonlySet<number> } & Pick<
  Argument,
  'figure' | 'leaf' | 'assumed'
>;
interface Lacking {
  readonly needs: readonly string[];
}
const NO_LEAVES: ReadonlySet<number> = new Set();

/** Leaves of several, each once; those of one where it has all of them. */
function unionOf(all: readonly { readonly leaves: ReadonlySet<number> }[]): ReadonlySet<number> {
  const [first = NO_LEAVES, ...others] = all.map((each) => each.leaves).sort((a, b) => b.size - a.size);
  if (others.every((leaves) => [...leaves].every((leaf) => first.has(leaf)))) return first;
  const leaves = new Set<number>(first);
  for (const each of others) for (const leaf of each) leaves.add(leaf);
  return leaves;
}
const isFound = (found: Found | Lacking): found is Found => 'index' in found;

/** One value worked out from those that stand before it. */
interface Step {
  readonly index: number;
  /** Leaves it rests on. */
  readonly leaves: ReadonlySet<number>;
  readonly run: (values: Float64Array) => number;
}

/** A size that may lie here or there, with what changes as it does. */
interface Moving {
  readonly index: number;
  /** Where it may lie at the worst. */
  readonly ends: readonly number[];
  /** Only what stands between it and the node. */
  readonly through: readonly Step[];
}

/** Where a size may lie at the worst: at an end, or in the middle, where an offset leans a rod as much either way. */
const endsOf = (of: Interval): readonly number[] => [of.low, of.high, middle(of)];

/**
 * The figures of an engine as one sum: what is put in stands first, and each figure is worked out from what stands
 * before it. Values are evaluated in place, again and again, for intervals, samples and sweeps.
 */
export class BuildModel {
  readonly leaves: Leaf[] = [];
  /** By figure and place. */
  private readonly nodes = new Map<string, Node | Untold>();
  private readonly leafAt = new Map<string, Found>();
  private readonly leafBy = new Map<number, Leaf>();
  private readonly steps: Step[] = [];
  /** Steps in which something stands that rests on a leaf, in order. */
  private readonly stepsOf = new Map<number, number[]>();
  private readonly start: number[] = [];

  constructor(
    readonly engine: BuildEngine,
    figures: readonly Figure[],
  ) {
    for (const each of figures) for (const spot of this.spots(each)) this.node(each, spot);
  }

  /** What is put in at an index of the values. */
  leafOf(index: number): Leaf | undefined {
    return this.leafBy.get(index);
  }

  /** The places at which a figure is worked out. */
  spots({ per }: Figure): readonly (Spot | undefined)[] {
    if (per === 'engine') return [undefined];
    return Array.from({ length: this.engine.count(per) }, (_, at): Spot => ({ row: per, at: at + 1 }));
  }

  /** A figure at one place, whether it can be told or not. */
  node(figure: Figure, spot?: Spot): Node | Untold {
    const key = `${figure.id} ${spot?.at ?? ''}`;
    const known = this.nodes.get(key);
    if (known) return known;
    const made = this.make(figure, spot);
    this.nodes.set(key, made);
    return made;
  }

  /** Values as they are in the middle of all that is put in. */
  nominal(): Float64Array {
    const values = Float64Array.from(this.start);
    this.run(values);
    return values;
  }

  /** Leaves that nobody put down: they are taken as is likely. */
  get likely(): readonly Leaf[] {
    return (this.guessed ??= this.leaves.filter(({ origin }) => origin === 'likely'));
  }
  private guessed: readonly Leaf[] | undefined;

  /** Works everything out anew from the leaves that stand in `values`. */
  run(values: Float64Array): void {
    for (const { index, run } of this.steps) values[index] = run(values);
  }

  /** Works out anew what rests on one leaf. */
  runFrom(leaf: number, values: Float64Array): void {
    for (const at of this.stepsOf.get(leaf) ?? []) {
      const step = this.steps[at];
      if (step) values[step.index] = step.run(values);
    }
  }

  /** Works out what a node rests on, and no more. */
  runTo({ index }: Node, values: Float64Array): number {
    for (const step of this.stepsTo(index)) values[step.index] = step.run(values);
    return values[index] ?? Number.NaN;
  }

  private readonly upTo = new Map<number, readonly Step[]>();

  /** What a node rests on, in the order in which it is worked out. */
  stepsTo(index: number): readonly Step[] {
    const known = this.upTo.get(index);
    if (known) return known;
    const wanted = new Set([index]);
    const steps = [...this.steps].reverse().filter((step) => {
      if (!wanted.has(step.index)) return false;
      for (const each of this.readBy.get(step.index) ?? []) wanted.add(each);
      return true;
    });
    steps.reverse();
    this.upTo.set(index, steps);
    return steps;
  }

  private readonly moved = new Map<number, readonly Moving[]>();

  /** The sizes a node rests on of which nobody knows just where they lie. */
  movingOf({ index, leaves }: Node): readonly Moving[] {
    const known = this.moved.get(index);
    if (known) return known;
    const steps = this.stepsTo(index);
    const made = this.leaves
      .filter((leaf) => leaves.has(leaf.index) && leaf.interval.low < leaf.interval.high)
      .map((leaf) => ({
        index: leaf.index,
        ends: endsOf(leaf.interval),
        through: steps.filter((step) => step.leaves.has(leaf.index)),
      }));
    this.moved.set(index, made);
    return made;
  }

  /** Of a spread over cylinders, theirs. */
  readonly spreads = new Map<number, readonly Node[]>();
  /** What each step reads. */
  private readonly readBy = new Map<number, readonly number[]>();

  private slot(value: number): number {
    this.start.push(value);
    return this.start.length - 1;
  }

  private step(reads: readonly number[], leaves: ReadonlySet<number>, run: (values: Float64Array) => number): number {
    const index = this.slot(Number.NaN);
    this.readBy.set(index, reads);
    this.steps.push({ index, leaves, run });
    for (const leaf of leaves) {
      const rest = this.stepsOf.get(leaf) ?? [];
      rest.push(this.steps.length - 1);
      this.stepsOf.set(leaf, rest);
    }
    return index;
  }

  private make(figure: Figure, spot: Spot | undefined): Node | Untold {
    const where = spot ? { spot } : {};
    if (figure.arises?.(this.engine) === false) return { figure, ...where, needs: [] };
    const given: (Argument & Found)[] = [];
    const needs = new Set<string>();
    for (const [name, input] of Object.entries(figure.of)) {
      const found = this.find(input, spot);
      if (isFound(found)) given.push({ name, ...found });
      else for (const need of found.needs) needs.add(need);
    }
    if (given.length < Object.keys(figure.of).length) return { figure, ...where, needs: [...needs] };
    const leaves = unionOf(given);
    const [names, indexes] = [given.map(({ name }) => name), given.map(({ index }) => index)];
    // One object for all samples: nothing is made anew in the inner loop.
    const of: Record<string, number> = {};
    for (const name of names) of[name] = 0;
    const { engine } = this;
    const index = this.step(indexes, leaves, (values) => {
      for (let at = 0; at < indexes.length; at++) of[names[at] ?? ''] = values[indexes[at] ?? 0] ?? 0;
      return figure.compute(of, engine);
    });
    return { figure, ...where, index, arguments: given, leaves };
  }

  private find(input: Input, spot: Spot | undefined): Found | Lacking {
    switch (input.reads) {
      case 'size':
        return this.findSize(input, spot);
      case 'first': {
        let lacking: Lacking | undefined;
        for (const each of input.of) {
          const tried = this.find(each, spot);
          if (isFound(tried)) return tried;
          lacking ??= tried;
        }
        return lacking ?? { needs: [] };
      }
      case 'orElse': {
        const known = this.find(input.of, spot);
        return isFound(known) ? known : { index: this.slot(input.value), leaves: NO_LEAVES, assumed: input.says };
      }
      case 'chosen': {
        const { parameter } = input;
        const own = this.findSize({ reads: 'size', parameter }, spot);
        if (isFound(own) || this.engine.has(parameter)) return own;
        const chosen = input.choose(this.engine, spot);
        return chosen
          ? this.leaf(parameter, { interval: chosen.is, origin: 'chosen', of: chosen.of, each: true }, spot)
          : { needs: input.needs };
      }
      case 'told': {
        const told = input.tell(this.engine, spot);
        if (told === undefined) return { needs: input.needs };
        const index = this.slot(told);
        const leaf: Leaf = {
          index,
          id: input.name,
          name: input.name,
          quantity: input.quantity,
          interval: { low: told, high: told },
          origin: 'assumed',
          of: '',
          key: `;${input.name} ${told}`,
        };
        // It moves nothing, but tells one place from another.
        this.leafBy.set(index, leaf);
        return { index, leaves: new Set([index]), leaf };
      }
      case 'figure': {
        const node = this.node(input.figure, input.figure.per === 'engine' ? undefined : spot);
        return 'index' in node
          ? { index: node.index, leaves: node.leaves, figure: input.figure }
          : { needs: node.needs };
      }
      case 'over':
        return this.findOver(input.figure, input.how);
    }
  }

  private findSize({ parameter, slot }: Extract<Input, { reads: 'size' }>, spot: Spot | undefined): Found | Lacking {
    const taken = this.engine.size(parameter, spot, slot);
    return taken ? this.leaf(parameter, taken, spot, slot) : { needs: [parameter.id] };
  }

  /** Where a size that was taken stands; one that all have in common stands once. */
  private leaf(parameter: Parameter, taken: Taken, spot: Spot | undefined, slot = ''): Found {
    const at = taken.each ? spot?.at : undefined;
    const key = `${parameter.id} ${slot} ${at ?? ''} ${taken.of} ${taken.interval.low}`;
    const known = this.leafAt.get(key);
    if (known) return known;
    const index = this.slot(middle(taken.interval));
    const leaf: Leaf = {
      index,
      id: parameter.id,
      name: parameter.name,
      quantity: parameter.quantity,
      interval: taken.interval,
      origin: taken.origin,
      of: taken.of,
      key: `;${parameter.id} ${taken.interval.low} ${taken.interval.high}`,
      ...(at === undefined ? {} : { at }),
      ...(taken.probability === undefined ? {} : { probability: taken.probability }),
    };
    this.leaves.push(leaf);
    this.leafBy.set(index, leaf);
    const found: Found = { index, leaves: new Set([index]), leaf };
    this.leafAt.set(key, found);
    return found;
  }

  private findOver(figure: Figure, how: keyof typeof OVER): Found | Lacking {
    const nodes = this.spots(figure).map((spot) => this.node(figure, spot));
    const known = nodes.filter((node) => 'index' in node);
    if (known.length < nodes.length)
      return { needs: [...new Set(nodes.flatMap((node) => ('index' in node ? [] : node.needs)))] };
    const leaves = unionOf(known);
    const indexes = known.map(({ index }) => index);
    const all = new Float64Array(indexes.length);
    const index = this.step(indexes, leaves, (values) => {
      for (let at = 0; at < indexes.length; at++) all[at] = values[indexes[at] ?? 0] ?? 0;
      return OVER[how](all);
    });
    if (how === 'spread') this.spreads.set(index, known);
    return { index, leaves, figure };
  }
}

/**
 * Between which a figure lies, with everything that is put in anywhere between its ends. Each figure goes up or down
 * with each of its sizes over ranges as narrow as tolerances: so its ends lie where all are at one of theirs. Which way
 * it goes is looked at again from where the others have come to lie.
 */
export function intervalOf(model: BuildModel, node: Node, nominal: Float64Array): Interval {
  const spread = node.arguments.map(({ index }) => model.spreads.get(index)).find((each) => each !== undefined);
  return spread ? spreadOf(model, spread, nominal) : reach(model, node, nominal, () => true).interval;
}

/**
 * How far cylinders may be apart: what each has of its own may be at one end here and at the other there; what they
 * have in common moves all of them, and may widen the distance or narrow it.
 */
function spreadOf(model: BuildModel, nodes: readonly Node[], nominal: Float64Array): Interval {
  const [first] = nodes;
  if (!first || nodes.length < 2) return { low: 0, high: 0 };
  const shared = (leaf: number) => nodes.every(({ leaves }) => leaves.has(leaf));
  const { corners } = reach(model, first, nominal, shared);
  const spreads = [nominal, ...corners].map((values) => {
    const ends = nodes.map((node) => reach(model, node, values, (leaf) => !shared(leaf)).interval);
    const of = (pick: (each: Interval) => number) => ends.map(pick);
    return {
      low: Math.max(0, Math.max(...of(({ low }) => low)) - Math.min(...of(({ high }) => high))),
      high: Math.max(...of(({ high }) => high)) - Math.min(...of(({ low }) => low)),
    };
  });
  return {
    low: Math.min(...spreads.map(({ low }) => low)),
    high: Math.max(...spreads.map(({ high }) => high)),
  };
}

/** Between which a figure lies where some of its sizes move, and the corners at which it lies there. */
function reach(
  model: BuildModel,
  node: Node,
  from: Float64Array,
  moves: (leaf: number) => boolean,
): { readonly interval: Interval; readonly corners: readonly [Float64Array, Float64Array] } {
  const start = from.slice();
  const inside = model.runTo(node, start);
  const moving = model.movingOf(node).filter(({ index }) => moves(index));
  const put = (values: Float64Array, { index, through }: Moving, end: number): number => {
    values[index] = end;
    for (const step of through) values[step.index] = step.run(values);
    return values[node.index] ?? Number.NaN;
  };
  // First from where all else lies in the middle, for both ends at once; then again from the corners that makes.
  const [lowest, highest] = [start.slice(), start.slice()];
  const values = start.slice();
  for (const each of moving) {
    const { index, ends, through } = each;
    const told = ends.map((end) => put(values, each, end));
    values[index] = start[index] ?? 0;
    for (const step of through) values[step.index] = start[step.index] ?? 0;
    lowest[index] = ends[told.indexOf(Math.min(...told))] ?? Number.NaN;
    highest[index] = ends[told.indexOf(Math.max(...told))] ?? Number.NaN;
  }
  const settled = (corner: Float64Array, sign: 1 | -1): Float64Array => {
    let furthest = sign * model.runTo(node, corner);
    for (const each of moving) {
      const chosen = corner[each.index] ?? 0;
      let best = chosen;
      for (const end of each.ends) {
        if (end === chosen) continue;
        const far = sign * put(corner, each, end);
        if (far > furthest) [best, furthest] = [end, far];
      }
      if (corner[each.index] !== best) put(corner, each, best);
    }
    return corner;
  };
  const corners = [settled(lowest, -1), settled(highest, 1)] as const;
  const [low, high] = corners.map((values) => values[node.index] ?? Number.NaN);
  return {
    interval: { low: Math.min(low ?? inside, inside), high: Math.max(high ?? inside, inside) },
    corners: [corners[0], corners[1]],
  };
}
