import fc from 'fast-check';
import { words } from '../testing/demo';
import { sizesMeasured, sizesOfPart } from './measured';
import { holds } from '../testing/laws';

describe('measurements of one size', () => {
  const pooled = (text: string) =>
    sizesMeasured(words(text)).map(({ parameter, values, instrument }) => [parameter, values.length, instrument]);

  it('with one instrument are repeats', () => {
    expect(pooled('main 59.67 mic main 59.66 mic main 59.665 mic')).toEqual([
      ['crank.mainJournal.diameter', 3, 'micrometer'],
    ]);
  });

  it('with two instruments stay two', () => {
    expect(pooled('main 59.67 mic main 59.68 caliper').length).toBe(2);
  });

  it('too far apart to be repeats stay apart: one of them is a slip', () => {
    expect(pooled('main 59.67 mic main 52.05 mic').map(([, count]) => count)).toEqual([1, 1]);
  });

  it('in different units are put into one', () => {
    const [size] = sizesMeasured(words('main 2.349in mic main 59.66 mm mic'));
    expect(size?.unit).toBe('mm');
    expect(size?.values[1]).toBeCloseTo(59.6646, 9);
  });

  it('do not depend on the order in which they were typed', () => {
    const readings = words(
      'main 59.67 mic main 59.64 mic main 2.349in mic pin 52.05 mic main 59.2 mic main 59.68 caliper',
    );
    const expected = JSON.stringify(sizesMeasured(readings));
    holds(
      fc.property(fc.shuffledSubarray([...readings], { minLength: readings.length }), (shuffled) => {
        expect(JSON.stringify(sizesMeasured(shuffled))).toBe(expected);
      }),
    );
  });
});

describe('sizes measured at several places', () => {
  const crank = (text: string) => words(text);

  it('are never pooled, and of one place the repeats are', () => {
    const sizes = sizesMeasured(crank('mains 51.99/51.98/51.965 mic main 2 51.982 mic'));
    expect(sizes.map(({ values, positions }) => [positions?.[0], values])).toEqual([
      [1, [51.99]],
      [2, [51.98, 51.982]],
      [3, [51.965]],
    ]);
  });

  it('say their words once where they are repeats at one height', () => {
    const [top] = sizesMeasured(crank('main 2 front 51.98/51.982 rear 51.97 mic'));
    expect(top?.text).toBe('main 2 front 51.98/51.982 rear 51.97 mic');
  });

  it('are one piece of evidence: the journal that is worn least tells best what it was made', () => {
    const [main, ...others] = sizesOfPart(crank('mains 51.99/51.98/51.965/51.985/51.97 mic'));
    expect(main?.values).toEqual([51.99]);
    expect(others).toEqual([]);
  });
});
