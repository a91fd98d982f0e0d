import type { Size } from '../catalogue/size.js';
import type { Parameter } from '../dictionary/definition.js';
import type { Estimate } from '../quantity/instrument.js';
import type { Interval } from '../quantity/interval.js';
import { normalBelow, wornBelow } from '../quantity/normal.js';
import { ASSUMED, type Assumed } from './assumptions.js';

/** The explanation that accounts best for a measured size. */
export interface SizeExplanation {
  /** Which service step, counted from 1; 0 for standard. */
  readonly step: number;
  /** The limits at that step, inside unit. */
  readonly limits: Interval;
  /** How far the size lies outside those limits: negative below, positive above, 0 inside. */
  readonly beyond: number;
  readonly pastWearLimit: boolean;
}

/**
 * Density of a measured size, per inside unit, if the part is of a pattern with size `size`.
 *
 * The part was made evenly between its limits, at standard or at one of its service sizes; it has worn one way by an
 * exponentially distributed amount (a tenth of parts much more); the instrument adds a normal error. The integral over
 * the limits of the worn density is a difference of distribution functions.
 *
 * @param said how far from standard the part is said to stand, inside unit, where anybody said so
 * @param shares how often each step is the one, standard first; as parts come in where nothing is known
 */
export function sizeDensity(
  size: Size,
  parameter: Parameter,
  measured: Estimate,
  said?: number,
  shares?: ArrayLike<number>,
  assumed: Assumed = ASSUMED,
): number {
  return densityOver(
    stepDensities(size, parameter, measured, assumed),
    said === undefined ? undefined : stepAt(size, said),
    shares ?? stepShares(size, assumed),
    assumed,
  );
}

/** Density of a measured size at each service step, standard first. */
export function stepDensities(
  size: Size,
  parameter: Parameter,
  measured: Estimate,
  assumed: Pick<Assumed, 'muchWorn'> = ASSUMED,
): Float64Array {
  const densities = new Float64Array(size.service.length + 1);
  for (let step = 0; step < densities.length; step++)
    densities[step] = stepDensity(size, parameter, measured, step, assumed);
  return densities;
}

/**
 * Density over all service steps.
 *
 * @param densities at each step
 * @param said the step that the part is said to stand at, where anybody said so
 * @param shares how often each step is the one
 */
export function densityOver(
  densities: ArrayLike<number>,
  said: number | undefined,
  shares: ArrayLike<number>,
  { stepRight }: Pick<Assumed, 'stepRight'> = ASSUMED,
): number {
  let density = 0;
  for (let step = 0; step < densities.length; step++) density += (shares[step] ?? 0) * (densities[step] ?? 0);
  return said === undefined ? density : stepRight * (densities[said] ?? 0) + (1 - stepRight) * density;
}

/** Steps closer together than this are the same, mm. */
const SAME_STEP = 0.03;

/** The service step at a distance from standard, counted from 1, 0 for standard; undefined where there is none. */
export function stepAt({ service }: Pick<Size, 'service'>, offset: number): number | undefined {
  if (Math.abs(offset) < SAME_STEP) return 0;
  const at = service.findIndex((each) => Math.abs(each - offset) < SAME_STEP);
  return at < 0 ? undefined : at + 1;
}

/** Shares of parts that stand at each service step as they come in, standard first. */
export const stepShares = (
  { service }: Pick<Size, 'service'>,
  { standardSize }: Pick<Assumed, 'standardSize'> = ASSUMED,
): ArrayLike<number> =>
  standardSize === ASSUMED.standardSize
    ? (USUAL_SHARES[service.length] ?? [1])
    : sharesOf(service.length, standardSize);

/** Share of parts that stand at a service step, as they come in. */
export const stepShare = (size: Pick<Size, 'service'>, step: number): number => stepShares(size)[step] ?? 0;

/** Density of a measured size on a part that stands at one service step. */
export function stepDensity(
  size: Size,
  parameter: Parameter,
  measured: Estimate,
  step: number,
  { muchWorn }: Pick<Assumed, 'muchWorn'> = ASSUMED,
): number {
  const shift = step === 0 ? 0 : (size.service[step - 1] ?? 0);
  return shape(size.limits.low + shift, size.limits.high + shift, parameter, measured, muchWorn);
}

/** Standard is likeliest; each further service step is half as likely as the one before. */
const sharesOf = (steps: number, standardSize: number): Float64Array =>
  Float64Array.from({ length: steps + 1 }, (_share, step) => {
    if (step === 0) return steps === 0 ? 1 : standardSize;
    return ((1 - standardSize) * 2 ** -step) / (1 - 2 ** -steps);
  });

/** The same by how many steps there are, as it is usual. */
const USUAL_SHARES: readonly Float64Array[] = Array.from({ length: 13 }, (_each, steps) =>
  sharesOf(steps, ASSUMED.standardSize),
);

/** Standard deviations past which a normal tail is nothing: below 1e-32. */
const GONE = 12;

/**
 * How far below and above the limits of a part a reading can lie and still be of it, inside unit: beyond that its
 * density is nothing.
 */
export function reachOf(
  parameter: Parameter,
  { uncertainty }: Estimate,
): { readonly below: number; readonly above: number } {
  if (parameter.wear === 'neither') {
    const sigma = GONE * Math.hypot(uncertainty, parameter.usualWear);
    return { below: sigma, above: sigma };
  }
  const [fresh, worn] = [GONE * uncertainty, GONE * (uncertainty + 3 * parameter.usualWear * ASSUMED.muchWornTimes)];
  return parameter.wear === 'shrinks' ? { below: worn, above: fresh } : { below: fresh, above: worn };
}

function shape(
  low: number,
  high: number,
  parameter: Parameter,
  { mean, uncertainty }: Estimate,
  muchWorn: number,
): number {
  const spread = high - low;
  switch (parameter.wear) {
    case 'neither': {
      const sigma = Math.hypot(uncertainty, parameter.usualWear);
      if (mean < low - GONE * sigma || mean > high + GONE * sigma) return 0;
      return (normalBelow((mean - low) / sigma) - normalBelow((mean - high) / sigma)) / spread;
    }
    case 'shrinks':
      return worn(mean - low, mean - high, parameter.usualWear, uncertainty, muchWorn) / spread;
    case 'grows':
      return worn(high - mean, low - mean, parameter.usualWear, uncertainty, muchWorn) / spread;
  }
}

function worn(aboveLow: number, aboveHigh: number, usualWear: number, sigma: number, muchWorn: number): number {
  const much = usualWear * ASSUMED.muchWornTimes;
  // Far outside, the tails have gone to nothing, and most of a catalogue is far outside.
  if (aboveHigh > GONE * sigma || aboveLow < -GONE * (sigma + 3 * much)) return 0;
  const usual = wornBelow(aboveLow, sigma, usualWear) - wornBelow(aboveHigh, sigma, usualWear);
  const heavy = wornBelow(aboveLow, sigma, much) - wornBelow(aboveHigh, sigma, much);
  return Math.max(0, (1 - muchWorn) * usual + muchWorn * heavy);
}

/** The service step that accounts best for a measured size, and what is left over. */
export function explainSize(size: Size, parameter: Parameter, measured: Estimate, said?: number): SizeExplanation {
  let step = 0;
  let most = -1;
  for (let each = 0; each <= size.service.length; each++) {
    const density = stepShare(size, each) * stepDensity(size, parameter, measured, each);
    if (density > most) [step, most] = [each, density];
  }
  if (most <= 0) step = nearestStep(size, measured.mean);
  const told = said === undefined ? undefined : stepAt(size, said);
  if (told !== undefined && stepDensity(size, parameter, measured, told) > 0) step = told;
  const shift = step === 0 ? 0 : (size.service[step - 1] ?? 0);
  const limits = { low: size.limits.low + shift, high: size.limits.high + shift };
  const beyond =
    measured.mean < limits.low
      ? measured.mean - limits.low
      : measured.mean > limits.high
        ? measured.mean - limits.high
        : 0;
  const limit = size.wearLimit === undefined ? undefined : size.wearLimit + shift;
  const pastWearLimit =
    limit !== undefined && (parameter.wear === 'grows' ? measured.mean > limit : measured.mean < limit);
  return { step, limits, beyond, pastWearLimit };
}

function nearestStep(size: Size, mean: number): number {
  let step = 0;
  let least = Infinity;
  for (let each = 0; each <= size.service.length; each++) {
    const shift = each === 0 ? 0 : (size.service[each - 1] ?? 0);
    const away = Math.max(size.limits.low + shift - mean, mean - size.limits.high - shift, 0);
    if (away < least) [step, least] = [each, away];
  }
  return step;
}

/**
 * Density of a size if nothing is known of the part: as many in every ratio of the plausible range (log-uniform);
 * evenly spread where the range begins at nothing, as offsets and protrusions do.
 */
export function chanceDensity(parameter: Parameter, mean: number): number {
  const { low, high } = parameter.plausible;
  if (low <= 0) return 1 / (high - low);
  return 1 / (Math.min(Math.max(mean, low), high) * Math.log(high / low));
}
