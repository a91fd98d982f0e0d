import type { Size } from '../catalogue/size';
import { crank } from '../dictionary/kinds/crank';
import { block } from '../dictionary/kinds/block';
import type { Parameter } from '../dictionary/definition';
import { interval } from '../quantity/interval';
import { chanceDensity, explainSize, sizeDensity } from './sizeLikelihood';

const journal = crank.parameters['mainJournal.diameter'];
const stroke = crank.parameters.stroke;
const bore = block.parameters.bore;
const size = (low: number, high: number, service: number[] = [], wearLimit?: number): Size => ({
  limits: interval(low, high),
  toleranceAssumed: false,
  service,
  wearLimit,
});
const fine = (mean: number) => ({ mean, uncertainty: 0.0024 });

/** The density summed over all sizes that can be measured (trapezium rule). */
function summed(of: Size, parameter: Parameter, uncertainty: number): number {
  const { low, high } = of.limits;
  const step = uncertainty / 4;
  let sum = 0;
  for (let mean = low - 3; mean <= high + 3; mean += step)
    sum += sizeDensity(of, parameter, { mean, uncertainty }) * step;
  return sum;
}

describe('the likelihood of a measured size', () => {
  it('is a probability density: it sums to one, however the size wears, is serviced or is measured', () => {
    expect(summed(size(59.665, 59.69), journal, 0.0024)).toBeCloseTo(1, 3);
    expect(summed(size(59.665, 59.69, [-0.25, -0.5, -0.75, -1]), journal, 0.0024)).toBeCloseTo(1, 3);
    expect(summed(size(59.665, 59.69, [-0.254]), journal, 0.018)).toBeCloseTo(1, 3);
    expect(summed(size(96.49, 96.51, [0.5, 1]), bore, 0.003)).toBeCloseTo(1, 3);
    expect(summed(size(103.95, 104.05), stroke, 0.018)).toBeCloseTo(1, 3);
  });

  it('wears a journal down and a bore up, never the other way', () => {
    const shaft = (off: number) => sizeDensity(size(60, 60.02), journal, fine(60.01 + off));
    expect(shaft(-0.04)).toBeGreaterThan(1000 * shaft(0.04));
    const hole = (off: number) => sizeDensity(size(60, 60.02), bore, fine(60.01 + off));
    expect(hole(0.04)).toBeGreaterThan(1000 * hole(-0.04));
    const throwOf = (off: number) => sizeDensity(size(60, 60.02), stroke, fine(60.01 + off));
    expect(throwOf(0.02)).toBeCloseTo(throwOf(-0.02), 6);
  });

  it('makes the standard size likeliest, and each further step less likely', () => {
    const of = size(60, 60.02, [-0.25, -0.5, -0.75]);
    const at = (step: number) => sizeDensity(of, journal, fine(60.01 + step));
    expect(at(0)).toBeGreaterThan(at(-0.25));
    expect(at(-0.25)).toBeGreaterThan(at(-0.5));
    expect(at(-0.5)).toBeGreaterThan(at(-0.75));
    expect(at(-0.75)).toBeGreaterThan(5 * at(-0.4));
  });

  it('does not blow up or vanish into nonsense far away', () => {
    for (const mean of [0.001, 1, 59, 61, 1e5]) {
      const density = sizeDensity(size(60, 60.02, [-0.25]), journal, fine(mean));
      expect(Number.isFinite(density)).toBeTrue();
      expect(density).toBeGreaterThanOrEqual(0);
    }
  });
});

describe('the explanation of a measured size', () => {
  const of = size(78.95, 78.97, [-0.25, -0.5], 78.92);
  const explain = (mean: number) => explainSize(of, journal, fine(mean));

  it('tells standard, worn, past its limit, and undersize apart', () => {
    expect(explain(78.96)).toEqual({ step: 0, limits: interval(78.95, 78.97), beyond: 0, pastWearLimit: false });
    expect(explain(78.93)).toEqual(jasmine.objectContaining({ step: 0, pastWearLimit: false }));
    expect(explain(78.93).beyond).toBeCloseTo(-0.02, 9);
    expect(explain(78.9)).toEqual(jasmine.objectContaining({ step: 0, pastWearLimit: true }));
    expect(explain(78.71)).toEqual(jasmine.objectContaining({ step: 1, beyond: 0 }));
    expect(explain(78.66)).toEqual(jasmine.objectContaining({ step: 1, pastWearLimit: true }));
    expect(explain(78.45)).toEqual(jasmine.objectContaining({ step: 2 }));
  });

  it('names the nearest limits where nothing explains it', () => {
    expect(explain(70)).toEqual(jasmine.objectContaining({ step: 2 }));
    expect(explain(90)).toEqual(jasmine.objectContaining({ step: 0 }));
  });
});

describe('the density of a size when nothing is known', () => {
  it('sums to one over the plausible range and is as large in every ratio', () => {
    const { low, high } = journal.plausible;
    let sum = 0;
    for (let at = 0; at < 10_000; at++)
      sum += (chanceDensity(journal, low + ((at + 0.5) * (high - low)) / 10_000) * (high - low)) / 10_000;
    expect(sum).toBeCloseTo(1, 4);
    expect(40 * chanceDensity(journal, 40)).toBeCloseTo(80 * chanceDensity(journal, 80), 12);
  });
});
