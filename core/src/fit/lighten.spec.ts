import fc from 'fast-check';
import { toComeOff } from './lighten';
import { holds } from '../testing/laws';

// Common practice, no source: a set is brought down to its lightest, never up, and each end where it has a pad.
describe('what comes off a set', () => {
  it('brings the heavy ones down to what is allowed over the lightest', () => {
    expect(toComeOff('rod.mass.bigEnd', [600, 606, 603], 2)).toEqual([
      undefined,
      { of: 'rod.mass.bigEnd', grams: 4, from: 'the pad of the cap' },
      { of: 'rod.mass.bigEnd', grams: 1, from: 'the pad of the cap' },
    ]);
  });

  it('comes off the end that is too heavy', () => {
    const from = (of: string) => toComeOff(of, [100, 110], 1)[1]?.from;
    expect(from('rod.mass.smallEnd')).toContain('small end');
    expect(from('rod.mass')).toContain('weigh the ends');
    expect(from('piston.mass')).toContain('pin bosses');
    expect(from('pin.mass')).toContain('bore of the pin');
  });

  it('comes off no part that has nothing to spare: another is chosen', () => {
    expect(toComeOff('valve.mass', [80, 86], 2)).toEqual([undefined, { of: 'valve.mass', grams: 4 }]);
    expect(toComeOff('lifter.mass', [100, 106], 4)[1]?.from).toBeUndefined();
  });

  it('leaves every set within what is allowed, and no piece lighter than it need be', () => {
    holds(
      fc.property(
        fc.array(fc.double({ min: 50, max: 900, noNaN: true }), { minLength: 1, maxLength: 12 }),
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        (weights, allowed) => {
          const off = toComeOff('piston.mass', weights, allowed);
          const after = weights.map((weight, at) => weight - (off[at]?.grams ?? 0));
          expect(Math.max(...after) - Math.min(...after)).toBeLessThan(allowed + 1e-9);
          expect(Math.min(...after)).toBe(Math.min(...weights));
          off.forEach((each, at) => {
            if (each) expect(after[at]).toBeCloseTo(Math.min(...weights) + allowed, 9);
          });
        },
      ),
    );
  });
});
