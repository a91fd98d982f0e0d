import type { Reading, Specimen } from '../../readings/reading';
import { say } from '../../quantity/sentence';
import { DataError } from '../../formats';
import { CATALOGUE, SPECIMENS } from '../../testing/demo';
import { Workshop } from '../workshop';

const workshop = new Workshop(CATALOGUE);
const named = (name: string): Specimen => {
  const found = SPECIMENS.find((each) => each.name === name);
  if (!found) throw new RangeError(`The demo has no ${name}.`);
  return found;
};
const [CRANK, CASE] = [named('Terrace pump crank'), named('Terrace pump case')];
const PISTONS = SPECIMENS.filter(({ name }) => name.startsWith('Terrace piston'));
const RODS = SPECIMENS.filter(({ name }) => name.startsWith('Terrace rod'));
const without = (specimen: Specimen, drops: (is: Reading['is']) => boolean): Specimen => ({
  ...specimen,
  readings: specimen.readings.filter(({ is }) => !drops(is)),
});
const words = (says: readonly Parameters<typeof say>[0][]): string => says.map((each) => say(each, 'metric')).join(' ');

describe('a measuring sheet of the demo', () => {
  it('holds each place against what it was made to, its roundness and its taper', () => {
    const sheet = workshop.ask('fitSheet', { specimen: CRANK, sheet: 'crank.mainJournal.diameter' });
    expect(sheet.places).toBe(5);
    expect(sheet.judged.map(({ position }) => position)).toEqual([1, 2, 3, 4, 5]);
    expect(sheet.judged.every(({ step }) => step === 0)).toBeTrue();
    // One quarter of a millimetre is the first undersize of that crank.
    expect(sheet.cleansUp?.step).toBe(1);
    expect((sheet.specified?.high ?? 0) - (sheet.cleansUp?.size.high ?? 0)).toBeCloseTo(0.25, 6);
    const oval = workshop.ask('fitSheet', {
      specimen: named('Lumen crank, a main gone oval'),
      sheet: 'crank.mainJournal.diameter',
    });
    expect(oval.judged.map(({ verdict }) => verdict)).toEqual(['fits', 'fits', 'doesNotFit', 'fits', 'fits']);
    expect(words(oval.judged[2]?.says ?? [])).toContain('out of round');
  });

  it('says what the tool in hand does not tell', () => {
    const byCaliper: Specimen = {
      ...CRANK,
      readings: CRANK.readings.map((reading) =>
        reading.is.sort === 'size' ? { ...reading, is: { ...reading.is, instrument: 'caliper' } } : reading,
      ),
    };
    const tool = workshop.ask('fitSheet', { specimen: byCaliper, sheet: 'crank.mainJournal.diameter' }).tool;
    // Common practice, no source: a class step of eight microns needs a micrometer.
    expect(tool && say(tool.says, 'metric')).toContain('take a micrometer');
    expect(workshop.ask('fitSheet', { specimen: CRANK, sheet: 'crank.mainJournal.diameter' }).tool).toBeUndefined();
    // A family whose parts carry no classes has none to tell.
    const plain = workshop.ask('fitSheet', {
      specimen: named('Frost fan crank, bin 4'),
      sheet: 'crank.mainJournal.diameter',
    });
    expect(plain.tool).toBeUndefined();
  });

  it('is of a part that has it', () => {
    expect(() => workshop.ask('fitSheet', { specimen: CASE, sheet: 'crank.mainJournal.diameter' })).toThrowError(
      DataError,
    );
    expect(() => workshop.ask('fitSheet', { sheet: 'crank.mainJournal.diameter' })).toThrowError(
      DataError,
      /no such part/,
    );
  });
});

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

describe('pistons seated in measured bores', () => {
  const [FIRST] = CASE.readings as [Reading, ...Reading[]];
  const measured = (values: readonly number[]): Specimen => ({
    ...CASE,
    readings: [
      ...CASE.readings,
      {
        ...FIRST,
        is: {
          sort: 'size',
          text: 'bores',
          parameter: 'block.bore',
          values: [...values],
          positions: values.map((_, at) => at + 1),
          unit: 'mm',
          instrument: 'boreGauge',
        },
      },
    ],
  });
  const seated = (block: Specimen, pistons = PISTONS) => workshop.ask('fitBores', { specimen: block, pistons }).seating;

  it('are told for a block of which every bore was measured, and for no other', () => {
    const found = seated(measured([78.01, 78.012, 78.008, 77.98]));
    expect(found?.seated.map(({ cylinder }) => cylinder)).toEqual([1, 2, 3, 4]);
    expect(new Set(found?.seated.map(({ piston }) => piston)).size).toBe(4);
    for (const { piston } of found?.seated ?? []) expect(PISTONS.map(({ id }) => id)).toContain(piston);
    // A bore that leaves hardly anything round any of them is honed.
    expect(found?.seated[3]?.honeTo?.low).toBeGreaterThan(77.98);
    expect(seated(measured([78.01, 78.012]))).toBeUndefined();
    expect(seated(measured([78.01, 78.012, 78.008, 77.98]), PISTONS.slice(0, 3))).toBeUndefined();
    expect(seated(CASE)).toBeUndefined();
  });
});

describe('sets of the demo', () => {
  const by = [
    { of: 'piston.mass', allowed: 4 },
    { of: 'piston.skirt.diameter', allowed: 0.012 },
  ];

  it('are four of eleven pistons, with who goes on which rod', () => {
    const set = workshop.ask('fitSets', {
      pool: PISTONS,
      count: 4,
      by,
      partners: [{ specimens: RODS, by: 'rod.mass' }],
    });
    expect(PISTONS.length).toBe(11);
    const [own] = set.sets;
    expect(own?.chosen.length).toBe(4);
    expect(own?.within).toBeTrue();
    expect(set.left.length).toBe(7);
    expect((set.next?.spreads[0] ?? 0) / 4 + (set.next?.spreads[1] ?? 0) / 0.012).toBeGreaterThanOrEqual(
      (own?.spreads[0] ?? 0) / 4 + (own?.spreads[1] ?? 0) / 0.012,
    );
    const sums = set.throws.map(({ sum }) => sum);
    expect(Math.max(...sums) - Math.min(...sums)).toBeCloseTo(set.throwsSpread ?? Number.NaN, 9);
    expect(set.throwsProved).toBeTrue();
    expect(new Set(set.throws.map(({ pieces }) => pieces[1])).size).toBe(4);
    // Nobody weighed the ends of those rods, nor any pin.
    expect(set.bobweight).toBeUndefined();
  });

  // Common practice, no source: on a crankpin of two rods hang both big ends and half of all that goes up and down.
  it('go with rods and pins to throws that weigh alike, and tell the bobweight', () => {
    const weighed = (
      specimen: Specimen,
      kind: Specimen['kind'],
      sizes: Readonly<Record<string, number>>,
    ): Specimen => ({
      ...specimen,
      kind,
      readings: Object.entries(sizes).map(([parameter, value], at) => ({
        id: `${specimen.id.slice(0, -2)}${at}0`,
        at: '2026-10-05T09:00:00Z',
        is: { sort: 'size', text: parameter, parameter, values: [value], unit: 'g', instrument: 'scale' },
      })),
    });
    const rods = RODS.map((each, at) =>
      weighed(each, 'rod', { 'rod.mass.bigEnd': 300 + at, 'rod.mass.smallEnd': 120 + 2 * at }),
    );
    const pins = RODS.map((each, at) => weighed({ ...each, name: `pin ${at}` }, 'pin', { 'pin.mass': 80 + 3 * at }));
    const set = workshop.ask('fitSets', {
      pool: PISTONS,
      count: 4,
      by: [{ of: 'piston.mass', allowed: 10 }],
      partners: [
        { specimens: rods, by: 'rod.mass.smallEnd' },
        { specimens: pins, by: 'pin.mass' },
      ],
      balance: { factor: 0.5, rods: 2 },
    });
    expect(set.throws.every(({ pieces }) => pieces.length === 3)).toBeTrue();
    const mean = (all: readonly number[]) => all.reduce((sum, each) => sum + each, 0) / all.length;
    const pistons = mean((set.sets[0]?.chosen ?? []).map(({ figures }) => figures[0] ?? 0));
    expect(set.bobweight?.weight).toBeCloseTo(2 * (301.5 + 0.5 * (pistons + 84.5 + 123)), 9);
  });

  it('are told for two engines of one kind from one shelf, no piece in both', () => {
    const asked = workshop.ask('fitSets', { pool: PISTONS, count: 4, engines: 2, by });
    const ids = asked.sets.flatMap(({ chosen }) => chosen.map(({ id }) => id));
    expect(asked.sets.length).toBe(2);
    expect(new Set(ids).size).toBe(8);
    expect(asked.left.length).toBe(PISTONS.length - 8);
    expect(say(asked.says, 'metric')).toContain('no piece in two of them');
    const tooMany = workshop.ask('fitSets', { pool: PISTONS, count: 4, engines: 3, by });
    expect(tooMany.sets).toEqual([]);
    expect(say(tooMany.says, 'metric')).toContain('There are no 3 sets of 4');
  });

  // Common practice, no source: each engine has pistons of one type, but two engines need not have the same.
  it('for two engines may be of a type each', () => {
    const other = PISTONS.slice(0, 2).map((each, at): Specimen => ({
      ...each,
      id: each.id.replace(/..$/, `f${at}`),
      confirmed: { pattern: 'lumen-piston-78-70', by: 'known', at: '2026-10-05T09:00:00Z' },
    }));
    const asked = workshop.ask('fitSets', { pool: [...PISTONS.slice(2, 5), ...other], count: 2, engines: 2, by });
    expect(asked.sets.length).toBe(2);
    expect(new Set(asked.sets.map(({ of }) => of)).size).toBe(2);
  });

  // Common practice, no source: pistons of one engine are of one type.
  it('are of one type, and say what is missing where there are too few', () => {
    const other = named('Piston, two valve pockets');
    const set = workshop.ask('fitSets', { pool: [...PISTONS.slice(0, 3), other], count: 4, by });
    expect(set.sets).toEqual([]);
    expect(say(set.says, 'metric')).toContain('There is no set of 4');
    expect(set.left.find(({ id }) => id === other.id)?.why).toContain('not measured');
    const ask = (of: string) => () => workshop.ask('fitSets', { pool: PISTONS, count: 4, by: [{ of, allowed: 1 }] });
    expect(ask('piston.wing')).toThrowError(DataError, /no such size/);
    expect(ask('wing')).toThrowError(DataError);
  });
});

describe('worn cylinders of the demo', () => {
  it('have their ways side by side, by the engine they are of', () => {
    const asked = workshop.ask('fitBores', { specimen: named('Lumen case, a tapered bore') });
    expect(asked.engine).toContain('Lumen');
    expect(asked.cleansUpAt).toBeGreaterThan(0);
    const ids = asked.ways.map(({ id }) => id);
    expect(ids).toContain('bore');
    expect(ids.at(-1)).toBe('sleeve');
    // The house rule speaks first.
    expect(asked.rule).toBe('Bore oversize');
    const bored = asked.ways.find(({ id }) => id === 'bore');
    expect(bored?.bought.length).toBe(3);
    expect(bored?.total).toBeGreaterThan(bored?.labour ?? 0);
  });

  it('that nobody measured are reckoned out for every size that is sold', () => {
    const bare = without(
      named('Lumen case, a tapered bore'),
      (is) => is.sort === 'size' && is.parameter === 'block.bore',
    );
    const asked = workshop.ask('fitBores', { specimen: bare });
    expect([asked.measured, asked.cleansUpAt]).toEqual([false, undefined]);
    expect(asked.ways.filter(({ id }) => id === 'bore').length).toBeGreaterThan(1);
  });

  it('are not told of a crank', () => {
    expect(() => workshop.ask('fitBores', { specimen: CRANK })).toThrowError(DataError);
  });
});
