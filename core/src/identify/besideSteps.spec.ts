import fc from 'fast-check';
import type { Size } from '../catalogue/size';
import { parameterOf } from '../dictionary/dictionary';
import { holds } from '../testing/laws';
import { ground as size, measured } from '../testing/measuredSize';
import { ASSUMED } from './assumptions';
import { pairsOf, sharesBeside, stepsMeasured, stepsSaid } from './besideSteps';
import { ColumnBuilder } from './columns';
import { sizeDensity, stepDensity, stepShare } from './sizeLikelihood';

const [MAIN, PIN] = [parameterOf('crank.mainJournal.diameter'), parameterOf('crank.crankpin.diameter')];

describe('a size beside another that is reworked with it', () => {
  // The second way: every pair of steps by itself, with Bayes' rule over all of them.
  it('weighs as the sum over all pairs of steps does', () => {
    holds(
      fc.property(
        fc.record({
          steps: fc.tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 4 })),
          at: fc.tuple(fc.integer({ min: 0, max: 4 }), fc.integer({ min: 0, max: 4 })),
          worn: fc.tuple(fc.double({ min: 0, max: 0.03, noNaN: true }), fc.double({ min: 0, max: 0.03, noNaN: true })),
          alike: fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        }),
        ({ steps, at, worn, alike }) => {
          // Both in the same steps, so that every step of the one is one of the other.
          const count = Math.max(...steps);
          const [main, pin] = [size(60, count), size(50, count)];
          const shift = (of: Size, step: number) => (step === 0 ? 0 : (of.service[Math.min(step, count) - 1] ?? 0));
          const first = measured(MAIN, 60.02 - worn[0] + shift(main, at[0]));
          const second = measured(PIN, 50.02 - worn[1] + shift(pin, at[1]));
          let [both, one] = [0, 0];
          for (let i = 0; i <= count; i++) {
            const ofMain = stepShare(main, i) * stepDensity(main, MAIN, first.estimate, i);
            one += ofMain;
            for (let j = 0; j <= count; j++)
              both +=
                ofMain *
                (alike * (i === j ? 1 : 0) + (1 - alike) * stepShare(pin, j)) *
                stepDensity(pin, PIN, second.estimate, j);
          }
          const shares = sharesBeside(pin, main, stepsMeasured(main, first), { other: MAIN.id, alike });
          expect(sizeDensity(pin, PIN, second.estimate, undefined, shares)).toBeCloseTo(both / one, 6);
        },
      ),
      40,
    );
  });

  it('is as usual where the other tells nothing', () => {
    const pin = size(50, 3);
    const none = sharesBeside(pin, { ...size(60, 3), service: [] }, [1], { other: MAIN.id, alike: 0.5 });
    // Of an other that has no such steps only standard is shared.
    expect(none[0]).toBeGreaterThan(ASSUMED.standardSize);
    expect([...none].reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
    const far = measured(MAIN, 90);
    expect([...Array.from(stepsMeasured(size(60, 3), far))]).toEqual(
      [0, 1, 2, 3].map((at) => stepShare(size(60, 3), at)),
    );
  });

  it('takes a step that was said for right so often', () => {
    const said = stepsSaid(size(60, 4), -0.5);
    expect(said[2]).toBeCloseTo(ASSUMED.stepRight + (1 - ASSUMED.stepRight) * stepShare(size(60, 4), 2), 12);
    expect(Array.from(said).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
    expect(stepsSaid(size(60, 1), -0.5)).toEqual(stepsSaid(size(60, 1), -0.9));
  });
});

describe('two columns as one', () => {
  it('have a code for every pair there is, and count them', () => {
    const column = (values: readonly (string | undefined)[]) => {
      const builder = new ColumnBuilder<Size>(values.length);
      values.forEach((value, row) => {
        if (value !== undefined) builder.set(row, value, 0, () => size(Number(value), 1));
      });
      return builder.build();
    };
    const [first, second] = [column(['60', '60', undefined, '61', '60']), column(['50', '51', '50', undefined, '50'])];
    const { codes, first: of, second: to, counts } = pairsOf(first, second);
    expect([...codes]).toEqual([1, 2, 3, 0, 1]);
    expect(counts.slice(1)).toEqual([2, 1, 1]);
    expect([of[3], to[3]]).toEqual([0, 1]);
    expect(pairsOf(first, second).codes).toBe(codes);
  });
});
