import * as statistics from 'simple-statistics';
import { logMean, logSum } from './logSum';

describe('a sum of numbers given by their logarithms', () => {
  it('is that of the numbers (simple-statistics)', () => {
    const numbers = [0.1, 3, 42, 0.0007];
    expect(Math.exp(logSum(numbers.map(Math.log)))).toBeCloseTo(statistics.sum(numbers), 9);
    expect(Math.exp(logMean(numbers.map(Math.log)))).toBeCloseTo(statistics.mean(numbers), 9);
  });

  it('stays in range where the numbers themselves do not', () => {
    expect(logSum([-1000, -1000])).toBeCloseTo(-1000 + Math.LN2, 9);
    expect(logSum([5000, -Infinity])).toBe(5000);
  });

  it('of none is nothing, and of very many no trouble', () => {
    expect(logSum([])).toBe(-Infinity);
    expect(logSum([-Infinity, -Infinity])).toBe(-Infinity);
    expect(logMean(Array.from({ length: 300_000 }, () => 1))).toBeCloseTo(1, 9);
  });
});
