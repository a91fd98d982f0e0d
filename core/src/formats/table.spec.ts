import fc from 'fast-check';
import { LIST_OF, RECORD_TYPES, type CatalogueRecord } from '../catalogue/catalogue';
import { KINDS, parameterOf } from '../dictionary/dictionary';
import { CATALOGUE } from '../testing/demo';
import { inOrder } from './canonical';
import { ColumnsInUse, headerOf, matchHeader, TABLE_IDS, tableNamed, type TableId } from './columns';
import { readDimension, TextError, writeDimension } from './dimensionText';
import { RECORD_FORMS } from './fields';
import { readList, writeList } from './itemText';
import { readRow, writeRow } from './table';
import { holds } from '../testing/laws';

const main = parameterOf('crank.mainJournal.diameter');

describe('a dimension as text', () => {
  it('keeps its digits, its unit and what belongs to it', () => {
    const dimension = readDimension(
      '2.3490..2.3500 in; wear 2.3475; service -0.010 -0.020; note first year; or so',
      main,
    );
    expect(dimension).toEqual({
      low: '2.3490',
      high: '2.3500',
      unit: 'in',
      wearLimit: '2.3475',
      service: ['-0.010', '-0.020'],
      note: 'first year; or so',
    });
    expect(writeDimension(dimension)).toBe(
      '2.3490..2.3500 in; wear 2.3475; service -0.010 -0.020; note first year; or so',
    );
    expect(readDimension('59.66; service none', main, 'mm')).toEqual({
      low: '59.66',
      high: '59.66',
      unit: 'mm',
      service: [],
    });
  });

  it('is understood as people write it', () => {
    const read = (text: string) => readDimension(text, main, 'mm');
    expect(read('59,67')).toEqual({ low: '59.67', high: '59.67', unit: 'mm' });
    expect(read('2 3/8"')).toEqual({ low: '2.375', high: '2.375', unit: 'in' });
    expect(read('59.66-59.68')).toEqual({ low: '59.66', high: '59.68', unit: 'mm' });
    expect(read('59.66 to 59.68 mm').high).toBe('59.68');
  });

  it('that cannot be read says why', () => {
    const why = (text: string, unit?: 'mm') => {
      try {
        readDimension(text, main, unit);
      } catch (error) {
        return error instanceof TextError ? error.message : 'another error';
      }
      return 'read';
    };
    expect(why('59.67')).toContain('has no unit');
    expect(why('59.67 furlongs')).toContain('“furlongs” after the figures is no unit');
    expect(why('1,059.67 mm')).toContain('commas and points');
    expect(why('wide', 'mm')).toContain('is no size of main journal');
    expect(why('59.67 mm; worn 3', 'mm')).toContain('“worn 3” is not understood');
  });

  it('comes back whatever it is', () => {
    const digits = fc
      .tuple(fc.nat(9999), fc.integer({ min: 0, max: 9999 }))
      .map(([whole, part]) => `${whole}.${String(part).padStart(4, '0')}`);
    holds(
      fc.property(
        digits,
        digits,
        fc.option(
          fc.array(
            digits.map((step) => `-${step}`),
            { maxLength: 3 },
          ),
          { nil: undefined },
        ),
        fc.option(fc.stringMatching(/^[a-z][a-z;| ,=\\]{0,20}[a-z]$/), { nil: undefined }),
        (low, high, service, note) => {
          const dimension = {
            low,
            high,
            unit: 'mm' as const,
            ...(service ? { service } : {}),
            ...(note === undefined ? {} : { note }),
          };
          expect(readDimension(writeDimension(dimension), main)).toEqual(dimension);
        },
      ),
    );
  });
});

describe('a list in one cell', () => {
  const marks = RECORD_FORMS.pattern.lists.find((list) => list.path === 'marks');
  if (!marks) throw new Error('no marks');

  it('is readable, and comes back whatever stands in it', () => {
    expect(
      writeList(marks, [
        { text: '4187', making: 'cast', place: 'crank.web' },
        { text: 'F8', making: 'stamped' },
      ]),
    ).toBe('4187; making: cast; place: crank.web | F8; making: stamped');
    const words = fc
      .string({ minLength: 1, maxLength: 12 })
      .map((text) => text.trim())
      .filter((text) => text !== '' && !/^[a-z][a-z ]*:/i.test(text));
    holds(
      fc.property(
        fc.array(fc.record({ text: words, making: fc.constantFrom('cast', 'tag'), note: words }), { maxLength: 4 }),
        (items) => {
          expect(readList(marks, writeList(marks, items))).toEqual(items);
        },
      ),
    );
  });

  it('says what it lacks', () => {
    expect(() => readList(marks, '4187')).toThrowError(TextError, 'Marks: “4187” has no making.');
    expect(() => readList(marks, '4187; making: woven')).toThrowError(TextError, /none of cast, stamped/);
  });
});

describe('a table', () => {
  const recordsOf = (table: TableId): readonly CatalogueRecord[] =>
    RECORD_TYPES.flatMap((type): readonly CatalogueRecord[] =>
      type === 'pattern'
        ? CATALOGUE.patterns.filter((pattern) => pattern.kind === table)
        : type === table
          ? CATALOGUE[LIST_OF[type]]
          : [],
    );

  for (const table of TABLE_IDS)
    it(`of the demo's comes back as it went: ${table}`, () => {
      const records = recordsOf(table);
      expect(records.length).toBeGreaterThan(0);
      const use = new ColumnsInUse(table);
      for (const record of records) use.see(record);
      const columns = use.columns();
      const headers = columns.map(headerOf);
      const taken = headers.map((header) => matchHeader(table, header));
      expect(taken.filter((each) => each.how !== 'exactly')).toEqual([]);
      expect(new Set(headers).size).toBe(headers.length);
      for (const record of records) {
        const row = writeRow(columns, record);
        const { record: read, problems } = readRow(
          table,
          taken.map((each) => each.column),
          headers,
          row,
        );
        expect(problems).toEqual([]);
        expect(read)
          .withContext(record.id)
          .toEqual(record as never);
      }
    });

  it('takes headers by name and synonym, with the unit however it stands', () => {
    const taken = (header: string, table: TableId = 'crank') => {
      const { column, how } = matchHeader(table, header);
      return column ? `${headerOf(column)} ${how}` : how;
    };
    expect(taken('crank.stroke [in]')).toBe('crank.stroke [in] exactly');
    expect(taken('Main journal (mm)')).toBe('crank.mainJournal.diameter [mm] byName');
    expect(taken('Stroke mm')).toBe('crank.stroke [mm] byName');
    expect(taken('snout')).toBe('crank.nose.diameter byName');
    expect(taken('Part no.')).toBe('numbers byName');
    expect(taken('Counterweights')).toBe('crank.counterweights byName');
    expect(taken('Colour of the shed')).toBe('notAtAll');
    expect(taken('crank.stroke [g]')).toBe('notAtAll');
  });

  it('is known by any of its names', () => {
    expect(
      ['Cranks', 'crankshaft.csv', 'valve springs', 'known swap', 'families.csv', 'sleeve', 'nonsense'].map(tableNamed),
    ).toEqual(['crank', 'crank', 'valveSpring', 'swap', 'family', 'liner', undefined]);
  });

  it('tells what is wrong with a cell and reads the rest', () => {
    const headers = ['id', 'crank.stroke [mm]', 'crank.material', 'crank.counterweights', 'marks'];
    const columns = headers.map((header) => matchHeader('crank', header).column);
    const { record, problems } = readRow('crank', columns, headers, [
      'new-crank',
      '=85,7',
      'Forged',
      '99',
      '41; making: cast',
    ]);
    expect(record).toEqual(
      jasmine.objectContaining({ id: 'new-crank', kind: 'crank', features: { 'crank.material': 'forged' } }),
    );
    expect(problems.map((problem) => problem.header)).toEqual(['crank.stroke [mm]', 'crank.counterweights']);
  });
});

describe('the order of keys', () => {
  it('is the schema’s, whatever it was', () => {
    const pattern = CATALOGUE.patterns.find((each) => each.claims);
    if (!pattern) throw new Error('no claims in the demo');
    const shuffled = JSON.parse(JSON.stringify(pattern, Object.keys(flat(pattern)).sort().reverse())) as typeof pattern;
    expect(JSON.stringify(inOrder('pattern', shuffled))).toBe(JSON.stringify(inOrder('pattern', pattern)));
    expect(Object.keys(inOrder('pattern', pattern)).slice(0, 3)).toEqual(['id', 'kind', 'family']);
  });
});

/** All keys at any depth, so that JSON.stringify takes them in another order. */
function flat(value: unknown): Record<string, true> {
  if (typeof value !== 'object' || value === null) return {};
  return Object.assign({}, ...Object.entries(value).map(([key, inner]) => ({ [key]: true, ...flat(inner) }))) as Record<
    string,
    true
  >;
}

it('every kind has parameters, looks and places for marks', () => {
  for (const kind of Object.values(KINDS))
    expect([
      kind.id,
      Object.keys(kind.parameters).length > 0,
      Object.keys(kind.features).length > 0,
      Object.keys(kind.markPlaces).length > 0,
    ]).toEqual([kind.id, true, true, true]);
});
