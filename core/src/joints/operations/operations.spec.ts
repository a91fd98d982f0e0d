import fc from 'fast-check';
import { crank } from '../../dictionary/kinds/crank';
import { around, interval, shifted } from '../../quantity/interval';
import { demoPart } from '../../testing/demo';
import { regrindJournal } from './regrindJournal';
import { turnCounterweights } from './trim';

describe('machining', () => {
  const journal = crank.parameters['mainJournal.diameter'];
  const part = demoPart('sluice-crank-3375-forged');
  const standard = part.values[journal.id]?.interval ?? interval(0);
  const last = Math.min(...(part.service[journal.id] ?? []));

  it('never gives a journal that is larger, or smaller than the last undersize', () => {
    fc.assert(
      fc.property(fc.double({ min: -3, max: 1, noNaN: true }), (by) => {
        const worked = regrindJournal(part, journal, shifted(around(standard.low, 0.006), by));
        if ('refused' in worked) expect(worked.refused).toMatch(/\.$/);
        else {
          const now = worked.part.values[journal.id]?.interval;
          expect(now?.high).toBeLessThanOrEqual(standard.low + 0.0001);
          expect(now?.low).toBeGreaterThanOrEqual(standard.low + last - 0.0001);
        }
      }),
    );
  });

  it('leaves the part it was given as it was', () => {
    const before = JSON.stringify(part);
    regrindJournal(part, journal, shifted(standard, -0.254));
    turnCounterweights(part, 1);
    expect(JSON.stringify(part)).toBe(before);
  });
});
