import { decide, decideWithin, separable, uncertaintyOf } from './decision';
import { INSTRUMENTS } from './instrument';
import { interval } from './interval';

describe('deciding with an uncertain size', () => {
  const limits = interval(50, 50.02);
  // ISO 14253-1, from memory: inside is proven only a guard band inside the limits, outside only a guard band outside.
  it('guards the limits with the expanded uncertainty on both sides (ISO 14253-1)', () => {
    expect(decide({ mean: 50.01, uncertainty: 0.002 }, limits)).toBe('inside');
    expect(decide({ mean: 50.017, uncertainty: 0.002 }, limits)).toBe('cannotTell');
    expect(decide({ mean: 50.023, uncertainty: 0.002 }, limits)).toBe('cannotTell');
    expect(decide({ mean: 50.025, uncertainty: 0.002 }, limits)).toBe('outside');
  });

  it('decides the same of the interval as of the estimate it stands for', () => {
    for (let mean = 49.98; mean < 50.04; mean += 0.0013)
      expect(decideWithin(interval(mean - 0.004, mean + 0.004), limits)).toBe(
        decide({ mean, uncertainty: 0.002 }, limits),
      );
  });

  it('cannot tell anything where the uncertainty is wider than the limits', () => {
    for (let mean = 49.99; mean < 50.03; mean += 0.002)
      expect(decide({ mean, uncertainty: 0.02 }, limits)).toBe('cannotTell');
  });

  it('takes a permissible error and a step for rectangular (JCGM 100:2008, 4.3.7 and F.2.2.1)', () => {
    expect(uncertaintyOf({ permissibleError: 0.03, resolution: 0.02 })).toBeCloseTo(
      Math.sqrt(0.03 ** 2 / 3 + 0.02 ** 2 / 12),
      12,
    );
  });

  it('does not let a caliper sort journal classes eight microns apart; a micrometer sorts those twenty apart (common practice, no source)', () => {
    const [a, b, c] = [interval(51.992, 52), interval(51.984, 51.992), interval(51.972, 51.98)];
    expect(separable(a, b, INSTRUMENTS.caliper)).toBeFalse();
    expect(separable(a, c, INSTRUMENTS.caliper)).toBeFalse();
    expect(separable(a, b, INSTRUMENTS.micrometer)).toBeTrue();
    expect(separable(a, c, INSTRUMENTS.micrometer)).toBeTrue();
    expect(separable(a, a, INSTRUMENTS.micrometer)).toBeFalse();
  });
});
