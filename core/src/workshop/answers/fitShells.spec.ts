import type { Reading, Specimen } from '../../readings/reading';
import { say } from '../../quantity/sentence';
import { CATALOGUE, demoSpecimen, SPECIMENS } from '../../testing/demo';
import { measuredOnly, without } from '../../testing/specimens';
import { Workshop } from '../workshop';

const workshop = new Workshop(CATALOGUE);
const [CRANK, CASE] = [demoSpecimen('Terrace pump crank'), demoSpecimen('Terrace pump case')];
const RODS = SPECIMENS.filter(({ name }) => name.startsWith('Terrace rod'));
const words = (says: readonly Parameters<typeof say>[0][]): string => says.map((each) => say(each, 'metric')).join(' ');

describe('shells place by place', () => {
  const ask = (specimens: readonly Specimen[], bearing: 'mains' | 'bigEnds' = 'mains') =>
    workshop.ask('fitShells', { bearing, specimens: [...specimens] });

  // Common practice, no source: shells go by the pair of classes, position by position; marks that measure otherwise
  // are reported and never averaged.
  it('are told by mark and by measure, and a place where they disagree is named', () => {
    const { missing, places } = ask([CRANK, CASE]);
    expect(missing).toEqual([]);
    expect(places.map(({ disagree = false }) => disagree)).toEqual([false, false, true, false, false]);
    expect(words(places[2]?.says ?? [])).toContain('Its journal is not what its mark says');
    expect(places[2]?.byMark?.says).not.toBe(places[2]?.byMeasure?.says);
    // A thinner journal of the same housing takes a thicker shell.
    const walls = places.map(({ byMeasure }) => byMeasure?.wall.low ?? 0);
    expect(walls[0]).toBeGreaterThan(walls[1] ?? Infinity);
  });

  it('are told by what there is: marks alone, measures alone, or neither', () => {
    const marks = ask([without(CRANK, ({ sort }) => sort === 'size'), without(CASE, ({ sort }) => sort === 'size')]);
    expect(marks.places.every(({ byMark, byMeasure }) => byMark && !byMeasure)).toBeTrue();
    const measures = ask([without(CRANK, ({ sort }) => sort === 'mark'), without(CASE, ({ sort }) => sort === 'mark')]);
    expect(measures.places.some(({ byMark }) => byMark)).toBeFalse();
    expect(ask([CRANK]).missing).toEqual(['block']);
    expect(ask([]).missing).toEqual(['crank', 'block']);
  });

  it('are not told by measure at a place that nobody measured', () => {
    const some: Specimen = {
      ...CRANK,
      readings: CRANK.readings.map((reading) => {
        const { is } = reading;
        if (is.sort !== 'size' || is.parameter !== 'crank.mainJournal.diameter') return reading;
        const first = <T>(all: readonly T[] = []): T[] => all.slice(0, 4);
        return {
          ...reading,
          is: {
            ...is,
            values: first(is.values),
            positions: first(is.positions),
            levels: first(is.levels),
            axes: first(is.axes),
          },
        };
      }),
    };
    const { places } = ask([some, CASE]);
    expect(places.map(({ byMeasure }) => byMeasure !== undefined)).toEqual([true, false, false, false, false]);
    expect(words(places[1]?.says ?? [])).toContain('Its journal is not measured');
  });

  it('mixed halves come nearer to what is wanted than whole ones, where the maker allows them', () => {
    const off = (mixed: boolean) =>
      workshop
        .ask('fitShells', { bearing: 'mains', specimens: [CRANK, CASE], mixed })
        .places.map(({ byMeasure, required }) =>
          Math.abs((byMeasure?.clearance.low ?? 0) + (byMeasure?.clearance.high ?? 0) - required.low - required.high),
        );
    const [whole, mixed] = [off(false), off(true)];
    expect(mixed.every((each, at) => each <= (whole[at] ?? 0) + 1e-9)).toBeTrue();
    expect(mixed.some((each, at) => each < (whole[at] ?? 0) - 1e-9)).toBeTrue();
  });

  it('where none goes, the undersize that would is told', () => {
    const worn: Specimen = {
      ...without(CRANK, ({ sort }) => sort === 'mark'),
      readings: CRANK.readings.map((reading) =>
        reading.is.sort === 'size' && reading.is.parameter === 'crank.mainJournal.diameter'
          ? { ...reading, is: { ...reading.is, values: reading.is.values.map((value) => value - 0.06) } }
          : reading,
      ),
    };
    const { places } = ask([worn, CASE]);
    expect(places[0]?.byMeasure?.verdict).toBe('doesNotFit');
    expect(places[0]?.regrind?.step).toBe(1);
    expect(words(places[0]?.says ?? [])).toContain('Ground to');
  });

  it('of big ends go pin by pin with the rod that is on it', () => {
    const { places } = ask([CRANK, ...RODS], 'bigEnds');
    expect(places.length).toBe(4);
    expect(places.every(({ byMeasure }) => byMeasure?.verdict === 'fits')).toBeTrue();
  });
});

describe('shells from the shelf', () => {
  const { places } = workshop.ask('fitShells', { bearing: 'mains', specimens: [CRANK, CASE] });
  const wanted = (at: number) => places[at]?.byMeasure?.wall ?? { low: 0, high: 0 };
  const lying = (name: string, at: number, kind: Specimen['kind'] = 'mainShell') =>
    measuredOnly(name, kind, { wall: (wanted(at).low + wanted(at).high) / 2, 'housing.diameter': 56.01 });
  const ask = (...shelf: readonly Specimen[]) =>
    workshop
      .ask('fitShells', { bearing: 'mains', specimens: [CRANK, CASE], shelf: [...shelf] })
      .places.map(({ onShelf }) => onShelf?.name);

  it('are named in the place where they do, each once, and where mark and measure disagree in none', () => {
    // The third place is the one whose mark says otherwise.
    const all = ask(lying('a', 0), lying('b', 0), lying('c', 0), lying('d', 0), lying('e', 0));
    const named = all.filter((each) => each !== undefined);
    expect(named.length).toBeGreaterThan(0);
    expect(new Set(named).size).toBe(named.length);
    expect(all[2]).toBeUndefined();
    expect(ask(lying('one', 1)).filter((each) => each !== undefined)).toEqual(['one']);
  });

  it('are no shells of rods, none of another wall, and none that nobody measured or knows', () => {
    const thick = measuredOnly('thick', 'mainShell', { wall: wanted(0).high + 0.1, 'housing.diameter': 56.01 });
    const bare: Specimen = { ...lying('bare', 0), readings: [] };
    expect(ask(lying('of rods', 0, 'rodShell'), thick, bare).every((each) => each === undefined)).toBeTrue();
  });
});

describe('shells beside a crush strip', () => {
  const [FIRST] = CRANK.readings as [Reading, ...Reading[]];
  const squeezed = (width: number) =>
    workshop.ask('fitShells', {
      bearing: 'mains',
      strip: 'thin',
      specimens: [
        CASE,
        {
          ...CRANK,
          readings: [
            ...CRANK.readings,
            {
              ...FIRST,
              is: {
                sort: 'size',
                text: 'main strip 3',
                parameter: 'crank.mainJournal.strip',
                values: [width],
                positions: [3],
                unit: 'mm',
                instrument: 'sleeve',
              },
            },
          ],
        },
      ],
    }).places;

  it('have its clearance at the place where it lay, and a word where measuring says another', () => {
    const places = squeezed(2);
    expect(places.map(({ byStrip }) => byStrip !== undefined)).toEqual([false, false, true, false, false]);
    expect(places[2]?.byStrip?.clearance?.low).toBeLessThan(0.038);
    const [, , third] = squeezed(1.25);
    expect(words(third?.says ?? [])).toContain('by measure it is');
  });
});

describe('shells by the maker’s table', () => {
  const CLASS = 'crank.pinClass';
  const asked = (pins: string, ...rods: readonly string[]) =>
    workshop.ask('fitShells', {
      bearing: 'bigEnds',
      specimens: [marked(CRANK, pins, CLASS), ...RODS.map((rod, at) => marked(rod, rods[at] ?? '', 'rod.bigEndClass'))],
    }).places;
  const marked = (part: Specimen, characters: string, place: string): Specimen => ({
    ...without(part, (is) => is.sort === 'mark' && is.place === place),
    readings: [
      ...part.readings.filter(
        ({ is }) => !(is.sort === 'mark' && (is.place === place || is.characters.startsWith('P'))),
      ),
      { ...FIRST, is: { sort: 'mark', text: characters || 'no mark', characters, place } },
    ],
  });
  const [FIRST] = CRANK.readings as [Reading, ...Reading[]];

  // Common practice, no source: the pair of marks names the colour, and what was measured confirms it.
  it('names a colour for each pair of marks beside what measuring says', () => {
    const places = asked('P-AABB', '', 'B', '', 'B');
    expect(places.map(({ byMark }) => /red|green|blue/.exec(byMark?.says ?? '')?.[0])).toEqual([
      'red',
      'green',
      'green',
      'blue',
    ]);
    expect(places.every(({ byMark }) => byMark?.table === 'Tarrow table of rod shells')).toBeTrue();
    expect(places.every(({ byMeasure }) => byMeasure?.says.includes('red'))).toBeTrue();
  });

  it('says nothing where a mark was not looked at, and reports what measuring contradicts', () => {
    const [rod] = RODS;
    const unread = workshop.ask('fitShells', {
      bearing: 'bigEnds',
      specimens: [marked(CRANK, 'P-AABB', CLASS), ...(rod ? [without(rod, (is) => is.sort === 'mark')] : [])],
    });
    expect(unread.places.every(({ byMark }) => byMark === undefined)).toBeTrue();
    // Pins measured a class and a half larger than the mark has them: the thicker shell leaves too little.
    const large = (is: Reading['is']): Reading['is'] =>
      is.sort === 'size' && is.parameter === 'crank.crankpin.diameter'
        ? { ...is, values: is.values.map((value) => value + 0.01) }
        : is;
    const crank = marked(CRANK, 'P-BBBB', CLASS);
    const [place] = workshop.ask('fitShells', {
      bearing: 'bigEnds',
      specimens: [
        { ...crank, readings: crank.readings.map((reading) => ({ ...reading, is: large(reading.is) })) },
        ...RODS.map((each) => marked(each, 'B', 'rod.bigEndClass')),
      ],
    }).places;
    expect(place?.disagree).toBeTrue();
    expect(words(place?.says ?? [])).toContain('By its marks the table gives');
  });
});
