import { cumulativeStdNormalProbability, mean, standardDeviation } from 'simple-statistics';
import { normalDraw, random } from './random';

const draws = <T>(count: number, draw: () => T): T[] => Array.from({ length: count }, draw);

/** Largest distance of a sample from a distribution function (Kolmogorov's D), over its critical value at 0.1 %. */
function misfit(sample: readonly number[], below: (x: number) => number): number {
  const share = (at: number): number => at / sample.length;
  const distances = [...sample]
    .sort((a, b) => a - b)
    .map((x, at) => Math.max(Math.abs(share(at + 1) - below(x)), Math.abs(share(at) - below(x))));
  // 1.95 / sqrt(n) for large samples (L. H. Miller, J. Am. Stat. Assoc. 51 (1956) 111, from memory).
  return Math.max(...distances) / (1.95 / Math.sqrt(sample.length));
}

describe('numbers from a seed', () => {
  it('are the same from the same seed', () => {
    expect(draws(5, random(4711))).toEqual(draws(5, random(4711)));
  });

  it('begin anywhere, from neighbouring seeds as well', () => {
    expect(
      misfit(
        [...Array(500).keys()].map((seed) => random(seed)()),
        (x) => x,
      ),
    ).toBeLessThan(1);
  });

  it('are evenly spread from 0 to below 1', () => {
    const sample = draws(20_000, random(1));
    expect(Math.min(...sample)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...sample)).toBeLessThan(1);
    expect(misfit(sample, (x) => x)).toBeLessThan(1);
  });

  it('make draws from the standard normal distribution', () => {
    const next = random(2);
    const sample = draws(20_000, () => normalDraw(next));
    expect(mean(sample)).toBeCloseTo(0, 1);
    expect(standardDeviation(sample)).toBeCloseTo(1, 1);
    expect(misfit(sample, cumulativeStdNormalProbability)).toBeLessThan(1);
  });
});
