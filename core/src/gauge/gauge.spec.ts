import fc from 'fast-check';
import { toInside } from '../quantity/unit';
import { GAUGE_PROTOCOLS, GaugeReader, MANNERS, readGaugeLine, simulatedLine, type GaugeProtocol } from './index';
import { holds } from '../testing/laws';

const protocol = (id: string): GaugeProtocol => {
  const found = GAUGE_PROTOCOLS.find((each) => each.id === id);
  if (!found) throw new RangeError(`No protocol ${id}.`);
  return found;
};
const PLAIN = protocol('plain');
const GAUGE = { truth: 78.02, error: 0, drift: 0, resolution: 0.001, manners: ['ok'] as const };

describe('a line of a gauge', () => {
  it('is a number, and a unit where one stands there', () => {
    expect(readGaugeLine('+00078.021 mm', PLAIN)).toEqual({ value: 78.021, unit: 'mm', text: '78.021' });
    expect(readGaugeLine('78.020', PLAIN)).toEqual({ value: 78.02, unit: 'mm', text: '78.020' });
    expect(readGaugeLine('-0.004mm', PLAIN)).toEqual({ value: -0.004, unit: 'mm', text: '-0.004' });
    expect(readGaugeLine('3.0717 in', PLAIN)).toEqual({ value: 3.0717, unit: 'in', text: '3.0717' });
    expect(readGaugeLine('78,021 mm', protocol('comma'))).toEqual({ value: 78.021, unit: 'mm', text: '78.021' });
    expect(readGaugeLine('2;51.982;mm', protocol('channels'))).toEqual({ value: 51.982, unit: 'mm', text: '51.982' });
    expect(readGaugeLine('3.0717', protocol('bareInch'))).toEqual({ value: 3.0717, unit: 'in', text: '3.0717' });
  });

  it('is no figure where it could be two, is rubbish, or in a unit nobody knows', () => {
    const trouble = (line: string, of = PLAIN) => {
      const read = readGaugeLine(line, of);
      return 'trouble' in read ? read.trouble : read.value;
    };
    expect(trouble('78.021 78.022 mm')).toBe('twoFigures');
    expect(trouble('78.021 mm 4')).toBe('twoFigures');
    expect(trouble('E#~!')).toBe('rubbish');
    expect(trouble('7.8.021')).toBe('twoFigures');
    expect(trouble('78,021 mm')).toBe('rubbish');
    expect(trouble('78.021', protocol('comma'))).toBe('rubbish');
    expect(trouble('78.021 furlong')).toBe('unit');
    expect(trouble('   ')).toBe('nothing');
    expect(trouble('2;;mm', protocol('channels'))).toBe('rubbish');
  });
});

describe('what comes from a gauge in pieces', () => {
  it('is the same however it was cut (property)', () => {
    const lines = ['78.021 mm', '78.018 mm', 'E#~!', '3.0717 in'];
    const whole = lines.map((line) => line + PLAIN.ends).join('');
    const expected = new GaugeReader(PLAIN).read(whole);
    expect(expected.length).toBe(4);
    holds(
      fc.property(fc.array(fc.nat(whole.length), { maxLength: 6 }), (cuts) => {
        const reader = new GaugeReader(PLAIN);
        const ends = [0, ...[...cuts].sort((a, b) => a - b), whole.length];
        expect(ends.slice(1).flatMap((end, at) => reader.read(whole.slice(ends[at], end)))).toEqual(expected);
      }),
    );
  });

  it('without an end is given up, and what comes after is read', () => {
    const reader = new GaugeReader(PLAIN);
    expect(reader.read('9'.repeat(300))).toEqual([jasmine.objectContaining({ trouble: 'tooLong' })]);
    expect(reader.read('78.021 mm\r\n')).toEqual([jasmine.objectContaining({ value: 78.021 })]);
    expect(reader.read('\r\n\r\n')).toEqual([]);
  });
});

describe('the simulated gauge', () => {
  it('says what lies under it, in every way of writing (property)', () => {
    holds(
      fc.property(fc.integer({ min: 1, max: 300_000 }), fc.constantFrom(...GAUGE_PROTOCOLS), (microns, of) => {
        const truth = microns / 1000;
        const [read] = new GaugeReader(of).read(simulatedLine({ ...GAUGE, truth }, of, 0));
        if (!read || 'trouble' in read) throw new Error('It said nothing.');
        // In inches its last digit is a tenth of a thou.
        expect(toInside(read.value, read.unit)).toBeCloseTo(truth, of.unit === 'in' ? 2 : 6);
      }),
    );
  });

  it('has an error, drifts, and goes wrong in turn as it is told', () => {
    const line = (more: Partial<Parameters<typeof simulatedLine>[0]>, time: number) =>
      simulatedLine({ ...GAUGE, ...more }, PLAIN, time);
    expect(line({ error: 0.004 }, 0)).toBe('78.024 mm\r\n');
    expect(line({ drift: 0.001 }, 5)).toBe('78.025 mm\r\n');
    const said = MANNERS.map((manner) => {
      const [read] = new GaugeReader(PLAIN).read(line({ manners: [manner] }, 0));
      return read ? ('trouble' in read ? read.trouble : read.unit) : 'nothing came';
    });
    expect(said).toEqual(['mm', 'rubbish', 'twoFigures', 'in', 'unit', 'nothing came']);
    const turns = [0, 1, 2].map((time) => line({ manners: ['ok', 'rubbish'] }, time).startsWith('78'));
    expect(turns).toEqual([true, false, true]);
  });
});
