import fc from 'fast-check';
import type { Pattern } from '../../catalogue/pattern';
import { featureOf, markPlaceOf, parameterOf } from '../../dictionary/dictionary';
import { INSTRUMENTS } from '../../quantity/instrument';
import { ASSUMED } from '../assumptions';
import { indexCatalogue } from '../catalogueIndex';
import { foreseeLook, foreseeMark, foreseeSize } from './foresee';
import type { Hypotheses } from './hypotheses';
import { gainOf } from './outcomes';
import { holds } from '../../testing/laws';

const MAIN = parameterOf('crank.mainJournal.diameter');
const crank = (id: string, more: Partial<Pattern>): Pattern => ({
  id,
  kind: 'crank',
  name: id,
  dimensions: {},
  features: {},
  interfaces: {},
  marks: [],
  numbers: [],
  ...more,
});
const size = (low: number, high: number) => ({
  dimensions: { [MAIN.id]: { low: low.toFixed(3), high: high.toFixed(3), unit: 'mm' as const, service: [] } },
});
const two = (a: Partial<Pattern>, b: Partial<Pattern>) =>
  indexCatalogue('crank', { patterns: [crank('a', a), crank('b', b)] });
const EVEN: Hypotheses = { rows: [0, 1], weights: Float64Array.of(0.5, 0.5) };
const bits = (outcomes: ReturnType<typeof foreseeSize>) => (outcomes ? gainOf(outcomes, EVEN.weights, 0.995).bits : 0);

describe('what a measurement could come to', () => {
  it('tells far sizes apart wholly, and the same sizes not at all', () => {
    expect(bits(foreseeSize(two(size(60, 60.02), size(66, 66.02)), EVEN, MAIN, INSTRUMENTS.caliper))).toBeGreaterThan(
      0.95,
    );
    expect(foreseeSize(two(size(60, 60.02), size(60, 60.02)), EVEN, MAIN, INSTRUMENTS.caliper)).toBeUndefined();
  });

  it('tells more with the finer instrument, whatever the sizes (a law: blurring loses information)', () => {
    holds(
      fc.property(fc.double({ min: 0.006, max: 0.3, noNaN: true }), (apart) => {
        const index = two(size(60, 60.01), size(60 - apart, 60.01 - apart));
        const [coarse, fine] = [INSTRUMENTS.caliper, INSTRUMENTS.micrometer].map((tool) =>
          bits(foreseeSize(index, EVEN, MAIN, tool)),
        );
        // The cells are found anew for each instrument, which costs a little exactness.
        expect(fine ?? 0).toBeGreaterThanOrEqual((coarse ?? 0) - 0.05);
      }),
      40,
    );
  });

  it('leaves a size that one of them does not state to chance', () => {
    const outcomes = foreseeSize(
      two(size(60, 60.02), {}),
      { rows: [0, 1, undefined], weights: Float64Array.of(0.4, 0.4, 0.2) },
      MAIN,
      INSTRUMENTS.micrometer,
    );
    expect(outcomes?.chances[1]).toEqual(outcomes?.chances[2]);
  });
});

describe('what a look could come to', () => {
  const material = featureOf('crank.material');

  it('is the option recorded, but for the share that is misjudged', () => {
    const outcomes = foreseeLook(
      two({ features: { [material.id]: 'forged' } }, { features: { [material.id]: 'cast' } }),
      EVEN,
      material,
    );
    expect(outcomes?.chances[0]?.[0]).toBeCloseTo(1 - material.misjudged - ASSUMED.lookMistaken, 9);
    expect(outcomes?.count).toBe(3);
  });

  it('is nothing worth asking where all record the same, or nothing', () => {
    expect(
      foreseeLook(
        two({ features: { [material.id]: 'forged' } }, { features: { [material.id]: 'forged' } }),
        EVEN,
        material,
      ),
    ).toBeUndefined();
    expect(foreseeLook(two({}, {}), EVEN, material)).toBeUndefined();
  });
});

describe('what a mark place could come to', () => {
  const web = markPlaceOf('crank.web');
  const marked = (text: string) => ({ marks: [{ text, making: 'cast' as const, place: web.id }] });

  it('is the mark, nothing, or something else, in the shares that are assumed', () => {
    const outcomes = foreseeMark(two(marked('4187'), marked('4127')), EVEN, web);
    expect(outcomes?.count).toBe(4);
    expect(outcomes?.chances[0]?.[2]).toBeCloseTo(ASSUMED.markGone, 9);
    expect(bits(outcomes)).toBeGreaterThan(0.8);
  });

  it('is nothing worth asking where the marks are the same', () => {
    expect(foreseeMark(two(marked('4473'), marked('4473')), EVEN, web)).toBeUndefined();
  });

  it('tells a marked part from one that has nothing there', () => {
    expect(bits(foreseeMark(two(marked('4187'), {}), EVEN, web))).toBeGreaterThan(0.4);
  });
});
