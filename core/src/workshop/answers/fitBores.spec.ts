import type { Reading, Specimen } from '../../readings/reading';
import { DataError } from '../../formats';
import { CATALOGUE, demoSpecimen, SPECIMENS } from '../../testing/demo';
import { without } from '../../testing/specimens';
import { Workshop } from '../workshop';

const workshop = new Workshop(CATALOGUE);
const [CRANK, CASE] = [demoSpecimen('Terrace pump crank'), demoSpecimen('Terrace pump case')];
const PISTONS = SPECIMENS.filter(({ name }) => name.startsWith('Terrace piston'));

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

describe('worn cylinders of the demo', () => {
  it('have their ways side by side, by the engine they are of', () => {
    const asked = workshop.ask('fitBores', { specimen: demoSpecimen('Lumen case, a tapered bore') });
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
      demoSpecimen('Lumen case, a tapered bore'),
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
