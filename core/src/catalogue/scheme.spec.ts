import fc from 'fast-check';
import { CATALOGUE, LOOKUP } from '../testing/demo';
import { decode, type Scheme, type Segment } from './scheme';

const segment = (name: string, more: Partial<Segment>): Segment => ({ name, characters: 'digits', least: 1, most: 1, gives: 'text', ...more });
const scheme = (...segments: Segment[]): Scheme => ({ id: 'a-scheme', name: 'A scheme', kinds: [], segments });
const demo = (id: string): Scheme => {
  const found = CATALOGUE.schemes.find((each) => each.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};

const DATE = scheme(
  segment('Month', { characters: 'letters', gives: 'month', table: { A: 'January', B: 'February' } }),
  segment('Day', { most: 2, gives: 'day' }),
  segment('Year figure', { gives: 'yearDigit' }),
);

describe('a mark scheme', () => {
  it('tells each segment by its table', () => {
    const { readings } = decode(DATE, 'B147', { from: '1960', to: '1969' });
    expect(readings.length).toBe(1);
    expect(readings[0]?.segments.map((each) => [each.text, each.meaning])).toEqual([
      ['B', 'February'],
      ['14', '14'],
      ['7', '7'],
    ]);
    expect(readings[0]?.years).toEqual([1967]);
  });

  it('leaves a year open that one figure does not settle, and cuts it by the family’s years', () => {
    expect(decode(DATE, 'A17', { from: '1958', to: '1996' }).readings[0]?.years).toEqual([1967, 1977, 1987]);
    expect(decode(DATE, 'A17', { from: '1970', to: '1979' }).readings[0]?.years).toEqual([1977]);
    expect(decode(DATE, 'A17').readings[0]?.years.length).toBe(20);
    expect(decode(DATE, 'A17', { from: '1968', to: '1969' })).toEqual({
      readings: [],
      problem: jasmine.stringContaining('no such year is among those of the family'),
    });
  });

  it('skips what people put between the characters', () => {
    for (const text of ['B 14 7', 'b-14-7', 'B.14/7'])
      expect(decode(DATE, text, { from: '1960', to: '1969' }).readings.length)
        .withContext(text)
        .toBe(1);
  });

  it('gives every way in which a number can be cut up', () => {
    const two = scheme(segment('One', { most: 2 }), segment('Two', { most: 2 }));
    expect(decode(two, '123').readings.map((reading) => reading.segments.map((each) => each.text))).toEqual([
      ['12', '3'],
      ['1', '23'],
    ]);
  });

  it('may have a segment that need not be there', () => {
    const optional = scheme(segment('Works', { characters: 'letters', least: 0, gives: 'plant' }), segment('Number', { least: 3, most: 3, gives: 'serial' }));
    expect(decode(optional, '123').readings[0]?.segments.map((each) => each.text)).toEqual(['123']);
    expect(decode(optional, 'K123').readings[0]?.segments.map((each) => each.text)).toEqual(['K', '123']);
  });

  it('takes an exact text at its length', () => {
    const exact = scheme(segment('Mark', { characters: 'exactly', text: 'M-', least: 1, most: 1 }), segment('Class', { characters: 'letters' }));
    expect(decode(exact, 'M-A').readings.length).toBe(1);
    expect(decode(exact, 'NA').problem).toContain('cannot be mark');
  });

  it('joins decade and figure', () => {
    const serial = demo('halvorn-serial');
    expect(decode(serial, '4S7-01234', LOOKUP.yearsOf('skerry')).readings.map((reading) => reading.years)).toEqual([[1987]]);
    for (const [told, year] of [
      ['1980s', 1987],
      ['198', 1987],
      ['80', 1987],
      ['8', 1987],
    ] as const) {
      const both = scheme(segment('Decade', { characters: 'letters', gives: 'decade', table: { S: told } }), segment('Figure', { gives: 'yearDigit' }));
      expect(decode(both, 'S7', { from: '1900', to: '1999' }).readings[0]?.years)
        .withContext(told)
        .toContain(year);
    }
  });

  it('says how far it came and what is wrong there', () => {
    expect(decode(DATE, '').problem).toBe('There is nothing to read.');
    expect(decode(DATE, 'B').problem).toBe('After “B” day is missing.');
    expect(decode(DATE, 'Z147').problem).toContain('cannot be month: its table has A, B');
    expect(decode(DATE, 'B1478').problem).toContain('follows');
  });

  it('never takes a number for more characters than it has', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[A-Z0-9 -]{0,12}$/), (text) => {
        const length = text.replace(/[^A-Z0-9]/g, '').length;
        for (const { segments } of decode(DATE, text).readings) expect(segments.reduce((sum, each) => sum + each.text.length, 0)).toBe(length);
      }),
    );
  });
});
