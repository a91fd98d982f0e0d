import { COVERAGE, estimate, expanded, INSTRUMENTS, type Precision } from './instrument';
import { width } from './interval';

const instrument = (resolution: number, permissibleError: number): Precision => ({ resolution, permissibleError });

describe('measurement uncertainty', () => {
  it('takes a bound for a rectangular distribution: the copper example of JCGM 100:2008, 4.3.7 (0.40 gives 0.23)', () => {
    expect(estimate([16.52], instrument(0, 0.4)).uncertainty).toBeCloseTo(0.23, 2);
  });

  it('takes a digital step d for 0.29 d (JCGM 100:2008, F.2.2.1)', () => {
    expect(estimate([10], instrument(1, 0)).uncertainty).toBeCloseTo(0.29, 2);
  });

  it('takes the scatter of repeats for s over root n (JCGM 100:2008, 4.2.3)', () => {
    // By hand: 10.01, 10.02, 10.03 have s = 0.01, so s/sqrt(3) = 0.00577.
    const { mean, uncertainty } = estimate([10.01, 10.02, 10.03], instrument(0, 0));
    expect(mean).toBeCloseTo(10.02, 9);
    expect(uncertainty).toBeCloseTo(0.00577, 5);
  });

  it('adds independent parts in quadrature (JCGM 100:2008, 5.1.2): 3 and 4 give 5', () => {
    const three = Math.sqrt(3) * 3;
    const four = Math.sqrt(12) * 4;
    expect(estimate([100], instrument(four, three)).uncertainty).toBeCloseTo(5, 9);
  });

  it('is many times larger with a caliper than with a micrometer (common practice, no source)', () => {
    const [caliper, micrometer] = [estimate([60], INSTRUMENTS.caliper), estimate([60], INSTRUMENTS.micrometer)];
    expect(caliper.uncertainty / micrometer.uncertainty).toBeGreaterThan(5);
    expect(width(expanded(micrometer))).toBeCloseTo(2 * COVERAGE * micrometer.uncertainty, 12);
  });

  it('does not depend on the order of the repeats, to the last bit', () => {
    const repeats = [59.67, 59.66, 59.675, 59.6611];
    expect(estimate(repeats, INSTRUMENTS.micrometer)).toEqual(estimate([...repeats].reverse(), INSTRUMENTS.micrometer));
  });

  it('refuses to be made of nothing', () => {
    expect(() => estimate([], INSTRUMENTS.rule)).toThrowError(RangeError);
  });
});
