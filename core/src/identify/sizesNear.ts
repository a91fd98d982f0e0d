import { bisectLeft, bisectRight } from 'd3-array';
import type { Size } from '../catalogue/size.js';
import type { Column } from './columns.js';
import type { SizeEvidence } from './evidence.js';
import { reachOf } from './sizeLikelihood.js';

/** The sizes of a column by their least limit over all service sizes. */
interface Sorted {
  readonly codes: Uint32Array;
  readonly lows: Float64Array;
  readonly highs: Float64Array;
  /** The most that any of them runs from its least limit to its greatest. */
  readonly widest: number;
}

const sorted = new WeakMap<Column<Size>, Sorted>();

function sortedOf(column: Column<Size>): Sorted {
  const known = sorted.get(column);
  if (known) return known;
  const lowest = column.distinct.map(({ limits, service }) => limits.low + Math.min(0, ...service));
  const highest = column.distinct.map(({ limits, service }) => limits.high + Math.max(0, ...service));
  const order = Uint32Array.from(lowest.keys()).sort((a, b) => (lowest[a] ?? 0) - (lowest[b] ?? 0));
  const made: Sorted = {
    codes: order.map((at) => at + 1),
    lows: Float64Array.from(order, (at) => lowest[at] ?? 0),
    highs: Float64Array.from(order, (at) => highest[at] ?? 0),
    widest: lowest.reduce((most, low, at) => Math.max(most, (highest[at] ?? 0) - low), 0),
  };
  sorted.set(column, made);
  return made;
}

/** Codes of the sizes that a reading may be of, at any service step: the density of all others is nothing. */
export function codesNear(column: Column<Size>, { parameter, estimate }: SizeEvidence): readonly number[] {
  const { codes, lows, highs, widest } = sortedOf(column);
  const { below, above } = reachOf(parameter, estimate);
  const from = bisectLeft(lows, estimate.mean - above - widest);
  const to = bisectRight(lows, estimate.mean + below);
  const near: number[] = [];
  for (let at = from; at < to; at++) if ((highs[at] ?? 0) >= estimate.mean - above) near.push(codes[at] ?? 0);
  return near;
}
