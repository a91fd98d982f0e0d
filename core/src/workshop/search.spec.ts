import fc from 'fast-check';
import { LIST_OF, type Catalogue, type CatalogueRecord } from '../catalogue/catalogue';
import { CatalogueLookup, type RecordChange } from '../catalogue/lookup';
import { CATALOGUE } from '../testing/demo';
import { CatalogueSearch } from './search';
import { holds } from '../testing/laws';

const LINES = [
  'crank',
  '4187',
  '41?7',
  'sluice forged',
  'piston 116 +0.5',
  'BS 104 187',
  'main 59.67',
  'winch',
  'nine bolts',
  'zeppelin',
];

const after = (catalogue: Catalogue, { type, id, record }: RecordChange): Catalogue => {
  const others = (catalogue[LIST_OF[type]] as readonly CatalogueRecord[]).filter((each) => each.id !== id);
  return { ...catalogue, [LIST_OF[type]]: record ? [...others, record] : others };
};

/** Some change of a pattern: another name, another number, a twin of it, or its removal. */
const change: fc.Arbitrary<RecordChange> = fc
  .tuple(
    fc.constantFrom(...CATALOGUE.patterns),
    fc.constantFrom('name', 'number', 'twin', 'gone'),
    fc.constantFrom('Zeppelin', 'Winch', '4187'),
  )
  .map(([pattern, what, word]): RecordChange => {
    switch (what) {
      case 'name':
        return { type: 'pattern', id: pattern.id, record: { ...pattern, name: `${word} ${pattern.name}` } };
      case 'number':
        return { type: 'pattern', id: pattern.id, record: { ...pattern, numbers: [{ number: `${word}-104` }] } };
      case 'twin':
        return { type: 'pattern', id: `${pattern.id}-twin`, record: { ...pattern, id: `${pattern.id}-twin` } };
      case 'gone':
        return { type: 'pattern', id: pattern.id };
    }
  });

describe('the search of a catalogue that is changed', () => {
  it('finds as one that was laid out after the changes, with the same weights and in the same order', () => {
    const base = new CatalogueSearch(new CatalogueLookup(CATALOGUE));
    base.layOut();
    holds(
      fc.property(fc.array(change, { minLength: 1, maxLength: 5 }), fc.constantFrom(...LINES), (changes, line) => {
        const catalogue = changes.reduce(after, CATALOGUE);
        const lookup = new CatalogueLookup(catalogue);
        const [goneOn, anew] = [base.with(lookup, changes), new CatalogueSearch(lookup)];
        expect(goneOn.isLaidOut).toBeTrue();
        expect(goneOn.find(line, 200)).toEqual(anew.find(line, 200));
      }),
      25,
    );
  });

  it('is laid out anew where names of others change with a record, or too many records do', () => {
    const base = new CatalogueSearch(new CatalogueLookup(CATALOGUE));
    base.layOut();
    const [maker] = CATALOGUE.makers;
    const [pattern] = CATALOGUE.patterns;
    if (!maker || !pattern) throw new Error('the demo is empty');
    const lookup = new CatalogueLookup(CATALOGUE);
    expect(base.with(lookup, [{ type: 'maker', id: maker.id, record: maker }]).isLaidOut).toBeFalse();
    expect(base.with(lookup, [{ type: 'pattern', id: pattern.id, record: pattern }]).isLaidOut).toBeTrue();
    const many = Array.from({ length: 301 }, (_, at): RecordChange => ({ type: 'pattern', id: `gone-${at}` }));
    expect(base.with(lookup, many).isLaidOut).toBeFalse();
  });
});
