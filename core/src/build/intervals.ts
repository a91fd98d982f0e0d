import type { Interval } from '../quantity/interval.js';
import { intervalOf, type BuildModel, type Node } from './model.js';

/** How many are kept before all are let go: some dozen sheets of engines that are all different. */
const MOST = 4000;

/**
 * Between which figures lie, kept from one sheet to the next. Where a number is changed, what does not go by it is not
 * worked out again; nor is a cylinder that goes by the same sizes as the one before it.
 */
export class Intervals {
  private readonly known = new Map<string, Interval>();

  of(model: BuildModel, node: Node, nominal: Float64Array): Interval {
    const key = keyOf(model, node);
    const known = this.known.get(key);
    if (known) return known;
    const made = intervalOf(model, node, nominal);
    if (this.known.size >= MOST) this.known.clear();
    this.known.set(key, made);
    return made;
  }
}

/** All that a figure at one place goes by, so that nothing else can change where it lies. */
function keyOf(model: BuildModel, { figure, leaves }: Node): string {
  const { lifts } = model.engine.build;
  let key = lifts ? `${figure.id} ${JSON.stringify(lifts)}` : figure.id;
  for (const index of leaves) key += model.leafOf(index)?.key ?? '';
  return key;
}
