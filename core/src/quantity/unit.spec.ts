import fc from 'fast-check';
import { create, all } from 'mathjs';
import { fromInside, toInside, unitOf, UNIT_IDS, UNITS, type UnitId } from './unit';
import { holds } from '../testing/laws';

const math = create(all ?? {});

describe('units', () => {
  it('have the factors of NIST SP 811, table B.8', () => {
    expect(UNITS.in.inside).toBe(25.4); // inch to mm, exact
    expect(UNITS.thou.inside).toBe(0.0254); // mil to mm, exact
    expect(UNITS.cuin.inside).toBeCloseTo(16.387064, 9); // cubic inch to cm3, exact
    expect(UNITS.oz.inside).toBeCloseTo(28.349523, 6); // avoirdupois ounce to g
  });

  it('agree with a reference library (mathjs) on every unit both know', () => {
    const names: Record<Exclude<UnitId, 'ratio' | 'rpm' | 'percent'>, [string, string]> = {
      mm: ['mm', 'mm'],
      micron: ['um', 'mm'],
      in: ['inch', 'mm'],
      thou: ['mil', 'mm'],
      cc: ['cc', 'cm^3'],
      cuin: ['cuin', 'cm^3'],
      g: ['g', 'g'],
      kg: ['kg', 'g'],
      lb: ['lb', 'g'],
      oz: ['oz', 'g'],
      deg: ['deg', 'deg'],
      N: ['N', 'N'],
      lbf: ['lbf', 'N'],
      Npmm: ['N/mm', 'N/mm'],
      lbfpin: ['lbf/inch', 'N/mm'],
      Nm: ['N m', 'N m'],
      lbfft: ['lbf ft', 'N m'],
      lbfin: ['lbf inch', 'N m'],
      MPa: ['MPa', 'MPa'],
      bar: ['bar', 'MPa'],
      psi: ['psi', 'MPa'],
      mps: ['m/s', 'm/s'],
      ftpmin: ['ft/minute', 'm/s'],
      mps2: ['m/s^2', 'm/s^2'],
      ftps2: ['ft/s^2', 'm/s^2'],
      lpmin: ['litre/minute', 'litre/minute'],
      cfm: ['ft^3/minute', 'litre/minute'],
    };
    for (const id of UNIT_IDS) {
      if (id === 'ratio' || id === 'rpm' || id === 'percent') continue;
      const [theirs, inside] = names[id];
      expect(toInside(2.349, id)).withContext(id).toBeCloseTo(math.unit(2.349, theirs).toNumber(inside), 9);
    }
  });

  it('come back from the inside unit as they went in', () => {
    holds(
      fc.property(fc.double({ min: 1e-3, max: 1e4, noNaN: true }), fc.constantFrom(...UNIT_IDS), (value, unit) => {
        expect(Math.abs(fromInside(toInside(value, unit), unit) - value)).toBeLessThanOrEqual(1e-12 * value);
      }),
    );
  });

  it('are known by what people write', () => {
    expect(unitOf('"')).toBe('in');
    expect(unitOf('Inches')).toBe('in');
    expect(unitOf('THOU')).toBe('thou');
    expect(unitOf('ft-lb')).toBe('lbfft');
    expect(unitOf('CFM')).toBe('cfm');
    expect(unitOf('furlong')).toBeUndefined();
  });
});
