import { create, all } from 'mathjs';
import { cumulativeStdNormalProbability } from 'simple-statistics';
import { erfc, normalBelow, wornBelow } from './normal';

const math = create(all ?? {});

describe('the normal distribution', () => {
  it('has the values of the tables (standard normal table, any statistics handbook)', () => {
    for (const [z, below] of [
      [0, 0.5],
      [1, 0.8413],
      [1.645, 0.95],
      [1.96, 0.975],
      [2.576, 0.995],
      [3, 0.99865],
    ] as const) {
      expect(normalBelow(z)).withContext(`z = ${z}`).toBeCloseTo(below, 4);
      expect(normalBelow(-z)).toBeCloseTo(1 - below, 4);
    }
  });

  it('agrees with two reference libraries (mathjs, simple-statistics)', () => {
    for (let z = -4; z <= 4; z += 0.125) {
      expect(erfc(z)).toBeCloseTo(1 - math.erf(z), 6);
    }
    // simple-statistics looks up a four-digit table at steps of 0.01 that ends at 3.09.
    for (let z = -3; z <= 3; z += 0.25) expect(normalBelow(z)).toBeCloseTo(cumulativeStdNormalProbability(z), 4);
  });

  it('keeps its relative error in the far tail: erfc(5) = 1.5375e-12 (Abramowitz and Stegun, table 7.3, from memory)', () => {
    expect(erfc(5) / 1.5374597944280349e-12).toBeCloseTo(1, 5);
  });
});

describe('wornBelow', () => {
  /** The same probability by summing over the wear (midpoint rule): slow, and without the closed form. */
  function summed(t: number, sigma: number, tau: number): number {
    const steps = 20_000;
    const furthest = 20 * tau;
    let sum = 0;
    for (let at = 0; at < steps; at++) {
      const wear = ((at + 0.5) * furthest) / steps;
      sum += (Math.exp(-wear / tau) / tau) * normalBelow((t + wear) / sigma) * (furthest / steps);
    }
    return sum;
  }

  it('equals the integral it stands for', () => {
    for (const [sigma, tau] of [
      [0.0024, 0.012],
      [0.018, 0.012],
      [0.0024, 0.048],
    ] as const) {
      for (const t of [-0.06, -0.02, -0.005, 0, 0.003, 0.02]) {
        expect(wornBelow(t, sigma, tau))
          .withContext(`${t} ${sigma} ${tau}`)
          .toBeCloseTo(summed(t, sigma, tau), 5);
      }
    }
  });

  it('rises from 0 to 1 and stays finite far out', () => {
    let before = 0;
    for (let t = -0.5; t <= 5; t += 0.01) {
      const now = wornBelow(t, 0.003, 0.012);
      expect(now).toBeGreaterThanOrEqual(before - 1e-9);
      before = now;
    }
    expect(before).toBeCloseTo(1, 9);
    expect(wornBelow(1e6, 0.003, 0.012)).toBe(1);
    expect(wornBelow(-1e6, 0.003, 0.012)).toBe(0);
  });
});
