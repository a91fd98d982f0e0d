import type { DescribedId } from '../dictionary/dictionary';
import { monthsOf } from './claim';
import { readEntry } from './entryLine';
import { whyNot } from '../testing/whyNot';
import type { Understood } from './reading';

const one = (text: string, kind: DescribedId = 'crank'): Understood => {
  const { words } = readEntry(text, kind);
  expect(words.length).withContext(text).toBe(1);
  return words[0] ?? { sort: 'unread', text: '' };
};

describe('claims in the entry line', () => {
  it('take years, months, ranges and decades', () => {
    const cases: [string, string][] = [
      ['year 1962', '1962'],
      ['year 1962-64', '1962/1964'],
      ['years 1962-1964', '1962/1964'],
      ['year 3/1962', '1962-03'],
      ['built in 1960s', '1960/1969'],
    ];
    for (const [text, value] of cases)
      expect(one(text)).withContext(text).toEqual({ sort: 'claim', text, about: 'year', value });
  });

  it('refuse what is no year, and say how to write one', () => {
    for (const text of ['year 62', 'year 1262', 'year soon']) {
      const is = one(text);
      expect(whyNot(is))
        .withContext(text)
        .toMatch(/Write it like 1962/);
    }
  });

  it('take serials, with a prefix written apart', () => {
    expect(one('serial 4S7-01234')).toEqual(jasmine.objectContaining({ about: 'serial', value: '4S7-01234' }));
    expect(one('engine no AB 12345')).toEqual(jasmine.objectContaining({ about: 'serial', value: 'AB 12345' }));
  });

  it('take names of several words up to a comma, a quote or the next thing', () => {
    expect(one('machine "Orchard frost fan 4"')).toEqual(
      jasmine.objectContaining({ about: 'machine', value: 'Orchard frost fan 4' }),
    );
    expect(readEntry('machine Orchard frost fan 4, main 59.67', 'crank').words).toEqual([
      jasmine.objectContaining({ sort: 'claim', value: 'Orchard frost fan 4' }),
      jasmine.objectContaining({ sort: 'size' }),
    ]);
    expect(readEntry('engine 357 D main 59.67 mic', 'crank').words).toEqual([
      jasmine.objectContaining({ sort: 'claim', about: 'engine', value: '357 D' }),
      jasmine.objectContaining({ sort: 'size', parameter: 'crank.mainJournal.diameter' }),
    ]);
  });

  it('count a stretch of months with both ends (by hand)', () => {
    expect(monthsOf('1962')).toEqual({ first: 1962 * 12, last: 1962 * 12 + 11 });
    expect(monthsOf('1962-03')).toEqual({ first: 1962 * 12 + 2, last: 1962 * 12 + 2 });
    expect(monthsOf('1964/1962')).toBeUndefined();
  });
});

describe('service sizes in the entry line', () => {
  // Ten, twenty, thirty thou and quarters of a millimetre: common practice, no source.
  it('take thou, inches and millimetres under and over', () => {
    const cases: [string, DescribedId, string, number, 'mm' | 'in'][] = [
      ['main 10 under', 'crank', 'crank.mainJournal.diameter', -0.01, 'in'],
      ['main .010 under', 'crank', 'crank.mainJournal.diameter', -0.01, 'in'],
      ['pin 0.25 under', 'crank', 'crank.crankpin.diameter', -0.25, 'mm'],
      ['20 thou under main', 'crank', 'crank.mainJournal.diameter', -0.02, 'in'],
      ['pin -0.50', 'crank', 'crank.crankpin.diameter', -0.5, 'mm'],
      ['bore +30', 'block', 'block.bore', 0.03, 'in'],
      ['30 over', 'piston', 'piston.bore', 0.03, 'in'],
      ['+0.50', 'piston', 'piston.bore', 0.5, 'mm'],
      ['main std', 'crank', 'crank.mainJournal.diameter', 0, 'mm'],
      ['std mains', 'crank', 'crank.mainJournal.diameter', 0, 'mm'],
    ];
    for (const [text, kind, parameter, offset, unit] of cases) {
      expect(one(text, kind)).withContext(text).toEqual({ sort: 'step', text, parameter, offset, unit });
    }
  });

  it('name shells by their journal: ten under is half of ten thicker (common practice, no source)', () => {
    const is = one('wall 10 under', 'mainShell');
    expect(is.sort === 'step' ? is.offset : NaN).toBeCloseTo(0.005, 9);
  });

  it('ask which size is meant where a kind has several', () => {
    const is = one('10 under');
    expect(whyNot(is)).toContain('Say which size is under');
  });

  it('refuse a journal over and a size that is not made in steps', () => {
    expect(one('main 10 over').sort).toBe('unread');
    const is = one('stroke 10 under');
    expect(whyNot(is)).toContain('not made in service sizes');
  });

  it('leave a plain size alone', () => {
    expect(one('main 59.67').sort).toBe('size');
    expect(one('main 59.66-59.67 mm').sort).toBe('size');
  });
});

describe('marks without a figure', () => {
  it('are taken where making or place stands before them', () => {
    expect(one('stamped MABCBA')).toEqual(
      jasmine.objectContaining({ sort: 'mark', characters: 'MABCBA', making: 'stamped' }),
    );
    expect(one('main class B')).toEqual(
      jasmine.objectContaining({ sort: 'mark', characters: 'B', place: 'crank.mainClass' }),
    );
    expect(one('crown "front"', 'piston')).toEqual(
      jasmine.objectContaining({ sort: 'mark', characters: 'FRONT', place: 'piston.crown' }),
    );
    expect(one('weight letter (S)', 'piston')).toEqual(jasmine.objectContaining({ sort: 'mark', characters: '(S)' }));
  });

  it('take a dot or a dash for a mark', () => {
    expect(one('main class dot')).toEqual(jasmine.objectContaining({ sort: 'mark', characters: '•' }));
    expect(one('pin class two dashes')).toEqual(jasmine.objectContaining({ sort: 'mark', characters: '||' }));
  });

  it('do not swallow looks and sizes', () => {
    expect(readEntry('cast forged', 'crank').words.every((word) => word.sort === 'look')).toBeTrue();
    expect(one('6204', 'rollingBearing')).toEqual(jasmine.objectContaining({ sort: 'mark', characters: '6204' }));
  });
});
