import { CATALOGUE, demoPattern } from '../testing/demo';
import { differences } from './differences';

describe('what a change changed', () => {
  const pin = demoPattern('skerry-pin-40');

  it('is nothing where nothing did', () => {
    for (const pattern of CATALOGUE.patterns.slice(0, 40))
      expect(differences('pattern', pattern, { ...pattern })).toEqual([]);
  });

  it('is told value by value, in the units in which they are given', () => {
    const changed = {
      ...pin,
      name: 'Another',
      dimensions: { ...pin.dimensions, 'pin.length': { low: '96', high: '96', unit: 'mm' as const } },
      marks: [{ text: 'X1', making: 'etched' as const }],
    };
    const told = differences('pattern', pin, changed);
    expect(told.map((each) => each.what)).toEqual(['name', 'length of the pin', 'marks']);
    expect(told[1]?.after).toBe('96 mm');
    expect(told[2]?.after).toBe('X1; making: etched');
    expect(differences('pattern', changed, pin).map((each) => [each.before, each.after])).toEqual(
      told.map((each) => [each.after, each.before]),
    );
  });

  it('is everything of a record that came or went', () => {
    const came = differences('pattern', undefined, pin);
    expect(came.every((each) => each.before === '')).toBeTrue();
    expect(came.length).toBeGreaterThan(Object.keys(pin.dimensions).length);
    expect(differences('maker', { id: 'a-maker', name: 'A' }, undefined)).toEqual([
      { what: 'name', before: 'A', after: '' },
    ]);
  });
});
