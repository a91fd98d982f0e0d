import type { Specimen } from '../../readings/reading';
import { say } from '../../quantity/sentence';
import { DataError } from '../../formats';
import { CATALOGUE, demoSpecimen } from '../../testing/demo';
import { Workshop } from '../workshop';

const workshop = new Workshop(CATALOGUE);
const [CRANK, CASE] = [demoSpecimen('Terrace pump crank'), demoSpecimen('Terrace pump case')];

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
      specimen: demoSpecimen('Lumen crank, a main gone oval'),
      sheet: 'crank.mainJournal.diameter',
    });
    expect(oval.judged.map(({ verdict }) => verdict)).toEqual(['fits', 'fits', 'doesNotFit', 'fits', 'fits']);
    expect((oval.judged[2]?.says ?? []).map((each) => say(each, 'metric')).join(' ')).toContain('out of round');
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
      specimen: demoSpecimen('Frost fan crank, bin 4'),
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
