import { isKindId, type KindId } from '../dictionary/dictionary.js';
import { middle, width, type Interval } from '../quantity/interval.js';
import { normalDraw, random } from '../quantity/random.js';
import type { BuildEngine } from './engine.js';
import type { Figure } from './figures/index.js';
import { BuildModel, intervalOf, type Leaf, type Node } from './model.js';
import { requiredOf } from './sheet.js';

/** How parts lie between their limits, where nobody measured them. */
export const SPREADS = {
  normal: 'Most near the middle',
  uniform: 'Anywhere alike',
} as const;
export type Spread = keyof typeof SPREADS;

/** What is drawn. */
interface ToleranceRun {
  readonly spread: Spread;
  /** Kinds of parts of which all pieces of an engine were finished in one setup, and are off alike. */
  readonly oneSetup: readonly KindId[];
  /** Sizes that are taken to be measured: they no longer vary. */
  readonly fixed?: readonly string[];
  readonly engines: number;
  readonly seed: number;
}

/** How many engines came out how. Those of several runs are added up. */
export interface Tolerated {
  readonly engines: number;
  /** Cylinders, or other places, looked at in each. */
  readonly places: number;
  readonly sum: number;
  readonly squares: number;
  /** Places below the least and above the most that is required. */
  readonly below: number;
  readonly above: number;
  /** Engines with at least one such place. */
  readonly broken: number;
  /** Places by what they came to, from `from` to `to` in bins of one width. */
  readonly bins: readonly number[];
  readonly from: number;
  readonly to: number;
}

const BINS = 240;

/**
 * Half of the limits in standard deviations: what is sorted by its maker lies within three, what was measured is given
 * with an uncertainty of two (JCGM 100, 6.2).
 */
const SORTED = 3;
const MEASURED = 2;

const isMeasured = ({ origin }: Leaf): boolean => origin === 'measured' || origin === 'typed' || origin === 'machined';

/** Standard deviation of what is put in. */
function deviationOf(leaf: Leaf, spread: Spread): number {
  const half = width(leaf.interval) / 2;
  if (isMeasured(leaf)) return half / MEASURED;
  // Of an even spread: half its width over the root of three (JCGM 100, 4.3.7).
  return spread === 'uniform' ? half / Math.sqrt(3) : half / SORTED;
}

/** A draw of a size. What a maker sorts never lies outside his limits. */
function draw(leaf: Leaf, spread: Spread, next: () => number): number {
  const { low, high } = leaf.interval;
  if (!isMeasured(leaf) && spread === 'uniform') return low + (high - low) * next();
  const deviation = deviationOf(leaf, spread);
  for (;;) {
    const drawn = middle(leaf.interval) + deviation * normalDraw(next);
    if (isMeasured(leaf) || (drawn >= low && drawn <= high)) return drawn;
  }
}

/** A figure of a build, ready to be drawn again and again. */
export class ToleranceModel {
  private readonly model: BuildModel;
  readonly nodes: readonly Node[];
  private readonly nominal: Float64Array;
  readonly required: Interval | undefined;
  /** Worst case over all places. */
  readonly worst: Interval;

  constructor(
    engine: BuildEngine,
    readonly figure: Figure,
  ) {
    this.model = new BuildModel(engine, [figure]);
    this.nodes = this.model.spots(figure).flatMap((spot) => {
      const node = this.model.node(figure, spot);
      return 'index' in node ? [node] : [];
    });
    this.nominal = this.model.nominal();
    const ends = this.nodes.map((node) => intervalOf(this.model, node, this.nominal));
    this.worst = {
      low: Math.min(...ends.map(({ low }) => low)),
      high: Math.max(...ends.map(({ high }) => high)),
    };
    const requirement = this.nodes[0] && requiredOf(this.model, this.nodes[0]);
    this.required = requirement && {
      low: requirement.band.low,
      high: requirement.atLeast ? Infinity : requirement.band.high,
    };
  }

  get value(): number {
    const [first] = this.nodes;
    return first ? (this.nominal[first.index] ?? Number.NaN) : Number.NaN;
  }

  private get varying(): readonly Leaf[] {
    return this.model.leaves.filter(
      ({ index, interval }) => interval.low < interval.high && this.nodes.some(({ leaves }) => leaves.has(index)),
    );
  }

  /** Draws engines, and counts how they come out. */
  run({ spread, oneSetup, fixed = [], engines, seed }: ToleranceRun): Tolerated {
    const next = random(seed);
    const values = Float64Array.from(this.nominal);
    const varying = this.varying.filter(({ id }) => !fixed.includes(id));
    // Of pieces that were finished in one setup the first is drawn, and the others are off by as much.
    const alike = varying.map((leaf, at) => {
      const kind = leaf.id.slice(0, leaf.id.indexOf('.'));
      if (!isKindId(kind) || !oneSetup.includes(kind) || isMeasured(leaf)) return at;
      return varying.findIndex(({ id }) => id === leaf.id);
    });
    const margin = width(this.worst) / 4 || Math.abs(this.value) * 1e-3 || 1e-3;
    const [from, to] = [this.worst.low - margin, this.worst.high + margin];
    const bins = new Array<number>(BINS).fill(0);
    const off = new Float64Array(varying.length);
    const { low, high } = this.required ?? { low: -Infinity, high: Infinity };
    let [sum, squares, below, above, broken] = [0, 0, 0, 0, 0];
    for (let engine = 0; engine < engines; engine++) {
      for (const [at, leaf] of varying.entries()) {
        const first = alike[at] ?? at;
        const centre = middle(leaf.interval);
        off[at] = first === at ? draw(leaf, spread, next) - centre : (off[first] ?? 0);
        values[leaf.index] = centre + (off[at] ?? 0);
      }
      this.model.run(values);
      let isBroken = false;
      for (const { index } of this.nodes) {
        const value = values[index] ?? 0;
        sum += value;
        squares += (value - this.value) ** 2;
        if (value < low) below++;
        else if (value > high) above++;
        isBroken ||= value < low || value > high;
        const bin = Math.min(BINS - 1, Math.max(0, Math.floor(((value - from) / (to - from)) * BINS)));
        bins[bin] = (bins[bin] ?? 0) + 1;
      }
      if (isBroken) broken++;
    }
    return { engines, places: this.nodes.length, sum, squares, below, above, broken, bins, from, to };
  }

  /** How far the figure at the first place goes while each size goes from end to end, all else in the middle. */
  private get swings(): readonly { readonly leaf: Leaf; readonly swing: number }[] {
    const [node] = this.nodes;
    if (!node) return [];
    const values = Float64Array.from(this.nominal);
    return this.varying
      .filter(({ index }) => node.leaves.has(index))
      .map((leaf) => {
        values[leaf.index] = leaf.interval.high;
        const above = this.model.runTo(node, values);
        values[leaf.index] = leaf.interval.low;
        const below = this.model.runTo(node, values);
        values[leaf.index] = middle(leaf.interval);
        return { leaf, swing: above - below };
      });
  }

  /** Which size the figure's spread comes from: shares of its variance at the first place, the largest first. */
  shares(spread: Spread): readonly { readonly leaf: Leaf; readonly share: number }[] {
    const parts = this.swings.map(({ leaf, swing }) => ({
      leaf,
      variance: ((swing / width(leaf.interval)) * deviationOf(leaf, spread)) ** 2,
    }));
    const whole = parts.reduce((so, { variance }) => so + variance, 0);
    return parts
      .map(({ leaf, variance }) => ({ leaf, share: whole > 0 ? variance / whole : 0 }))
      .sort((a, b) => b.share - a.share);
  }

  /**
   * The stack of tolerances added as squares, about the middle: what is reckoned with where no more than a few parts in
   * a thousand may lie outside.
   */
  get rootOfSquares(): Interval {
    if (this.nodes.length === 0) return this.worst;
    const half = Math.hypot(...this.swings.map(({ swing }) => swing / 2));
    return { low: this.value - half, high: this.value + half };
  }
}

/** Two runs of one figure together. */
export function together(a: Tolerated, b: Tolerated): Tolerated {
  return {
    ...a,
    engines: a.engines + b.engines,
    sum: a.sum + b.sum,
    squares: a.squares + b.squares,
    below: a.below + b.below,
    above: a.above + b.above,
    broken: a.broken + b.broken,
    bins: a.bins.map((count, at) => count + (b.bins[at] ?? 0)),
  };
}

/**
 * The value below which a share of all places lies, to the width of a bin.
 *
 * @param share from 0 to 1
 */
export function percentile({ bins, from, to }: Tolerated, share: number): number {
  const wanted = share * bins.reduce((so, count) => so + count, 0);
  let sofar = 0;
  for (const [at, count] of bins.entries()) {
    if (sofar + count >= wanted && count > 0)
      return from + ((at + (wanted - sofar) / count) * (to - from)) / bins.length;
    sofar += count;
  }
  return to;
}

/** A share that was counted, and its standard error. */
export function chance(count: number, of: number): { readonly share: number; readonly error: number } {
  const share = of === 0 ? 0 : count / of;
  return { share, error: of === 0 ? 0 : Math.sqrt(Math.max(share * (1 - share), 1 / of) / of) };
}
