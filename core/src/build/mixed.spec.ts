import { demoEngine } from '../testing/demo';
import { mixturesIn } from './mixed';

const told = (places: Parameters<typeof demoEngine>[2]) =>
  mixturesIn(demoEngine('lumen-4-77', {}, places)).map(({ slot, says }) => `${slot}: ${says}`);

// Common practice, no source: all pistons, rods and pins of one engine are of one type.
describe('a mixture of types', () => {
  it('is none where all cylinders have the same, chosen for all or one by one', () => {
    expect(told([])).toEqual([]);
    expect(told([{ slot: 'piston', pattern: 'lumen-piston-78-70' }])).toEqual([]);
    expect(told([1, 2, 3, 4].map((at) => ({ slot: 'piston', at, pattern: 'lumen-piston-78-70' })))).toEqual([]);
  });

  it('names which cylinders have what', () => {
    const [mixed, ...others] = told([
      { slot: 'piston', at: 2, pattern: 'lumen-piston-78-70' },
      { slot: 'piston', at: 4, pattern: 'lumen-piston-78-70' },
    ]);
    expect(others).toEqual([]);
    expect(mixed).toMatch(
      /^piston: Pistons of two types are mixed: cylinders 1 and 3 have .*; cylinders 2 and 4 have /,
    );
    expect(mixed).toContain('one type, weight and compression');
    expect(told([{ slot: 'piston', at: 3, pattern: 'lumen-piston-78-70' }])[0]).toContain('cylinder 3 has');
  });

  it('is told of each place by itself, and not of what may differ: shells by class', () => {
    const mixed = told([
      { slot: 'piston', at: 1, pattern: 'lumen-piston-78-70' },
      { slot: 'mainShell', at: 2, pattern: 'lumen-shell-ab-red' },
    ]);
    expect(mixed.map((each) => each.split(':')[0])).toEqual(['piston']);
  });
});
