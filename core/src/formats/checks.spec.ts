import type { SizeReading } from '../readings/reading';
import { CATALOGUE, demoPattern, words } from '../testing/demo';
import { checkCatalogue } from './checkCatalogue';
import { checkReadings } from './checkReadings';

describe('checking data', () => {
  it('finds nothing wrong with the demo', () => {
    expect(checkCatalogue(CATALOGUE)).toEqual([]);
  });

  it('names place and mend of everything wrong', () => {
    const pattern = demoPattern('sluice-crank-3115');
    const wrong = {
      ...CATALOGUE,
      patterns: [
        pattern,
        { ...pattern, family: 'nobody' },
        {
          ...pattern,
          id: 'other',
          dimensions: {
            'crank.stroke': { low: '3', high: '2', unit: 'in' as const },
            'crank.swing': { low: '3', high: '3', unit: 'mm' as const },
            'crank.colour': { low: '1', high: '1', unit: 'mm' as const },
          },
          features: { 'crank.material': 'wooden', 'crank.smell': 'oil' },
          marks: [{ text: '1', making: 'cast' as const, place: 'crank.moon' }],
          interfaces: { 'crank.door': 'x' },
        },
      ],
    };
    const said = checkCatalogue(wrong)
      .map(({ where, what }) => `${where}: ${what}`)
      .join('\n');
    for (const part of [
      'used twice',
      'no family “nobody”',
      'above high',
      'check the unit',
      'no such size',
      'not one of its options',
      'no such look',
      'no mark place',
      'no such face',
    ])
      expect(said).toContain(part);
  });

  it('names class marks that no size could bear', () => {
    const scheme = CATALOGUE.schemes.find(({ id }) => id === 'tarrow-mains');
    if (!scheme) throw new RangeError('The demo has no classes of mains.');
    const saidOf = (schemes: typeof CATALOGUE.schemes) =>
      checkCatalogue({ ...CATALOGUE, schemes }).map(({ where, what }) => `${where}: ${what}`);
    const narrowing = scheme.segments.filter(({ narrows }) => narrows).length;
    expect(
      saidOf([{ ...scheme, kinds: ['piston'] }]).filter((each) =>
        each.includes('none of its kinds of part has a size'),
      ),
    ).toHaveSize(narrowing);
    const ofEngine = saidOf([{ ...scheme, kinds: [] }]);
    expect(ofEngine.some((each) => each.includes('say on which kinds of part'))).toBeTrue();
    expect(saidOf([scheme])).toEqual([]);
  });

  it('refuses readings that no such part has', () => {
    const size: SizeReading = {
      sort: 'size',
      text: 'x',
      parameter: 'crank.stroke',
      values: [0.5],
      unit: 'mm',
      instrument: 'rule',
    };
    expect(checkReadings('crank', [size])[0]?.what).toContain('cannot be a stroke');
    expect(checkReadings('block', [size])[0]?.what).toContain('no size "crank.stroke"');
    const inRow = { ...size, values: [88, 89], positions: [1, 2] };
    expect(checkReadings('crank', [inRow])[0]?.what).toBe('a crank has crank.stroke once only.');
    const main = { ...size, parameter: 'crank.mainJournal.diameter', values: [51.98, 51.97], positions: [1] };
    expect(checkReadings('crank', [main])[0]?.what).toBe('2 values and 1 position: give one for each.');
    const oval = { ...main, positions: [2, 2], axes: [1 as const] };
    expect(checkReadings('crank', [oval])[0]?.what).toBe('2 values and 1 direction: give one for each.');
    const along = { ...main, positions: [2, 2], levels: ['top' as const] };
    expect(checkReadings('crank', [along])[0]?.what).toBe('2 values and 1 level: give one for each.');
    expect(checkReadings('crank', [{ sort: 'face', text: 'x', face: 'block.mounts', pattern: 'x' }])[0]?.what).toBe(
      'a crank has no face "block.mounts".',
    );
    expect(checkReadings('crank', [{ ...size, unit: 'g' }])[0]?.what).toContain('no unit of length');
    expect(checkReadings('crank', [{ sort: 'mark', text: 'x', characters: '[' }])[0]?.where).toBe('readings[0]');
    expect(checkReadings('crank', words('main 59.67 cast 41?7 forged wobble'))).toEqual([]);
  });
});
