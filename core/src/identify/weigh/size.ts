import type { Size } from '../../catalogue/size.js';
import { usualDensity } from '../aloneInFamily.js';
import type { Assumed } from '../assumptions.js';
import { rowsWith, type Column } from '../columns.js';
import { codesNear } from '../sizesNear.js';
import type { SizeEvidence, StepEvidence } from '../evidence.js';
import { pairsOf, sharesBeside, stepsMeasured, stepsSaid } from '../besideSteps.js';
import { chanceDensity, densityOver, sizeDensity, stepAt, stepDensities, stepShares } from '../sizeLikelihood.js';
import { tiedTo } from '../tiedSizes.js';
import { fixed, type Weighed } from './weighed.js';

/** Mean over the patterns that state a value, of what is given by code; and how many those are. */
export function meanByCode(
  column: { readonly counts: ArrayLike<number> },
  byCode: Float64Array,
): { readonly mean: number; readonly stated: number } {
  let sum = 0;
  let stated = 0;
  for (let code = 1; code < byCode.length; code++) {
    const count = column.counts[code] ?? 0;
    sum += count * (byCode[code] ?? 0);
    stated += count;
  }
  return { mean: stated > 0 ? sum / stated : 0, stated };
}

/**
 * What the weight of a size is made of: densities by code of the column, and apart from them those of patterns whose
 * other size tells at which service step this one stands.
 */
export function sizeRatios(assumed: Assumed, column: Column<Size>, evidence: SizeEvidence, other?: Column<Size>) {
  const { parameter, estimate, step } = evidence;
  const chance = chanceDensity(parameter, estimate.mean);
  const densities = new Float64Array(column.distinct.length + 1);
  const near = codesNear(column, evidence);
  for (const code of near) {
    const size = column.distinct[code - 1];
    if (size) densities[code] = sizeDensity(size, parameter, estimate, step, undefined, assumed);
  }
  const unknown = (1 - assumed.sharedSize) * chance + assumed.sharedSize * meanByCode(column, densities).mean;
  const beside = other
    ? densitiesBeside(assumed, column, evidence, other, near, { plain: densities, chance })
    : undefined;
  return {
    densities,
    beside,
    densityAt: (row: number) => beside?.get(row) ?? densities[column.codes[row] ?? 0] ?? 0,
    rightlyAt: (code: number) => rightlyAt(assumed, column, evidence, chance, code),
    chance,
    unknown,
  };
}

/** A density of so small a share of chance's adds nothing, whichever step a part stands at: slips are far oftener. */
const NOTHING = 1e-9;

/** By pattern, the density where another size that is reworked with this one tells its step. */
function densitiesBeside(
  assumed: Assumed,
  column: Column<Size>,
  { parameter, estimate, step, given }: SizeEvidence,
  other: Column<Size>,
  near: readonly number[],
  { plain, chance }: { readonly plain: Float64Array; readonly chance: number },
): ReadonlyMap<number, number> | undefined {
  const tie = tiedTo(parameter.id);
  if (!given || !tie) return undefined;
  const before = new Map<number, ArrayLike<number>>();
  const densities = new Map<number, number>();
  /** By the steps of this size, and by code of the other. */
  const known = new Map<string, Map<number, ArrayLike<number>>>();
  for (const code of near) {
    const size = column.distinct[code - 1];
    // Where it is as good as nothing at any step, no share of theirs makes it more.
    if (!size || (plain[code] ?? 0) < NOTHING * chance) continue;
    const atSteps = stepDensities(size, parameter, estimate, assumed);
    const said = step === undefined ? undefined : stepAt(size, step);
    const service = size.service.join();
    const shares = known.get(service) ?? new Map<number, ArrayLike<number>>();
    known.set(service, shares);
    for (const row of rowsWith(column, code)) {
      const first = other.codes[row] ?? 0;
      const otherSize = other.distinct[first - 1];
      if (!otherSize) continue;
      let share = shares.get(first);
      if (!share) {
        const steps = before.get(first) ?? stepsMeasured(otherSize, given);
        before.set(first, steps);
        share = sharesBeside(size, otherSize, steps, tie);
        shares.set(first, share);
      }
      densities.set(row, densityOver(atSteps, said, share, assumed));
    }
  }
  return densities;
}

/** By code, the density where the catalogue is wrong about the value: mostly what the family has, else any. */
function rightlyAt(
  assumed: Assumed,
  { otherwise }: Column<Size>,
  evidence: SizeEvidence,
  chance: number,
  code: number,
) {
  const each = otherwise?.get(code);
  return each ? each.share * usualDensity(each, evidence, assumed) + (1 - each.share) * chance : chance;
}

/** Chance that a measured size is a slip. */
export const sizeMistaken = (assumed: Assumed, { confirmed }: SizeEvidence): number =>
  confirmed ? assumed.sizeMistakenTwice : assumed.sizeMistaken;

/**
 * A measured size: the density of each distinct size at it, against that of a part of which nothing is known.
 *
 * @param other the size it is told beside, where it is
 * @param was what the same reading weighed beside another or by itself: what it says by code stays
 */
export function weighSize(
  assumed: Assumed,
  column: Column<Size>,
  evidence: SizeEvidence,
  other?: Column<Size>,
  was?: Weighed,
): Weighed {
  const { densities, beside, rightlyAt: rightly, chance, unknown } = sizeRatios(assumed, column, evidence, other);
  const { codes, wrong, otherwise } = column;
  const mistaken = sizeMistaken(assumed, evidence);
  const ratio = (density: number, code: number): number => {
    const isWrong = wrong[code] ?? 0;
    const read = (1 - isWrong) * density + isWrong * rightly(code);
    return fixed(Math.log(((1 - mistaken) * read + mistaken * chance) / unknown));
  };
  const weighAll = () => {
    const all = new Int32Array(densities.length);
    // Most of a catalogue is far from what was measured, and weighs what the last did that was said as surely.
    let [as, far] = [NaN, 0];
    for (let code = 1; code < all.length; code++) {
      const isFar = densities[code] === 0 && !otherwise?.has(code);
      if (isFar && wrong[code] !== as) [as, far] = [wrong[code] ?? 0, ratio(0, code)];
      all[code] = isFar ? far : ratio(densities[code] ?? 0, code);
    }
    return all;
  };
  const byCode = was?.form === 'column' && was.codes === codes ? was.byCode : weighAll();
  const apart =
    beside && new Map(Array.from(beside, ([row, density]) => [row, ratio(density, codes[row] ?? 0)] as const));
  return { evidence, form: 'column', codes, byCode, ...(apart ? { apart } : {}), logUnknown: Math.log(unknown) };
}

/**
 * A service size said of the part: whether the pattern is made in it, and how usual that is.
 *
 * @param other the size it is told beside, where it is
 */
export function weighStep(
  assumed: Assumed,
  column: Column<Size>,
  evidence: StepEvidence,
  other?: Column<Size>,
): Weighed {
  const { given } = evidence;
  const tie = tiedTo(evidence.parameter.id);
  const pairs = given && other && tie ? pairsOf(other, column) : undefined;
  const chanceOf = (size: Size, shares: ArrayLike<number>): number => {
    const step = stepAt(size, evidence.offset);
    return step === undefined
      ? 1 - assumed.stepRight
      : assumed.stepRight * (shares[step] ?? 0) + (1 - assumed.stepRight) / (size.service.length + 1);
  };
  const plain = new Float64Array(column.distinct.length + 1);
  column.distinct.forEach((size, at) => (plain[at + 1] = chanceOf(size, stepShares(size, assumed))));
  const chances = pairs
    ? Float64Array.from(pairs.second, (code, at) => {
        const [size, beside] = [column.distinct[code - 1], other?.distinct[(pairs.first[at] ?? 0) - 1]];
        if (!size || !beside || !given || !tie) return plain[code] ?? 0;
        return chanceOf(size, sharesBeside(size, beside, stepsSaid(beside, given.offset), tie));
      })
    : plain;
  const unknown = meanByCode(pairs ?? column, chances).mean;
  return {
    evidence,
    form: 'column',
    codes: pairs?.codes ?? column.codes,
    byCode: Int32Array.from(chances, (chance, code) => (code === 0 ? 0 : fixed(Math.log(chance / unknown)))),
  };
}
