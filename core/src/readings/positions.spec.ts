import type { KindId } from '../dictionary/dictionary';
import { readEntry } from './entryLine';

/** What is made of a line: size, values and positions; other words by their sort. */
const read = (kind: KindId, text: string) =>
  readEntry(text, kind).words.map((is) =>
    is.sort === 'size' ? [is.parameter, is.values, is.positions ?? 'repeats'] : is.sort,
  );

describe('sizes at one of several places', () => {
  const MAIN = 'crank.mainJournal.diameter';

  it('are read with the number after the name', () => {
    expect(read('crank', 'main 1 51.98 mic main 3 51.94 mic')).toEqual([
      [MAIN, [51.98], [1]],
      [MAIN, [51.94], [3]],
    ]);
    expect(read('crank', 'pin 4 52.00')).toEqual([['crank.crankpin.diameter', [52], [4]]]);
    expect(read('block', 'cyl 2 95.05 cylinder #3 95.06')).toEqual([
      ['block.bore', [95.05], [2]],
      ['block.bore', [95.06], [3]],
    ]);
    expect(read('crank', 'main no 2 51.97 mic main no.3 51.96')).toEqual([
      [MAIN, [51.97], [2]],
      [MAIN, [51.96], [3]],
    ]);
  });

  it('are read with the number before it', () => {
    expect(read('crank', '#3 main 51.94 no.1 main 51.98 2nd main 51.97')).toEqual([
      [MAIN, [51.94], [3]],
      [MAIN, [51.98], [1]],
      [MAIN, [51.97], [2]],
    ]);
  });

  it('may be measured several times at one place', () => {
    expect(read('crank', 'main 2 51.98/51.975 mic')).toEqual([[MAIN, [51.98, 51.975], [2, 2]]]);
  });

  it('are a list where several are named, or more than anyone repeats', () => {
    expect(read('crank', 'mains 51.99/51.98/51.965 mic')).toEqual([[MAIN, [51.99, 51.98, 51.965], [1, 2, 3]]]);
    expect(read('crank', 'main 51.99/51.99/51.98/51.965/51.99')).toEqual([
      [MAIN, [51.99, 51.99, 51.98, 51.965, 51.99], [1, 2, 3, 4, 5]],
    ]);
    expect(read('crank', '51.99/51.98 mains')).toEqual([[MAIN, [51.99, 51.98], [1, 2]]]);
  });

  it('are not seen in repeats, limits, counts and figures of something else', () => {
    expect(read('crank', 'main 59.67/59.66/59.67 mm mic')).toEqual([[MAIN, [59.67, 59.66, 59.67], 'repeats']]);
    expect(read('crank', 'mains 59.66-59.67')).toEqual([[MAIN, [59.66, 59.67], 'repeats']]);
    expect(read('crank', '5 mains')).toEqual(['look']);
    expect(read('crank', 'mains 5')).toEqual(['look']);
    expect(read('block', 'bore 4in 8 cylinders')).toEqual([['block.bore', [4], 'repeats'], 'look']);
    expect(read('block', 'bore 4 8 cylinders')).toEqual([['block.bore', [4], 'repeats'], 'look']);
    // There is one bore of a ring set: nobody knows which of the two it is.
    expect(read('rings', 'bore 2 116')).toEqual(['unread']);
  });
});
