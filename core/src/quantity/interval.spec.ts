import fc from 'fast-check';
import { showDifference, showInterval, showValue } from './format';
import { apart, contains, interval, margin, minus, plus, scaled, type Interval } from './interval';
import { band, difference, say, sentence, value } from './sentence';
import { holds } from '../testing/laws';

const some = fc
  .tuple(fc.double({ min: -100, max: 100, noNaN: true }), fc.double({ min: 0, max: 5, noNaN: true }))
  .map(([low, span]): Interval => interval(low, low + span));
const within = (of: Interval, share: number) => of.low + share * (of.high - of.low);
const share = fc.double({ min: 0, max: 1, noNaN: true });

describe('intervals', () => {
  it('contain every sum and difference of values from their parts', () => {
    holds(
      fc.property(some, some, share, share, fc.double({ min: -3, max: 3, noNaN: true }), (a, b, s, t, by) => {
        const [x, y] = [within(a, s), within(b, t)];
        expect(contains(plus(a, b), interval(x + y))).toBeTrue();
        expect(contains(minus(a, b), interval(x - y))).toBeTrue();
        expect(contains(scaled(a, by), interval(x * by))).toBeTrue();
      }),
    );
  });

  it('are inside, outside or astride, never two of them', () => {
    holds(
      fc.property(some, some, (found, required) => {
        expect(contains(required, found) && apart(found, required)).toBeFalse();
        if (margin(found, required) > 0) expect(contains(required, found)).toBeTrue();
      }),
    );
  });

  it('refuse ends out of order and ends that are no numbers', () => {
    for (const [low, high] of [
      [2, 1],
      [NaN, 1],
      [0, Infinity],
    ] as const)
      expect(() => interval(low, high)).toThrowError(RangeError);
  });
});

describe('showing figures', () => {
  it('writes hundredths of a thousandth of an inch and thousandths of a millimetre', () => {
    expect(showValue(59.6646, 'length', 'inch')).toBe('2.3490 in');
    expect(showValue(59.6646, 'length', 'metric')).toBe('59.665 mm');
    expect(showDifference(-0.02, 'length', 'metric')).toBe('−0.020 mm');
    expect(showInterval(interval(0.036, 0.0911), 'length', 'metric')).toBe('0.036 to 0.091 mm');
    expect(showInterval(interval(5), 'count', 'metric')).toBe('5');
    expect(showValue(-0.0000001, 'length', 'metric')).toBe('0.000 mm');
  });

  it('keeps figures in a sentence until the reader is known', () => {
    const said = sentence`${value(25.4)} less ${difference(-2.54)}: ${band(interval(22.86))}.`;
    expect(say(said, 'metric')).toBe('25.400 mm less −2.540 mm: 22.860 mm.');
    expect(say(said, 'inch')).toBe('1.0000 in less −0.1000 in: 0.9000 in.');
  });
});
