import { LIST_OF, RECORD_TYPES, type CatalogueRecord } from '../catalogue/catalogue';
import { CATALOGUE, demoPattern } from '../testing/demo';
import type { TableId } from './columns';
import { formTextOf, readFormText } from './formText';

describe('a form', () => {
  for (const type of RECORD_TYPES)
    it(`gives a ${type} back as it came`, () => {
      for (const record of CATALOGUE[LIST_OF[type]] as readonly CatalogueRecord[]) {
        const table = ('kind' in record ? record.kind : type) as TableId;
        const { record: read, problems } = readFormText(table, formTextOf(table, record));
        expect(problems).toEqual({});
        expect(read)
          .withContext(record.id)
          .toEqual(record as never);
      }
    });

  it('says what is wrong at its place, and keeps the rest', () => {
    const text = formTextOf('crank', demoPattern('sluice-crank-3115'));
    const { record, problems } = readFormText('crank', {
      ...text,
      id: 'No Id',
      fields: { ...text.fields, name: ' ' },
      sizes: { ...text.sizes, 'crank.stroke': 'long' },
      looks: { ...text.looks, 'crank.counterweights': 'many' },
      lists: { ...text.lists, marks: [{ text: '4127', making: '' }] },
    });
    expect(Object.keys(problems).sort()).toEqual([
      'fields.name',
      'id',
      'lists.marks.0.making',
      'looks.crank.counterweights',
      'sizes.crank.stroke',
    ]);
    expect((record.dimensions as Record<string, unknown>)['crank.mainJournal.diameter']).toBeDefined();
  });

  it('takes a size in the unit in which it is typed', () => {
    const { record } = readFormText('pin', {
      id: 'a-pin',
      fields: { name: 'A pin' },
      sizes: { 'pin.diameter': '15/16"' },
      looks: {},
      faces: {},
      lists: {},
    });
    expect(record.dimensions).toEqual({ 'pin.diameter': { low: '0.9375', high: '0.9375', unit: 'in' } });
  });
});
