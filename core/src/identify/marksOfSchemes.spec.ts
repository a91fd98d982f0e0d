import type { Scheme } from '../catalogue/scheme';
import { readMark } from '../marks/markText';
import { CATALOGUE } from '../testing/demo';
import { schemeChance } from './schemeChance';
import { stampOffsets } from './sizeStamp';

const scheme = (id: string): Scheme => {
  const found = CATALOGUE.schemes.find((each) => each.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};

describe('a mark as one of a scheme', () => {
  it('is as likely as one over the texts the scheme has (by hand: three classes on each of five mains, two of them optional)', () => {
    // 'M' surely, then A, B or C on each of three mains, and with one chance in two each on two more.
    expect(schemeChance(scheme('tarrow-mains'), readMark('M-CABCA'))).toBeCloseTo((1 / 3) ** 5 / 4, 9);
    expect(schemeChance(scheme('tarrow-mains'), readMark('M-CAB'))).toBeCloseTo((1 / 3) ** 3 / 4, 9);
  });

  it('cannot be what the scheme has no place for', () => {
    expect(schemeChance(scheme('tarrow-mains'), readMark('M-CAD'))).toBe(0);
    expect(schemeChance(scheme('tarrow-mains'), readMark('CAB'))).toBe(0);
  });

  it('may have anything where a character cannot be read', () => {
    expect(schemeChance(scheme('tarrow-mains'), readMark('M-C?B'))).toBeCloseTo((1 / 3) ** 2 / 4, 9);
  });
});

describe('a figure as the stamp of a service size', () => {
  // Pistons and shells are stamped 020, 030 or 0.50, 50, STD: common practice, no source.
  it('is thou, or hundredths of a millimetre', () => {
    expect(stampOffsets(readMark('030'))).toEqual([jasmine.any(Number), jasmine.any(Number)]);
    expect(stampOffsets(readMark('030'))[0]).toBeCloseTo(0.762, 9);
    expect(stampOffsets(readMark('0.50'))[1]).toBeCloseTo(0.5, 9);
    expect(stampOffsets(readMark('STD'))).toEqual([0]);
  });

  it('is nothing for a number of another length, or with doubts', () => {
    expect(stampOffsets(readMark('41827'))).toEqual([]);
    expect(stampOffsets(readMark('0?0'))).toEqual([]);
    expect(stampOffsets(readMark('999'))).toEqual([]);
  });
});
