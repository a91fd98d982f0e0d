import type { Dimension } from '../catalogue/figure.js';
import type { Interval } from '../quantity/interval.js';
import { stepsMeasured } from '../identify/besideSteps.js';
import type { SizeEvidence } from '../identify/evidence.js';
import { fromInside } from '../quantity/unit.js';
import type { ConfirmedCase } from './cases.js';

/** A size of a pattern as it was measured on parts that are known to be of it, standing at standard. */
export interface MeasuredHere {
  readonly pattern: string;
  readonly parameter: string;
  /** On how many parts. */
  readonly parts: number;
  /** From the smallest to the largest, inside unit. */
  readonly measured: Interval;
  readonly mean: number;
  /** What the catalogue says, inside unit. */
  readonly limits: Interval;
  /** Mean distance that use has moved it, out of the middle of its limits; undefined where it does not wear. */
  readonly wear: number | undefined;
  /** Whether most of them lie outside the limits, the way no wear goes, by more than the instruments' uncertainty. */
  readonly contradicts: boolean;
}

/** Fewer parts than this tell of themselves and not of their pattern. */
const TELLING = 2;
/** A size that stands at standard with less than this is left out: it was reworked, or a slip. */
const AT_STANDARD = 0.5;
/** Standard uncertainties by which a size lies outside. */
const CLEARLY = 2;

/** What parts that are known have to say of their patterns' sizes. In the order of patterns and sizes. */
export function measuredHere(cases: readonly ConfirmedCase[]): MeasuredHere[] {
  const groups = new Map<string, { pattern: string; limits: Interval; sizes: SizeEvidence[] }>();
  for (const { was, identification } of cases) {
    if (was === undefined) continue;
    const { index } = identification;
    const row = index.patterns.indexOf(was);
    for (const { evidence } of identification.weighed) {
      if (evidence.sort !== 'size') continue;
      const column = index.sizes.get(evidence.parameter.id);
      const size = column?.distinct[(column.codes[row] ?? 0) - 1];
      if (!size || (stepsMeasured(size, evidence)[0] ?? 0) < AT_STANDARD) continue;
      const key = `${was} ${evidence.parameter.id}`;
      const group = groups.get(key) ?? { pattern: was, limits: size.limits, sizes: [] };
      group.sizes.push(evidence);
      groups.set(key, group);
    }
  }
  return [...groups]
    .filter(([, { sizes }]) => sizes.length >= TELLING)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([, { pattern, limits, sizes }]) => toldOf(pattern, limits, sizes));
}

function toldOf(pattern: string, limits: Interval, sizes: readonly SizeEvidence[]): MeasuredHere {
  const means = sizes.map(({ estimate }) => estimate.mean);
  const mean = means.reduce((sum, each) => sum + each, 0) / means.length;
  const [{ parameter }] = sizes as [SizeEvidence];
  const middle = (limits.low + limits.high) / 2;
  const outside = sizes.filter(({ estimate }) => {
    const clear = CLEARLY * estimate.uncertainty + (parameter.wear === 'neither' ? CLEARLY * parameter.usualWear : 0);
    const above = estimate.mean > limits.high + clear;
    const below = estimate.mean < limits.low - clear;
    return (above && parameter.wear !== 'grows') || (below && parameter.wear !== 'shrinks');
  });
  return {
    pattern,
    parameter: parameter.id,
    parts: sizes.length,
    measured: { low: Math.min(...means), high: Math.max(...means) },
    mean,
    limits,
    wear:
      parameter.wear === 'neither'
        ? undefined
        : Math.max(0, parameter.wear === 'shrinks' ? middle - mean : mean - middle),
    contradicts: outside.length >= TELLING && 2 * outside.length > sizes.length,
  };
}

/**
 * A measured band as figures of the open format, outwards to the next thousandth of a millimetre or tenth of a thou.
 */
export function asDimension({ low, high }: Interval, unit: Dimension['unit']): Dimension {
  const places = unit === 'in' ? 4 : 3;
  const scale = 10 ** places;
  return {
    low: (Math.floor(fromInside(low, unit) * scale + 1e-6) / scale).toFixed(places),
    high: (Math.ceil(fromInside(high, unit) * scale - 1e-6) / scale).toFixed(places),
    unit,
  };
}
