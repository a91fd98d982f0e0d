import fc from 'fast-check';
import { CATALOGUE, LOOKUP } from '../testing/demo';
import { decode, MOST_WAYS, type Scheme, type Segment } from './scheme';
import { holds } from '../testing/laws';

const segment = (name: string, more: Partial<Segment>): Segment => ({
  name,
  characters: 'digits',
  least: 1,
  most: 1,
  gives: 'text',
  ...more,
});
const scheme = (...segments: Segment[]): Scheme => ({ id: 'a-scheme', name: 'A scheme', kinds: [], segments });
const demo = (id: string): Scheme => {
  const found = CATALOGUE.schemes.find((each) => each.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};

/**
 * Every way to cut a text into the segments, the longest piece first: what stands at which segment. Pieces left out are
 * not told.
 */
function cuts(segments: readonly Segment[], text: string, from = 0): (readonly [at: number, piece: string])[][] {
  const [first, ...rest] = segments;
  if (!first) return text === '' ? [[]] : [];
  const may = { digits: /^[0-9]*$/, letters: /^[A-Z]*$/, lettersAndDigits: /^[A-Z0-9]*$/, exactly: /^$/ }[
    first.characters
  ];
  return Array.from({ length: first.most - first.least + 1 }, (_, less) => first.most - less)
    .filter((length) => length <= text.length && may.test(text.slice(0, length)))
    .flatMap((length) =>
      cuts(rest, text.slice(length), from + 1).map((cut) =>
        length === 0 ? cut : [[from, text.slice(0, length)] as const, ...cut],
      ),
    );
}

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
    const optional = scheme(
      segment('Works', { characters: 'letters', least: 0, gives: 'plant' }),
      segment('Number', { least: 3, most: 3, gives: 'serial' }),
    );
    expect(decode(optional, '123').readings[0]?.segments.map((each) => each.text)).toEqual(['123']);
    expect(decode(optional, 'K123').readings[0]?.segments.map((each) => each.text)).toEqual(['K', '123']);
  });

  it('is read as a walk through every cut reads it', () => {
    const pieces = fc.record({
      least: fc.nat(2),
      more: fc.nat(2),
      characters: fc.constantFrom('digits' as const, 'letters' as const, 'lettersAndDigits' as const),
    });
    const any = fc.array(pieces, { minLength: 1, maxLength: 4 }).map((all) =>
      scheme(
        ...all.map(({ least, more, characters }, at) =>
          segment(`No. ${at}`, {
            least,
            most: Math.max(1, least + more),
            characters,
            gives: at % 2 === 0 ? 'yearDigit' : 'text',
          }),
        ),
      ),
    );
    holds(
      fc.property(any, fc.stringMatching(/^[A-C0-3]{1,6}$/), (one, text) => {
        const years = { from: '1961', to: '1963' };
        const { readings, more } = decode(one, text, years);
        const plain = cuts(one.segments, text).filter((cut) => {
          const told = cut.filter(([at]) => at % 2 === 0).map(([, piece]) => Number(piece.replace(/\D/g, '')));
          return told.length === 0 || [1961, 1962, 1963].some((year) => told.every((figure) => year % 10 === figure));
        });
        expect(readings.map((reading) => reading.segments.map((each) => each.text))).toEqual(
          plain.slice(0, MOST_WAYS).map((cut) => cut.map(([, piece]) => piece)),
        );
        expect(more === true).toBe(plain.length > MOST_WAYS);
      }),
    );
  });

  it('that leaves nearly everything open costs no more than its table, and says that there is more', () => {
    // Plain enumeration of these cuts would take some 10^15 steps: it would never end.
    const open = scheme(...Array.from({ length: 20 }, (_, at) => segment(`No. ${at}`, { least: 0, most: 20 })));
    const { readings, more } = decode(open, '1'.repeat(60));
    expect(readings.length).toBe(MOST_WAYS);
    expect(more).toBeTrue();
    const never = scheme(...open.segments.slice(0, 19), segment('Year figure', { gives: 'yearDigit' }));
    expect(decode(never, '1'.repeat(60), { from: '1962', to: '1969' }).problem).toContain('no such year');
    expect(decode(never, `${'1'.repeat(59)}X`).problem).toContain('“X” cannot be year figure');
  });

  it('takes an exact text at its length', () => {
    const exact = scheme(
      segment('Mark', { characters: 'exactly', text: 'M-', least: 1, most: 1 }),
      segment('Class', { characters: 'letters' }),
    );
    expect(decode(exact, 'M-A').readings.length).toBe(1);
    expect(decode(exact, 'NA').problem).toContain('cannot be mark');
  });

  it('joins decade and figure', () => {
    const serial = demo('halvorn-serial');
    expect(decode(serial, '4S7-01234', LOOKUP.yearsOf('skerry')).readings.map((reading) => reading.years)).toEqual([
      [1987],
    ]);
    for (const [told, year] of [
      ['1980s', 1987],
      ['198', 1987],
      ['80', 1987],
      ['8', 1987],
    ] as const) {
      const both = scheme(
        segment('Decade', { characters: 'letters', gives: 'decade', table: { S: told } }),
        segment('Figure', { gives: 'yearDigit' }),
      );
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
    holds(
      fc.property(fc.stringMatching(/^[A-Z0-9 -]{0,12}$/), (text) => {
        const length = text.replace(/[^A-Z0-9]/g, '').length;
        for (const { segments } of decode(DATE, text).readings)
          expect(segments.reduce((sum, each) => sum + each.text.length, 0)).toBe(length);
      }),
    );
  });
});
