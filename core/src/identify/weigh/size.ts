import type { Size } from '../../catalogue/size.js';
import { ASSUMED } from '../assumptions.js';
import type { Column } from '../columns.js';
import type { SizeEvidence, StepEvidence } from '../evidence.js';
import { chanceDensity, sizeDensity, stepAt, stepShare } from '../sizeLikelihood.js';
import { fixed, type Weighed } from './weighed.js';

/** Mean over the patterns that state a value, of what is given by code; and how many those are. */
export function meanByCode<T>(
  column: Column<T>,
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

/** What the weight of a size is made of, by code. */
export function sizeRatios(column: Column<Size>, { parameter, estimate, step }: SizeEvidence) {
  const densities = new Float64Array(column.distinct.length + 1);
  column.distinct.forEach((size, at) => (densities[at + 1] = sizeDensity(size, parameter, estimate, step)));
  const chance = chanceDensity(parameter, estimate.mean);
  const unknown = (1 - ASSUMED.sharedSize) * chance + ASSUMED.sharedSize * meanByCode(column, densities).mean;
  return { densities, chance, unknown };
}

/** Chance that a measured size is a slip. */
export const sizeMistaken = ({ confirmed }: SizeEvidence): number =>
  confirmed ? ASSUMED.sizeMistakenTwice : ASSUMED.sizeMistaken;

/** A measured size: the density of each distinct size at it, against that of a part of which nothing is known. */
export function weighSize(column: Column<Size>, evidence: SizeEvidence): Weighed {
  const { densities, chance, unknown } = sizeRatios(column, evidence);
  const mistaken = sizeMistaken(evidence);
  const byCode = Int32Array.from(densities, (density, code) =>
    code === 0 ? 0 : fixed(Math.log(((1 - mistaken) * density + mistaken * chance) / unknown)),
  );
  return { evidence, form: 'column', codes: column.codes, byCode, logUnknown: Math.log(unknown) };
}

/** A service size said of the part: whether the pattern is made in it, and how usual that is. */
export function weighStep(column: Column<Size>, evidence: StepEvidence): Weighed {
  const chances = new Float64Array(column.distinct.length + 1);
  column.distinct.forEach((size, at) => {
    const step = stepAt(size, evidence.offset);
    chances[at + 1] =
      step === undefined
        ? 1 - ASSUMED.stepRight
        : ASSUMED.stepRight * stepShare(size, step) + (1 - ASSUMED.stepRight) / (size.service.length + 1);
  });
  const unknown = meanByCode(column, chances).mean;
  return {
    evidence,
    form: 'column',
    codes: column.codes,
    byCode: Int32Array.from(chances, (chance, code) => (code === 0 ? 0 : fixed(Math.log(chance / unknown)))),
  };
}
