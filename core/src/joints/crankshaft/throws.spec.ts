import { judged, made } from '../../testing/made';

// Common practice, no source: a rod for every cylinder, and a place on a crankpin for every rod.
describe('throws of a crank', () => {
  const served = (crankpins: string, rodsPerPin: string, cylinders: string) =>
    judged('throws', 'cylindersServed', [
      made('crank', {}, { crankpins, rodsPerPin }),
      made('block', {}, { cylinders }),
    ]);

  it('serve as many cylinders as they carry rods', () => {
    expect(served('4', '2', '8')).toBe('fits');
    expect(served('4', '1', '4')).toBe('fits');
    expect(served('1', '1', '1')).toBe('fits');
  });

  it('are refused in a block of more cylinders or fewer', () => {
    expect(served('4', '1', '8')).toBe('doesNotFit');
    expect(served('4', '2', '4')).toBe('doesNotFit');
    expect(served('6', '1', '4')).toBe('doesNotFit');
    expect(served('3', '2', '8')).toBe('doesNotFit');
  });

  it('cannot be told while one of the three is not counted, and the others imply it', () => {
    const block = made('block', {}, { cylinders: '8' });
    expect(judged('throws', 'cylindersServed', [made('crank', {}, { crankpins: '4' }), block])).toContain('cannotTell');
  });
});
