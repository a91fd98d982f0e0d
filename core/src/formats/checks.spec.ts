import type { Scheme } from '../catalogue/scheme';
import { cellsOf, withCell } from '../fit/cells';
import { cellsInOrder } from '../fit/layout';
import { SHEETS } from '../fit/sheets';
import { shownUnit } from '../quantity/unit';
import type { Reading, SizeReading } from '../readings/reading';
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

  it('keeps what measuring sheets make, of whatever is measured', () => {
    for (const sheet of SHEETS) {
      const { low, high } = sheet.parameter.plausible;
      const { instruments, quantity } = sheet.parameter;
      const cells = cellsInOrder(sheet, [1, 2]);
      const readings = cells.reduce<Reading[]>(
        (before, cell, at) =>
          withCell(
            before,
            sheet,
            cell,
            {
              value: (low + high) / 2,
              figures: String((low + high) / 2),
              unit: shownUnit(quantity, 'metric') ?? 'mm',
              instrument: instruments[0],
            },
            { id: `00000000-0000-4000-8000-${String(at).padStart(12, '0')}`, at: '2026-11-30T09:00:00Z' },
          ),
        [],
      );
      expect(readings.length).toBe(cells.length);
      expect(cellsOf(readings, sheet).size).toBe(cells.length);
      expect(
        checkReadings(
          sheet.kind,
          readings.map(({ is }) => is),
        ),
      ).toEqual([]);
    }
  });

  it('refuses a table of shells that names a class, a shell or a mark that there is not', () => {
    const [first, ...others] = CATALOGUE.schemes.filter(({ id }) => id === 'tarrow-pins');
    if (!first || others.length > 0) throw new RangeError('The demo has another table now.');
    const said = (change: Partial<Scheme>) =>
      checkCatalogue({
        ...CATALOGUE,
        schemes: CATALOGUE.schemes.map((each) => (each === first ? { ...first, ...change } : each)),
      }).map(({ where, what }) => `${where.slice(where.indexOf('.') + 1)}: ${what}`);
    const [one] = first.shells ?? [];
    if (!one) throw new RangeError('The table of the demo is empty.');
    expect(said({})).toEqual([]);
    expect(said({ shells: [{ ...one, own: 'Q' }] })).toEqual([
      'shells[0].own: "Q" is no class that a segment of this scheme can be.',
    ]);
    expect(said({ shells: [{ ...one, takes: 'lumen-rodshell-pink' }] })[0]).toContain('there is no pattern');
    expect(said({ shells: [{ ...one, third: 'A' }] })[0]).toContain('the table has no third mark');
    expect(said({ place: 'crank.nowhere' })[0]).toContain('has a mark place "crank.nowhere"');
    const { shellsBy: _, ...bySelf } = first;
    expect(
      checkCatalogue({ ...CATALOGUE, schemes: [bySelf] })
        .filter(({ where }) => where.startsWith('schemes'))
        .map(({ what }) => what),
    ).toContain('say by which second mark the table is entered.');
  });
});
