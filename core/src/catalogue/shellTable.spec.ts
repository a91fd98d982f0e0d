import type { Scheme } from './scheme';
import { shellTables, type MarkedParts, type MarkRead } from './shellTable';

const classSegment = (name: string, texts: readonly string[], least = 1): Scheme['segments'][number] => ({
  name,
  characters: 'lettersAndDigits',
  least,
  most: 1,
  gives: 'sizeClass',
  table: Object.fromEntries(texts.map((text) => [text, text])),
});
const scheme = (id: string, kind: 'crank' | 'block' | 'rod', more: Partial<Scheme> = {}): Scheme => ({
  id,
  name: `table ${id}`,
  kinds: [kind],
  segments: [1, 2, 3].map((at) => classSegment(`Class ${at}`, ['A', 'B'], at === 1 ? 1 : 0)),
  ...more,
});
const read = (characters: string): MarkRead => ({ characters });
const bare = (place: string): MarkRead => ({ characters: '', place });
const of = (kind: MarkedParts['kind'], ...marks: readonly MarkRead[][]): MarkedParts => ({
  kind,
  family: undefined,
  marks,
});
const SHELLS = new Set(['red', 'green', 'blue']);
/** What each of three positions gets. */
const given = (schemes: readonly Scheme[], parts: readonly MarkedParts[]): readonly string[] => {
  const [table] = shellTables(schemes, parts, SHELLS);
  return [1, 2, 3].map(
    (at) =>
      table
        ?.at(() => at)
        .map((halves) => halves.join('+'))
        .join('/') ?? 'no table',
  );
};

// Common practice, no source: rod marked or none and journal marked or none make four pairs and three colours.
describe('a maker’s table of shells', () => {
  const rods = scheme('rods', 'rod', { segments: [classSegment('Class', ['B'])], place: 'rod.bigEndClass' });
  const pins = scheme('pins', 'crank', {
    place: 'crank.pinClass',
    shellsBy: { second: 'rods' },
    shells: [
      { own: 'A', second: 'none', takes: 'red' },
      { own: 'A', second: 'B', takes: 'green' },
      { own: 'B', second: 'none', takes: 'green' },
      { own: 'B', second: 'B', takes: 'blue', half: 'green' },
      { own: 'none', second: 'none', takes: 'red' },
    ],
  });
  const row = (...marks: readonly MarkRead[]) => of('rod', ...marks.map((each) => [each]));

  it('is entered position by position, by marks and by the want of one', () => {
    const none = bare('rod.bigEndClass');
    expect(given([pins, rods], [of('crank', [read('ABB')]), row(none, none, read('B'))])).toEqual([
      'red',
      'green',
      'blue+green',
    ]);
    // A crank on which no mark stands where it should is of the class without one at all of its pins.
    expect(given([pins, rods], [of('crank', [bare('crank.pinClass')]), row(none, none, none)])).toEqual([
      'red',
      'red',
      'red',
    ]);
  });

  it('tells nothing of a place whose mark was not looked at, is gone, or stands elsewhere', () => {
    const parts = [read('B'), { ...read(''), place: 'rod.bigEndClass', gone: true }, bare('rod.beam')];
    expect(given([pins, rods], [of('crank', [read('AAA')]), row(...parts)])).toEqual(['green', '', '']);
    expect(given([pins, rods], [of('crank', [read('AAA')])])).toEqual(['no table', 'no table', 'no table']);
  });

  it('leaves open what may be read in two ways, unless the table gives one shell for both', () => {
    const none = bare('rod.bigEndClass');
    expect(given([pins, rods], [of('crank', [read('?AA')]), row(none, none, none)])).toEqual([
      'red/green',
      'red',
      'red',
    ]);
    const either = { ...pins, shells: pins.shells?.map((each) => ({ ...each, takes: 'red', half: undefined })) };
    const plain = { ...either, shells: either.shells?.map(({ half: _, ...each }) => each) } as Scheme;
    expect(given([plain, rods], [of('crank', [read('?AA')]), row(none, none, none)])[0]).toBe('red');
  });

  it('is entered by three marks where the maker has three', () => {
    const cases = scheme('cases', 'block', {
      shellsBy: { second: 'pins', third: 'rods' },
      shells: [
        { own: 'A', second: 'A', third: 'B', takes: 'red' },
        { own: 'A', second: 'A', third: 'none', takes: 'blue' },
      ],
    });
    const parts = [of('block', [read('AAB')]), of('crank', [read('AAA')]), row(read('B'), bare('rod.bigEndClass'))];
    expect(given([cases, { ...pins, shells: [] }, rods], parts)).toEqual(['red', 'blue', '']);
  });
});
