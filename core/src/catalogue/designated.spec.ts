import { rollingBearing } from '../dictionary/kinds/rollingBearing';
import { CATALOGUE } from '../testing/demo';
import { designated } from './designated';
import { partFromPattern } from './part';

const { bore, outside, width } = rollingBearing.parameters;

describe('what a bearing’s number tells', () => {
  // ISO 15 for the dimensions, ISO 492 for normal tolerances. From memory.
  it('is its bore, outside diameter and width', () => {
    const { sizes, looks } = designated([{ number: '6204-2Z/C3' }]);
    expect(sizes).toEqual({
      [bore.id]: { low: 19.99, high: 20 },
      [outside.id]: { low: 46.989, high: 47 },
      [width.id]: { low: 13.88, high: 14 },
    });
    expect(looks[rollingBearing.features.clearanceClass.id]).toBe('C3');
    expect(looks[rollingBearing.features.cover.id]).toBe('shield');
  });

  it('is what the catalogue says of each that it holds with its sizes', () => {
    const numbered = CATALOGUE.patterns.filter(
      ({ kind, numbers }) => kind === 'rollingBearing' && Object.keys(designated(numbers).sizes).length > 0,
    );
    expect(numbered.length).toBeGreaterThan(5);
    for (const pattern of numbered) {
      const { numbers } = pattern;
      const bare = partFromPattern({ ...pattern, dimensions: {}, features: {} }, pattern.name);
      const full = partFromPattern(pattern, pattern.name);
      for (const { id } of [bore, outside, width])
        expect(bare.values[id]?.interval.high)
          .withContext(`${numbers[0]?.number ?? ''} ${id}`)
          .toBeCloseTo(full.values[id]?.interval.high ?? NaN, 6);
      for (const [id, { option }] of Object.entries(bare.looks))
        expect(full.looks[id]?.option).withContext(id).toBe(option);
    }
  });

  it('takes the place of nothing that is written down, and is nothing where no number can be read', () => {
    const pattern = CATALOGUE.patterns.find(({ id }) => id === 'bearing-6204');
    if (!pattern) throw new RangeError('The demo has no 6204.');
    const other = partFromPattern(
      { ...pattern, dimensions: { [bore.id]: { low: '25.0', high: '25.0', unit: 'mm' } } },
      pattern.name,
    );
    expect(other.values[bore.id]?.interval.low).toBeCloseTo(25, 1);
    expect(designated([{ number: 'HV-8421' }])).toEqual({ sizes: {}, looks: {} });
  });
});
