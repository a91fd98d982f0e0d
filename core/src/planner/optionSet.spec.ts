import fc from 'fast-check';
import { allOf, countOf, drop, firstOf, only, optionsOf } from './optionSet';
import { holds } from '../testing/laws';

/** How many options, and which of them are ruled out. */
const DRAWN = fc
  .integer({ min: 1, max: 200 })
  .chain((size) => fc.record({ size: fc.constant(size), out: fc.array(fc.integer({ min: 0, max: size - 1 })) }));

describe('options that are still possible', () => {
  it('are those of a set of numbers from which the same were taken', () => {
    holds(
      fc.property(DRAWN, ({ size, out }) => {
        const live = allOf(size);
        const plain = new Set(Array.from({ length: size }, (_, at) => at));
        for (const option of out) {
          drop(live, option);
          plain.delete(option);
        }
        expect([...optionsOf(live)]).toEqual([...plain]);
        expect(countOf(live)).toBe(plain.size);
        expect(firstOf(live)).toBe([...plain][0]);
      }),
    );
  });

  it('may be one alone', () => {
    for (const option of [0, 31, 32, 63, 64, 99]) expect([...optionsOf(only(100, option))]).toEqual([option]);
  });

  it('may be all, to the end of the last word and no further', () => {
    for (const size of [1, 31, 32, 33, 64, 65]) expect(countOf(allOf(size))).toBe(size);
  });
});
