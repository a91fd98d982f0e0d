import { parameterOf } from '../dictionary/dictionary.js';
import { fromInside, shownUnit } from '../quantity/unit.js';
import type { Build, TypedSize } from './build.js';
import type { BuildEngine } from './engine.js';
import type { Figure } from './figures/index.js';
import { BuildModel, type Node } from './model.js';

/** A size typed in the place of what the parts have, inside unit. */
export function typed(of: string, inside: number, at?: number): TypedSize {
  const unit = shownUnit(parameterOf(of).quantity, 'metric') ?? 'mm';
  return { of, ...(at === undefined ? {} : { at }), value: fromInside(inside, unit), unit };
}

/** A build with one size put in for all places, whatever stood there. */
export const withSize = (build: Build, of: string, inside: number): Build => ({
  ...build,
  sizes: [...build.sizes.filter((size) => size.of !== of), typed(of, inside)],
});

/**
 * Some figures of a build as functions of one or two of its sizes: the sum is laid out once, and only what rests on
 * them is worked out again.
 */
export class Varied {
  private readonly model: BuildModel;
  private readonly values: Float64Array;
  private readonly leaves: readonly (readonly number[])[];
  private readonly nodes: readonly (Node | undefined)[];

  /**
   * @param engineOf a build looked up
   * @param of ids of the sizes that are varied
   * @param start where each of them begins, inside unit
   */
  constructor(
    build: Build,
    engineOf: (build: Build) => BuildEngine,
    of: readonly string[],
    start: readonly number[],
    figures: readonly Figure[],
    at = 1,
  ) {
    const put = of.reduce((so, id, index) => withSize(so, id, start[index] ?? 0), build);
    this.model = new BuildModel(engineOf(put), figures);
    this.values = this.model.nominal();
    this.leaves = of.map((id) => this.model.leaves.filter((leaf) => leaf.id === id).map(({ index }) => index));
    this.nodes = figures.map((figure) => {
      const spots = this.model.spots(figure);
      const node = this.model.node(figure, spots[Math.min(at, spots.length) - 1]);
      return 'index' in node ? node : undefined;
    });
  }

  /** Whether a figure goes by a size at all. */
  goesBy(figure: number, size: number): boolean {
    return (this.leaves[size] ?? []).some((leaf) => this.nodes[figure]?.leaves.has(leaf));
  }

  /** The figures with these sizes; NaN where one cannot be told. */
  at(sizes: readonly number[]): readonly number[] {
    for (const [which, inside] of sizes.entries())
      for (const leaf of this.leaves[which] ?? []) this.values[leaf] = inside;
    for (const leaves of this.leaves) for (const leaf of leaves) this.model.runFrom(leaf, this.values);
    return this.nodes.map((node) => (node ? (this.values[node.index] ?? Number.NaN) : Number.NaN));
  }
}
