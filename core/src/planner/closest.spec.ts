import { engineOf, jointsOf } from '../build/index';
import type { Swap } from '../interchange/index';
import { build, GROUND } from '../testing/plans';
import { closestOf } from './closest';

type Checks = Swap['joints'][number]['checks'];
const judged = (checks: readonly Partial<Checks[number]>[]): Swap =>
  ({ joints: [{ name: 'Cylinders', checks }] }) as unknown as Swap;
const fits = { verdict: 'fits', quantity: 'length' } as const;

describe('the checks that agree by the least', () => {
  it('come by how near to a limit the middle of what was found lies, for what is allowed', () => {
    const required = { low: 0.03, high: 0.05 };
    const all = closestOf(
      judged([
        { ...fits, name: 'In the middle', found: { low: 0.035, high: 0.045 }, required },
        { ...fits, name: 'Close', found: { low: 0.03, high: 0.034 }, required },
        { ...fits, name: 'Wide, and as near', found: { low: 3.1, high: 3.3 }, required: { low: 3, high: 5 } },
        { ...fits, name: 'More than enough', found: { low: 3, high: 3 }, required: { low: 1, high: 9 }, atLeast: true },
        { ...fits, name: 'Just enough', found: { low: 1, high: 1.02 }, required: { low: 1, high: 9 }, atLeast: true },
      ]),
    );
    expect(all.map(({ check }) => check)).toEqual(['Just enough', 'Close', 'Wide, and as near']);
    expect(all[1]).toEqual({
      joint: 'Cylinders',
      check: 'Close',
      quantity: 'length',
      found: { low: 0.03, high: 0.034 },
      required,
    });
  });

  it('are none of those that want work, are open, or go by no size', () => {
    const sized = { ...fits, found: { low: 0.4, high: 0.5 }, required: { low: 0, high: 1 } };
    expect(
      closestOf(
        judged([
          { ...sized, verdict: 'fitsWithWork', name: 'Bored' },
          { ...sized, verdict: 'cannotTell', name: 'Open' },
          { ...fits, name: 'By its look' },
        ]),
      ),
    ).toEqual([]);
    expect(closestOf(undefined)).toEqual([]);
  });

  it('are told of every engine of the demo that is known, each inside its limits', () => {
    for (const id of ['sluice-336', 'lumen-4-77', 'skerry-47', 'pip-48']) {
      const closest = closestOf(jointsOf(engineOf(build(id), GROUND), GROUND.context));
      expect(closest.length).withContext(id).toBe(3);
      const isInside = ({ found, required, atLeast }: (typeof closest)[number]): boolean => {
        const middle = (found.low + found.high) / 2;
        return middle >= required.low && (atLeast === true || middle <= required.high);
      };
      expect(closest.every(isInside)).withContext(id).toBeTrue();
    }
  });
});
