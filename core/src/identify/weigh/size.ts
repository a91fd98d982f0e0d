import type { Size } from '../../catalogue/size.js';
import { usualDensity } from '../aloneInFamily.js';
import type { Assumed } from '../assumptions.js';
import type { Column } from '../columns.js';
import type { SizeEvidence, StepEvidence } from '../evidence.js';
import { pairsOf, sharesBeside, stepsMeasured, stepsSaid } from '../besideSteps.js';
import { chanceDensity, sizeDensity, stepAt, stepShares } from '../sizeLikelihood.js';
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

/** What the weight of a size is made of, by code: of the column, or of its pairs with the size it is told beside. */
export function sizeRatios(assumed: Assumed, column: Column<Size>, evidence: SizeEvidence, other?: Column<Size>) {
  const { parameter, estimate, step, given } = evidence;
  const tie = tiedTo(parameter.id);
  const chance = chanceDensity(parameter, estimate.mean);
  const plain = new Float64Array(column.distinct.length + 1);
  column.distinct.forEach(
    (size, at) => (plain[at + 1] = sizeDensity(size, parameter, estimate, step, undefined, assumed)),
  );
  const unknown = (1 - assumed.sharedSize) * chance + assumed.sharedSize * meanByCode(column, plain).mean;
  const rightly = rightlyOf(assumed, column, evidence, chance);
  if (!given || !other || !tie)
    return { codes: column.codes, densities: plain, wrong: column.wrong, rightly, chance, unknown };
  const pairs = pairsOf(other, column);
  const before = other.distinct.map((size) => stepsMeasured(size, given));
  const densities = Float64Array.from(pairs.second, (code, at) => {
    const [size, beside, steps] = [
      column.distinct[code - 1],
      other.distinct[(pairs.first[at] ?? 0) - 1],
      before[(pairs.first[at] ?? 0) - 1],
    ];
    // Where it is nothing at any step, no share of theirs makes it more.
    if (!size || !beside || !steps || plain[code] === 0) return plain[code] ?? 0;
    return sizeDensity(size, parameter, estimate, step, sharesBeside(size, beside, steps, tie), assumed);
  });
  const [wrong, beside] = [column.wrong, rightly].map((byCode) =>
    Float64Array.from(pairs.second, (code) => byCode[code] ?? 0),
  ) as [Float64Array, Float64Array];
  return { codes: pairs.codes, densities, wrong, rightly: beside, chance, unknown };
}

/** By code, the density where the catalogue is wrong about the value: mostly what the family has, else any. */
function rightlyOf(assumed: Assumed, { wrong, otherwise }: Column<Size>, evidence: SizeEvidence, chance: number) {
  const densities = new Float64Array(wrong.length).fill(chance);
  for (const [code, each] of otherwise ?? [])
    densities[code] = each.share * usualDensity(each, evidence, assumed) + (1 - each.share) * chance;
  return densities;
}

/** Chance that a measured size is a slip. */
export const sizeMistaken = (assumed: Assumed, { confirmed }: SizeEvidence): number =>
  confirmed ? assumed.sizeMistakenTwice : assumed.sizeMistaken;

/**
 * A measured size: the density of each distinct size at it, against that of a part of which nothing is known.
 *
 * @param other the size it is told beside, where it is
 */
export function weighSize(
  assumed: Assumed,
  column: Column<Size>,
  evidence: SizeEvidence,
  other?: Column<Size>,
): Weighed {
  const { codes, densities, wrong, rightly, chance, unknown } = sizeRatios(assumed, column, evidence, other);
  const mistaken = sizeMistaken(assumed, evidence);
  const byCode = Int32Array.from(densities, (density, code) => {
    const isWrong = wrong[code] ?? 0;
    const read = (1 - isWrong) * density + isWrong * (rightly[code] ?? 0);
    return code === 0 ? 0 : fixed(Math.log(((1 - mistaken) * read + mistaken * chance) / unknown));
  });
  return { evidence, form: 'column', codes, byCode, logUnknown: Math.log(unknown) };
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
