import { around, interval } from '../quantity/interval';
import { say } from '../quantity/sentence';
import { readStrip, STRIPS } from './crushStrip';

const [THIN] = STRIPS;
const WANTED = { low: 0.03, high: 0.06 };
const at = (...widths: readonly number[]) =>
  readStrip(
    THIN,
    widths.map((width) => around(width, 0.05)),
    WANTED,
  );

describe('a crush strip', () => {
  // A thread keeps its volume: width times height is the same however far it is squeezed.
  it('has sleeves on which width times clearance stays the same', () => {
    for (const { name, sleeve } of STRIPS) {
      const products = sleeve.map(([width, clearance]) => width * clearance);
      const [first = 0] = products;
      for (const each of products)
        expect(Math.abs(each / first - 1))
          .withContext(name)
          .toBeLessThan(0.02);
      expect([...sleeve].sort(([a], [b]) => a - b)).toEqual([...sleeve]);
    }
  });

  it('tells less clearance the wider it is, and as much more as it may be narrower', () => {
    const exact = readStrip(THIN, [interval(1.75)], WANTED);
    expect(exact.clearance?.low).toBeCloseTo(0.076 / 1.75, 3);
    const [narrow, wide] = [at(1.52).clearance, at(2).clearance];
    expect(narrow?.low ?? 0).toBeGreaterThan(wide?.high ?? 1);
    expect(at(1.52).verdict).toBe('fits');
    expect(at(2.8).verdict).toBe('doesNotFit');
  });

  // Common practice, no source: a strip wider at one end lies on a tapered journal.
  it('tells a taper by its two ends, and says which thread to take where it is off its sleeve', () => {
    const said = (...widths: readonly number[]) => say(at(...widths).says ?? [], 'metric');
    expect(said(1.4, 2)).toContain('tapered');
    expect(said(1.75, 1.78)).toBe('');
    expect(said(0.9)).toContain('take a thicker one');
    expect(said(3.4)).toContain('take a thinner one');
    expect(at(3.4).clearance).toBeUndefined();
    expect(at(3.4).verdict).toBe('cannotTell');
  });
});
