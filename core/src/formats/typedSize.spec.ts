import { TextError } from './dimensionText';
import { readTypedSize, sayTypedSize } from './typedSize';

const read = (text: string, of = 'rod.length', system: 'metric' | 'inch' = 'metric') => readTypedSize(text, of, system);

describe('a figure that is typed into a build', () => {
  it('is in the unit that is written, or else in that of the reader', () => {
    expect(read('152.4')).toEqual({ of: 'rod.length', value: 152.4, unit: 'mm' });
    expect(read('6 in')).toEqual({ of: 'rod.length', value: 6, unit: 'in' });
    expect(read('6', 'rod.length', 'inch')).toEqual({ of: 'rod.length', value: 6, unit: 'in' });
    expect(read('5 3/4', 'rod.length', 'inch').value).toBe(5.75);
    expect(read('3600', 'running.speed').unit).toBe('rpm');
    expect(read('50', 'running.balanced')).toEqual({ of: 'running.balanced', value: 50, unit: 'percent' });
  });

  it('has a band either way, however it is written', () => {
    expect(read('1.10..1.20', 'headGasket.thickness')).toEqual({
      of: 'headGasket.thickness',
      value: 1.15,
      unit: 'mm',
      within: 0.05,
    });
    expect(read('1,2 ±0,05 mm', 'headGasket.thickness')).toEqual({
      of: 'headGasket.thickness',
      value: 1.2,
      unit: 'mm',
      within: 0.05,
    });
    expect(read('.040 +/-.002 in', 'headGasket.thickness')).toEqual({
      of: 'headGasket.thickness',
      value: 0.04,
      unit: 'in',
      within: 0.002,
    });
  });

  it('may be less than nothing', () => {
    expect(read('-3.5 cc', 'piston.crown.volume').value).toBe(-3.5);
    expect(read('−3.5', 'piston.crown.volume').value).toBe(-3.5);
  });

  it('is refused in words where it is none, or of another quantity', () => {
    expect(() => read('long')).toThrowError(TextError, /“long” is no size of length/);
    expect(() => read('152 cc')).toThrowError(TextError, /Length is not given in cc; write it like/);
    expect(() => read('152 furlongs')).toThrowError(TextError, /no unit/);
    expect(() => read('')).toThrowError(TextError);
  });

  it('is said as it was typed', () => {
    expect(sayTypedSize({ value: 152.4, unit: 'mm' })).toBe('152.4 mm');
    expect(sayTypedSize({ value: 1.2, unit: 'mm', within: 0.05 })).toBe('1.2 ±0.05 mm');
    expect(sayTypedSize({ value: 62, unit: 'deg' })).toBe('62°');
    for (const text of ['152.4 mm', '1.2 ±0.05 mm', '0.04 ±0.002 in'])
      expect(sayTypedSize(read(text, 'headGasket.thickness'))).toBe(text);
  });
});
