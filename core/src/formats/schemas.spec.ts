import { Ajv } from 'ajv';
import addFormats from 'ajv-formats';
import specimens from '../../../demo-data/specimens.json';
import { CatalogueSchema } from '../catalogue/catalogue';
import { readEntry } from '../readings/entryLine';
import { SpecimenFileSchema, UnderstoodSchema } from '../readings/reading';
import { CATALOGUE, demoPattern } from '../testing/demo';

const ajv = new Ajv({ allErrors: true, discriminator: true });
addFormats(ajv);
const accepts = (schema: object) => {
  const validate = ajv.compile(schema);
  return (data: unknown) => validate(data);
};

describe('the schemas', () => {
  it('accept the demo in its open formats', () => {
    expect(accepts(CatalogueSchema)(CATALOGUE)).toBeTrue();
    expect(accepts(SpecimenFileSchema)(specimens)).toBeTrue();
  });

  it('accept whatever the entry line makes of words', () => {
    const understood = accepts(UnderstoodSchema);
    for (const text of [
      'cast 41?7 on web',
      'main 59.67/59.66 mic',
      'pin 2.05',
      '8 weights',
      'no mark on flange',
      'wobble',
      'main 2.349 mm',
      'x'.repeat(3000),
    ]) {
      for (const word of readEntry(text, 'crank').words)
        expect(understood(word)).withContext(JSON.stringify(word).slice(0, 200)).toBeTrue();
    }
  });

  it('refuse figures that are no numbers, and numbers where figures keep their digits', () => {
    const catalogue = accepts(CatalogueSchema);
    const pattern = demoPattern('sluice-crank-3115');
    const withStroke = (low: unknown) => ({
      ...CATALOGUE,
      patterns: [{ ...pattern, dimensions: { 'crank.stroke': { low, high: '90', unit: 'mm' } } }],
    });
    expect(catalogue(withStroke('89.9'))).toBeTrue();
    for (const low of [89.9, 'NaN', '1e9', 'Infinity', '', '89,9', null])
      expect(catalogue(withStroke(low)))
        .withContext(String(low))
        .toBeFalse();
    const understood = accepts(UnderstoodSchema);
    const size = { sort: 'size', text: 'x', parameter: 'crank.stroke', unit: 'mm', instrument: 'rule' };
    for (const values of [[], [0], [-1], [NaN], [Infinity], ['90'], Array(51).fill(90)])
      expect(understood({ ...size, values }))
        .withContext(String(values))
        .toBeFalse();
  });
});
