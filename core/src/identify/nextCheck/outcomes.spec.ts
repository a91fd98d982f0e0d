import fc from 'fast-check';
import { after, entropy, gainOf, likelihoodOf, type Outcomes } from './outcomes';
import { holds } from '../../testing/laws';

const rows = (...chances: number[][]): Outcomes => ({
  count: chances[0]?.length ?? 0,
  chances: chances.map((row) => Float64Array.from(row)),
});
const distribution = (length: number) =>
  fc
    .array(fc.double({ min: 0.001, max: 1, noNaN: true }), { minLength: length, maxLength: length })
    .map((row) => Float64Array.from(row, (each) => each / row.reduce((a, b) => a + b, 0)));

describe('what a check is worth', () => {
  it('is one bit where a sure look tells two alike apart, nothing where it does not (C. E. Shannon, 1948)', () => {
    const half = Float64Array.of(0.5, 0.5);
    expect(entropy(half)).toBeCloseTo(1, 12);
    expect(gainOf(rows([1, 0], [0, 1]), half, 0.995)).toEqual({ bits: 1, settles: 1 });
    expect(gainOf(rows([0.3, 0.7], [0.3, 0.7]), half, 0.995)).toEqual({ bits: 0, settles: 0 });
  });

  it('is the capacity of a channel that errs one time in ten: 0.531 bits (T. M. Cover and J. A. Thomas, Elements of Information Theory, 7.1.4)', () => {
    // 1 - H(0.1) = 1 - 0.4690.
    expect(gainOf(rows([0.9, 0.1], [0.1, 0.9]), Float64Array.of(0.5, 0.5), 0.995).bits).toBeCloseTo(0.531, 3);
  });

  it('never exceeds what is uncertain, is never below nothing, and is the mean drop in entropy', () => {
    holds(
      fc.property(distribution(4), fc.array(distribution(5), { minLength: 4, maxLength: 4 }), (weights, chances) => {
        const outcomes: Outcomes = { count: 5, chances };
        const { bits, settles } = gainOf(outcomes, weights, 0.9);
        expect(bits).toBeGreaterThanOrEqual(0);
        expect(bits).toBeLessThanOrEqual(entropy(weights) + 1e-9);
        expect(settles).toBeGreaterThanOrEqual(0);
        expect(settles).toBeLessThanOrEqual(1 + 1e-9);
        const left = [...likelihoodOf(outcomes, weights)].reduce(
          (sum, chance, outcome) => sum + chance * entropy(after(outcomes, weights, outcome)),
          0,
        );
        expect(bits).toBeCloseTo(entropy(weights) - left, 9);
      }),
    );
  });
});
