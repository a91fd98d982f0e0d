import type { KindId } from '../dictionary/dictionary';
import { readEntry } from './entryLine';
import { placesAsked } from './placesAsked';
import type { SizeReading } from './reading';

const sizes = (kind: KindId, text: string) =>
  readEntry(text, kind).words.filter((is): is is SizeReading => is.sort === 'size');
const spots = (kind: KindId, text: string) =>
  sizes(kind, text).map(({ values, positions, levels, axes }) => ({
    values,
    ...(positions ? { positions } : {}),
    ...(levels ? { levels } : {}),
    ...(axes ? { axes } : {}),
  }));

describe('sizes in two directions and at several heights', () => {
  it('are read with a cross between the directions', () => {
    expect(spots('crank', 'main 2 51.98x51.96 mic')).toEqual([
      { values: [51.98, 51.96], positions: [2, 2], axes: [1, 2] },
    ]);
    expect(spots('piston', 'pin bore 20.01 x 20.00 mm')).toEqual([{ values: [20.01, 20], axes: [1, 2] }]);
  });

  it('are read with the height before them, one after the other', () => {
    expect(spots('block', 'cyl 2 top 95.06 mid 95.05 bottom 95.03 bore gauge')).toEqual([
      { values: [95.06, 95.05, 95.03], positions: [2, 2, 2], levels: ['top', 'middle', 'bottom'] },
    ]);
    expect(spots('block', 'cyl 3 top 95.06x95.04 bottom 95.03x95.02')).toEqual([
      {
        values: [95.06, 95.04, 95.03, 95.02],
        positions: [3, 3, 3, 3],
        levels: ['top', 'top', 'bottom', 'bottom'],
        axes: [1, 2, 1, 2],
      },
    ]);
  });

  it('are read with the direction in words', () => {
    expect(spots('block', 'cyl 1 across 95.06 along 95.02')).toEqual([
      { values: [95.06, 95.02], positions: [1, 1], axes: [2, 1] },
    ]);
    expect(spots('crank', 'main 1 front 51.98 rear 51.95 mic')).toEqual([
      { values: [51.98, 51.95], positions: [1, 1], levels: ['top', 'bottom'] },
    ]);
  });

  it('go from the top down where two or three pairs stand in a row, and by place under a name in the plural', () => {
    expect(spots('block', 'cyl 4 95.06x95.04/95.05x95.03/95.03x95.02')[0]?.levels).toEqual([
      'top',
      'top',
      'middle',
      'middle',
      'bottom',
      'bottom',
    ]);
    expect(spots('crank', 'mains 51.98x51.97/51.99x51.98')).toEqual([
      { values: [51.98, 51.97, 51.99, 51.98], positions: [1, 1, 2, 2], axes: [1, 2, 1, 2] },
    ]);
  });

  it('are not seen where a cross stands between two different sizes', () => {
    expect(spots('liner', 'flange 120x9')).toEqual([]);
    // What is left over may say that the first is none of it either.
    expect(spots('liner', 'flange 120 x 9 mm')).toEqual([]);
    expect(spots('liner', 'flange 120, 9 mm')).toEqual([{ values: [120] }]);
  });
});

describe('figures that may be repeats or places', () => {
  const assumed = (text: string) =>
    sizes('crank', text).map(({ positions, positionsAssumed }) => [
      positions?.length ?? 'repeats',
      positionsAssumed ?? false,
    ]);

  it('are asked about where only their number tells', () => {
    expect(assumed('main 59.67/59.66/59.67 mic')).toEqual([['repeats', true]]);
    expect(assumed('main 51.99/51.99/51.98/51.965/51.99')).toEqual([[5, true]]);
  });

  it('are either, as somebody answers', () => {
    const [three] = sizes('crank', 'main 59.67/59.66/59.67 mic');
    const asked = three && placesAsked(three);
    expect(asked?.places.positions).toEqual([1, 2, 3]);
    expect(asked?.repeats.positions).toBeUndefined();
    expect(asked && [placesAsked(asked.places), placesAsked(asked.repeats)]).toEqual([undefined, undefined]);
    const [pairs] = sizes('crank', 'main 51.98x51.97/51.98x51.97/51.99x51.98/51.98x51.97 mic');
    expect(pairs?.positions).toEqual([1, 1, 2, 2, 3, 3, 4, 4]);
    expect(pairs && placesAsked(pairs)?.places.positions).toEqual([1, 1, 2, 2, 3, 3, 4, 4]);
  });

  it('are not where a word says so, or there is one of it', () => {
    expect(assumed('mains 51.99/51.98')).toEqual([[2, false]]);
    expect(assumed('main 2 51.99/51.98')).toEqual([[2, false]]);
    expect(assumed('stroke 80.01/80.02')).toEqual([['repeats', false]]);
  });
});

describe('a rod named on a crank', () => {
  it('is the pin that it runs on', () => {
    const { kind, words } = readEntry('rod 4 52.02 mic', 'crank');
    expect(kind).toBeUndefined();
    expect(words).toEqual([
      jasmine.objectContaining({ parameter: 'crank.crankpin.diameter', values: [52.02], positions: [4] }),
    ]);
  });

  it('names the kind of part as before where no size stands after it', () => {
    expect(readEntry('rod', 'crank').kind).toBe('rod');
    expect(readEntry('rod cast 4187', 'crank').kind).toBe('rod');
  });
});
