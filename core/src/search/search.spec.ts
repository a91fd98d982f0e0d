import fc from 'fast-check';
import { say } from '../quantity/sentence';
import { EMPTY_CATALOGUE } from '../catalogue/catalogue';
import { CatalogueLookup } from '../catalogue/lookup';
import { normaliseMark } from '../marks/markText';
import { CATALOGUE, LOOKUP } from '../testing/demo';
import { CodeIndex } from './codeIndex';
import { indexSearch, searchCatalogue } from './search';
import { holds } from '../testing/laws';

const INDEX = indexSearch(LOOKUP);
const first = (text: string) => {
  const hit = searchCatalogue(INDEX, text).hits[0];
  return hit && `${hit.type} ${hit.id}`;
};
const ids = (text: string) => searchCatalogue(INDEX, text, 100).hits.map((hit) => hit.id);
const because = (text: string) =>
  (searchCatalogue(INDEX, text).hits[0]?.because ?? []).map((sentence) => say(sentence, 'metric')).join('; ');

describe('the search of the catalogue', () => {
  it('finds a number however it is spaced, dashed or cased', () => {
    for (const text of ['BS-104187', 'bs104187', 'BS 104 187', 'bs.104-187'])
      expect(first(text)).withContext(text).toBe('pattern sluice-crank-3375-forged');
  });

  it('finds a worn or misread one, and says that it slipped', () => {
    expect(ids('41?7').slice(0, 3).sort()).toEqual([
      'sluice-crank-3115',
      'sluice-crank-3375-cast',
      'sluice-crank-3375-forged',
    ]);
    expect(first('bs1o4l87')).toBe('pattern sluice-crank-3375-forged');
    expect(because('bs1o4l87')).toBe('part number BS-104187, read with a slip');
    expect(first('H73I4')).toBe('pattern skerry-crank-4-112');
  });

  it('finds more records than an argument list of the language has room for', () => {
    // V8 gives up on a spread of some 125,000 arguments.
    const makers = Array.from({ length: 130_000 }, (_, at) => ({ id: `m-${at}`, name: 'Zeppelin works' }));
    const { count, hits } = searchCatalogue(
      indexSearch(new CatalogueLookup({ ...EMPTY_CATALOGUE, makers })),
      'zeppelin',
      3,
    );
    expect([count, hits.length]).toEqual([130_000, 3]);
  });

  it('says of an old number what replaced it', () => {
    const old = CATALOGUE.patterns.flatMap((pattern) => pattern.numbers.filter((number) => number.replacedBy)).at(0);
    expect(because(old?.number ?? '')).toBe(`old part number ${old?.number ?? ''}, now ${old?.replacedBy ?? ''}`);
  });

  it('finds by size and step together', () => {
    const found = ids('piston 116 +0.5');
    expect(found.length).toBeGreaterThan(3);
    for (const id of found) {
      const { low, service = ['0.50'] } = LOOKUP.pattern(id)?.dimensions['piston.bore'] ?? { low: '0' };
      expect([Number(low), service.map(Number).includes(0.5)]).toEqual([116, true]);
    }
    expect(ids('4.000 piston 30 over')).toEqual(ids('piston 4 in +30'));
    // A piston listed at that size is found beside those that are made at the step.
    const listed = ids('piston 116.5').filter((id) => LOOKUP.pattern(id)?.dimensions['piston.bore']?.low === '116.0');
    expect(listed.slice(0, found.length).sort()).toEqual([...found].sort());
  });

  it('takes a figure as millimetres and as inches', () => {
    expect(ids('crank main 59.67')).toContain('sluice-crank-3375-forged');
    expect(ids('crank main 2.349')).toContain('sluice-crank-3375-forged');
    expect(ids('crank stroke 3 3/8')).toEqual(ids('crank stroke 3.375 in'));
  });

  it('knows the words of both dialects', () => {
    expect(ids('sleeve')).toEqual(ids('liner'));
    expect(ids('gudgeon pin 40')).toEqual(ids('wrist pin 40'));
    expect(ids('tappet')).toEqual(ids('lifter'));
    expect(ids('crank rod journal 52.05')).toEqual(ids('crank crankpin 52.05'));
  });

  it('finds by look, count, name and machine', () => {
    expect(ids('sluice crank forged')).toEqual(['sluice-crank-3375-forged', 'sluice-crank-3905-forged']);
    expect(ids('crank 8 weights')).toContain('sluice-crank-3375-forged');
    expect(first('skerry 4.7')).toBe('variant skerry-47');
    expect(searchCatalogue(INDEX, 'orchard fan').hits.every((hit) => hit.type === 'variant')).toBeTrue();
    expect(first('brackmere')).toMatch(/^(maker|family)/);
  });

  it('answers each word of a line, or says for which it found nothing', () => {
    expect(searchCatalogue(INDEX, 'skerry crank xyzzy').without).toEqual(['xyzzy']);
    expect(searchCatalogue(INDEX, 'xyzzy').count).toBe(0);
    expect(searchCatalogue(INDEX, '  ').count).toBe(0);
    expect(() => searchCatalogue(INDEX, '[[[ ?? "" +')).not.toThrow();
  });

  it('does not care in which order words stand', () => {
    const words = ['sluice', 'forged', 'crank', 'BS-104187'];
    holds(
      fc.property(fc.shuffledSubarray(words, { minLength: 4 }), (order) => {
        expect(ids(order.join(' '))).toEqual(ids(words.join(' ')));
      }),
    );
  });
});

describe('the index of numbers', () => {
  const numbers = CATALOGUE.patterns.flatMap((pattern) => pattern.numbers.map((number) => number.number));
  const index = new CodeIndex(numbers);

  it('finds every number by itself first', () => {
    for (const number of new Set(numbers))
      expect(index.codes[index.find(number, 1)[0]?.code ?? -1]).toBe(normaliseMark(number));
  });

  it('finds a number of which one character cannot be read, among the first few', () => {
    holds(
      fc.property(
        fc.constantFrom(...numbers.map(normaliseMark).filter((number) => number.length >= 6)),
        fc.nat(),
        (number, at) => {
          const worn = number.slice(0, at % number.length) + '?' + number.slice((at % number.length) + 1);
          const found = index.find(worn, 10).map((match) => index.codes[match.code]);
          expect(found).withContext(worn).toContain(number);
        },
      ),
    );
  });

  it('leaves nothing behind between searches', () => {
    const once = index.find('BS-104187', 20);
    index.find('HV-7314', 20);
    expect(index.find('BS-104187', 20)).toEqual(once);
  });
});
