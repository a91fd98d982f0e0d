import { BuildModel, engineWith, intervalOf, type BuildEngine, type Figure } from '../build/index.js';
import type { Input } from '../build/figures/figure.js';
import type { Part } from '../catalogue/part.js';
import type { KindId } from '../dictionary/dictionary.js';
import { kindOf, type PlacedPart } from '../joints/index.js';
import type { Interval } from '../quantity/interval.js';
import type { PlanProblem } from './problem.js';

/** What a figure comes to. */
export interface Reached {
  /** From the least to the greatest of its places, nominal; nothing where it cannot be told. */
  readonly reaches?: Interval;
  /** What must be known before it can. */
  readonly needs: readonly string[];
}

/** Sizes and looks that a figure goes by, however far down. */
function readsOf(figure: Figure): ReadonlySet<string> {
  const ids = new Set<string>();
  const from = (input: Input): void => {
    switch (input.reads) {
      case 'size':
        ids.add(input.parameter.id);
        return;
      case 'first':
        input.of.forEach(from);
        return;
      case 'orElse':
        from(input.of);
        return;
      case 'figure':
      case 'over':
        Object.values(input.figure.of).forEach(from);
        return;
      case 'chosen':
      case 'told':
        for (const id of input.needs) ids.add(id);
    }
  };
  Object.values(figure.of).forEach(from);
  return ids;
}

/** Subjects whose figures go by nothing but what they declare; others may look at the whole engine. */
const DECLARED: readonly Figure['subject'][] = ['ratio', 'motion'];

/** The sizes and looks that a figure goes by, where it declares them all. */
export const declaredReads = (figure: Figure): ReadonlySet<string> | undefined =>
  DECLARED.includes(figure.subject) ? readsOf(figure) : undefined;

/** Whether all cylinders of a part are alike: none was measured by itself. */
const isUniform = ({ values }: Part): boolean =>
  Object.values(values).every(({ at, positions }) => at === undefined && positions === undefined);

const COUNTED_BY: readonly KindId[] = ['block', 'crank'];

/** Tells figures of one set of parts after another: what goes by the same parts is worked out once. */
export class FigureTeller {
  private readonly engine: (parts: readonly PlacedPart[]) => BuildEngine;
  private readonly numbers = new WeakMap<Part, number>();
  private next = 0;
  /** Whether nothing was put in for one cylinder by itself. */
  private readonly isUniform: boolean;
  private readonly known = new Map<string, Reached>();
  private readonly reads = new Map<Figure, ReadonlySet<string> | undefined>();

  constructor({ bare, ground }: Pick<PlanProblem, 'bare' | 'ground'>) {
    this.engine = engineWith(bare, ground);
    this.isUniform = bare.sizes.every(({ at }) => at === undefined) && bare.places.every(({ at }) => at === undefined);
  }

  told(figure: Figure, parts: readonly PlacedPart[]): Reached {
    const kinds = this.kindsOf(figure);
    if (!kinds) return this.worked(figure, parts);
    const read = parts.filter(({ part }) => kinds.has(part.kind));
    const key = `${figure.id} ${read.map(({ slot, part }) => `${slot} ${this.numberOf(part)}`).join()}`;
    const known = this.known.get(key) ?? this.worked(figure, read);
    this.known.set(key, known);
    return known;
  }

  private kindsOf(figure: Figure): ReadonlySet<string> | undefined {
    if (!this.reads.has(figure)) {
      const ids = declaredReads(figure);
      // Block and crank tell how many cylinders and crankpins there are, whatever is read of them besides.
      this.reads.set(figure, ids && new Set([...COUNTED_BY, ...[...ids].map(kindOf)]));
    }
    return this.reads.get(figure);
  }

  private numberOf(part: Part): number {
    const number = this.numbers.get(part) ?? this.next++;
    this.numbers.set(part, number);
    return number;
  }

  /**
   * Between what a figure lies with these parts, each size anywhere in its interval; nothing where it cannot be told.
   */
  between(figure: Figure, parts: readonly PlacedPart[]): Interval | undefined {
    const model = new BuildModel(this.engine(parts), []);
    const nodes = model.spots(figure).map((spot) => model.node(figure, spot));
    const nominal = model.nominal();
    let [low, high] = [Infinity, -Infinity];
    for (const node of nodes) {
      if (!('index' in node)) return undefined;
      const lies = intervalOf(model, node, nominal);
      [low, high] = [Math.min(low, lies.low), Math.max(high, lies.high)];
    }
    return Number.isFinite(low) && Number.isFinite(high) && low <= high ? { low, high } : undefined;
  }

  private worked(figure: Figure, parts: readonly PlacedPart[]): Reached {
    const model = new BuildModel(this.engine(parts), []);
    const spots = model.spots(figure);
    const looked = this.isUniform && parts.every(({ part }) => isUniform(part)) ? spots.slice(0, 1) : spots;
    for (const spot of looked) model.node(figure, spot);
    const nominal = model.nominal();
    let [low, high] = [Infinity, -Infinity];
    for (const spot of looked) {
      const node = model.node(figure, spot);
      if (!('index' in node)) return { needs: node.needs };
      const value = nominal[node.index] ?? Number.NaN;
      if (!Number.isFinite(value)) return { needs: [] };
      [low, high] = [Math.min(low, value), Math.max(high, value)];
    }
    return low > high ? { needs: [] } : { reaches: { low, high }, needs: [] };
  }
}
