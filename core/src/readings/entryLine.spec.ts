import fc from 'fast-check';
import { parameterOf } from '../dictionary/dictionary';
import { UNITS, type UnitId } from '../quantity/unit';
import { holds } from '../testing/laws';
import { whyNot } from '../testing/whyNot';
import { LONGEST_ENTRY, readEntry, whyUnread } from './entryLine';
import type { Understood } from './reading';

const one = (text: string, kind: 'crank' | 'block' | 'mainShell' = 'crank'): Understood => {
  const { words } = readEntry(text, kind);
  expect(words.length).withContext(text).toBe(1);
  return words[0] ?? { sort: 'unread', text: '' };
};

describe('the entry line', () => {
  it('reads the whole of a rebuilder’s line', () => {
    const entry = readEntry('crank cast 41?7 main 2.349in mic pin 52.05 stroke 3.375" forged 8 weights', 'block');
    expect(entry.kind).toBe('crank');
    expect(entry.words).toEqual([
      { sort: 'mark', text: 'cast 41?7', characters: '41?7', making: 'cast' },
      {
        sort: 'size',
        text: 'main 2.349in mic',
        parameter: 'crank.mainJournal.diameter',
        values: [2.349],
        figures: '2.349',
        unit: 'in',
        instrument: 'micrometer',
      },
      {
        sort: 'size',
        text: 'pin 52.05',
        parameter: 'crank.crankpin.diameter',
        values: [52.05],
        figures: '52.05',
        unit: 'mm',
        unitAssumed: true,
        instrument: 'micrometer',
        instrumentAssumed: true,
      },
      {
        sort: 'size',
        text: 'stroke 3.375"',
        parameter: 'crank.stroke',
        values: [3.375],
        figures: '3.375',
        unit: 'in',
        instrument: 'heightGauge',
        instrumentAssumed: true,
      },
      { sort: 'look', text: 'forged', feature: 'crank.material', option: 'forged' },
      { sort: 'look', text: '8 weights', feature: 'crank.counterweights', option: '8' },
    ]);
  });

  it('reads sizes however they are written', () => {
    const cases: [string, number[], UnitId][] = [
      ['main 1 15/16"', [1.9375], 'in'],
      ['stroke 4-1/4 in', [4.25], 'in'],
      ['main: 59,67', [59.67], 'mm'],
      ['main journal 59.67/59.66/59.67 mic', [59.67, 59.66, 59.67], 'mm'],
      ['main 59.66-59.67 mm', [59.66, 59.67], 'mm'],
      ['59.67 mm mic main', [59.67], 'mm'],
      ['main 2349 thou', [2349], 'thou'],
      ['main 2.349', [2.349], 'in'],
    ];
    for (const [text, values, unit] of cases) {
      const is = one(text);
      expect(is.sort === 'size' ? [is.values, is.unit] : is)
        .withContext(text)
        .toEqual([values, unit]);
    }
  });

  it('keeps the figures as they were written, with all their digits', () => {
    for (const [text, figures] of [
      ['pin 66.70 mic', '66.70'],
      ['main 59.67/59.660/59.67 mm', '59.67/59.660/59.67'],
      ['stroke 4-1/4 in', '4-1/4'],
    ] as const) {
      const is = one(text);
      expect(is.sort === 'size' ? is.figures : '').toBe(figures);
    }
  });

  it('reads words by the kind of part: main is a journal on a crank and a housing in a block', () => {
    expect(one('main 59.67')).toEqual(jasmine.objectContaining({ parameter: 'crank.mainJournal.diameter' }));
    expect(one('main 64.59', 'block')).toEqual(jasmine.objectContaining({ parameter: 'block.mainHousing.diameter' }));
    expect(one('5 mains', 'block')).toEqual(
      jasmine.objectContaining({ sort: 'look', feature: 'block.mainCount', option: '5' }),
    );
    expect(one('mains 5')).toEqual(jasmine.objectContaining({ sort: 'look', feature: 'crank.mainCount' }));
  });

  it('tells a cast crank from a casting number', () => {
    expect(one('cast')).toEqual(jasmine.objectContaining({ sort: 'look', option: 'cast' }));
    expect(readEntry('cast 6 weights', 'crank').words.map((word) => word.sort)).toEqual(['look', 'look']);
    expect(one('stamped flange F8')).toEqual(
      jasmine.objectContaining({ sort: 'mark', making: 'stamped', place: 'crank.flange', characters: 'F8' }),
    );
    expect(one('no mark on web')).toEqual(
      jasmine.objectContaining({ sort: 'mark', characters: '', place: 'crank.web' }),
    );
    expect(one('BS-1041?7')).toEqual(jasmine.objectContaining({ sort: 'mark', characters: 'BS-1041?7' }));
  });

  it('asks whether inches were meant when millimetres cannot be', () => {
    const is = one('main 2.349 mm mic');
    expect(whyNot(is)).toContain('Did you mean 2.349 in?');
    expect(whyUnread(is.text, 'crank').suggestion).toBe('main 2.349 in mic');
    expect(one('main 2.349 in mic').sort).toBe('size');
  });

  it('says what is missing or wrong, and keeps the words', () => {
    const cases: [string, RegExp][] = [
      ['main', /give its size after it/],
      ['59.67', /without a name/],
      ['main 99999', /cannot be a main journal/],
      ['main 30 deg', /is no length/],
      ['wobble', /No word of a crank/],
      ['cast 4[B8', /not closed/],
      ['99 weights', /cannot be a count/],
      ['mic', /after the size/],
      ['main NaN', /./],
    ];
    for (const [text, reason] of cases) {
      const { words } = readEntry(text, 'crank');
      expect(words.every((word) => word.sort === 'unread'))
        .withContext(text)
        .toBeTrue();
      expect(words.map((word) => whyNot(word)).join(' '))
        .withContext(text)
        .toMatch(reason);
      expect(words.map((word) => word.text).join(' ')).toBe(text);
    }
  });

  it('refuses more than it takes at once, and keeps it', () => {
    const long = 'main 59.67 '.repeat(1000).trim();
    expect(long.length).toBeGreaterThan(LONGEST_ENTRY);
    const is = one(long);
    expect(whyNot(is)).toMatch(/10,999 characters; the line takes 2,000/);
    expect(is.text).toBe(long);
  });

  it('never throws and never loses a word, whatever is typed', () => {
    const token = fc.oneof(
      fc.constantFrom(
        'main',
        'cast',
        '41?7',
        '2.349in',
        'mic',
        'forged',
        '8',
        'weights',
        'no',
        'mark',
        '"',
        '[B8',
        '1/2',
        'rope',
        '=',
        'on',
        'web',
        '-',
      ),
      fc.string({ maxLength: 6 }),
    );
    holds(
      fc.property(fc.array(token, { maxLength: 14 }), (typed) => {
        const text = typed.join(' ');
        const { words } = readEntry(text, 'crank');
        const said = words.map((word) => word.text).join(' ');
        for (const each of typed) {
          // Fillers, kinds and punctuation carry no reading; everything with a letter and a figure must be found again.
          if (/[A-Z\d[?]/i.test(each) && /^[\w?.[\]]+$/.test(each) && /[\d[?]/.test(each)) expect(said).toContain(each);
        }
        for (const word of words)
          if (word.sort === 'size') expect(UNITS[word.unit].quantity).toBe(parameterOf(word.parameter).quantity);
      }),
    );
  });

  it('keeps of what it did not understand the words alone, and tells why from them', () => {
    const token = fc.constantFrom(
      ...['main', '2.349 mm', '10 over', 'cast 4[B8', 'year 62', '99 weights', '41?7', 'mic', 'wobble', '33', 'pin'],
      ...['forged', 'web', 'rope', 'no', 'mark', 'seal', 'std', 'under', '+0.5', 'serial'],
    );
    holds(
      fc.property(fc.array(token, { maxLength: 8 }), (typed) => {
        for (const is of readEntry(typed.join(' '), 'crank').words) {
          if (is.sort !== 'unread') continue;
          expect(Object.keys(is)).toEqual(['sort', 'text']);
          const again = readEntry(is.text, 'crank').words.some(({ sort }) => sort === 'unread');
          expect(whyNot(is).startsWith('By itself')).withContext(typed.join(' ')).toBe(!again);
          expect(whyNot(is).length).toBeGreaterThan(20);
        }
      }),
      2000,
    );
  });

  it('says of words that were not understood on another kind of part that they are by themselves', () => {
    const [is] = readEntry('snap ring', 'crank').words;
    expect(is?.sort).toBe('unread');
    expect(whyUnread('snap ring', 'rollingBearing')).toEqual({
      reason: ['By itself this is understood: enter it once more, alone.'],
    });
  });
});
