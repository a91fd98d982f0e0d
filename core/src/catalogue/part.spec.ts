import { crank } from '../dictionary/kinds/crank';
import { INSTRUMENTS, COVERAGE, estimate } from '../quantity/instrument';
import { demoPart, demoPattern, words } from '../testing/demo';
import { partFromPattern, partFromSpecimen } from './part';
import { sizeFrom } from './size';

const journal = crank.parameters['mainJournal.diameter'];
const specimen = (text: string) => ({
  id: '',
  name: 'Mine',
  kind: 'crank' as const,
  readings: words(text).map((is, at) => ({ id: String(at), at: '', is })),
});

describe('a size of a pattern', () => {
  it('is read in its own unit, its service steps as well', () => {
    const size = sizeFrom({ low: '2.3490', high: '2.3500', unit: 'in', wearLimit: '2.3475' }, journal);
    expect(size.limits.low).toBeCloseTo(59.6646, 9);
    expect(size.limits.high).toBeCloseTo(59.69, 9);
    expect(size.wearLimit).toBeCloseTo(59.6265, 9);
    // Ten, twenty, thirty, forty thou under: common practice, no source.
    expect(size.service.map((step) => Number((step / 25.4).toFixed(4)))).toEqual([-0.01, -0.02, -0.03, -0.04]);
    expect(size.toleranceAssumed).toBeFalse();
  });

  it('known by one figure gets the usual tolerance and says so', () => {
    const size = sizeFrom({ low: '60', high: '60', unit: 'mm' }, journal);
    expect(size.toleranceAssumed).toBeTrue();
    expect(size.limits).toEqual({ low: 60 - journal.usualTolerance, high: 60 + journal.usualTolerance });
  });

  it('can have no service sizes at all', () => {
    expect(sizeFrom({ low: '60', high: '60.02', unit: 'mm', service: [] }, journal).service).toEqual([]);
  });

  it('out of order is refused', () => {
    expect(() => sizeFrom({ low: '61', high: '60', unit: 'mm' }, journal)).toThrowError(RangeError);
  });
});

describe('a part', () => {
  it('of a pattern has its limits, looks and faces', () => {
    const part = demoPart('sluice-crank-3375-forged');
    expect(part.values[journal.id]?.source).toBe('pattern');
    expect(part.looks[crank.features.counterweights.id]).toEqual({ option: '8', source: 'pattern' });
    expect(part.interfaces[crank.interfaces.flywheelFlange.id]).toBe('Sluice six-bolt 3.50');
    expect(part.label).toBe('Brackmere Sluice, 3.375 forged, small journal');
  });

  it('that was only measured has what was measured, give or take twice its uncertainty', () => {
    const part = partFromSpecimen(specimen('main 59.67 mic forged'));
    const { uncertainty } = estimate([59.67], INSTRUMENTS.micrometer);
    expect(Object.keys(part.values)).toEqual([journal.id]);
    expect(part.values[journal.id]?.interval.low).toBeCloseTo(59.67 - COVERAGE * uncertainty, 9);
    expect(part.looks[crank.features.material.id]).toEqual({ option: 'forged', source: 'measured' });
    expect(part.standard).toEqual({});
  });

  it('takes the rest from what it was identified as, and what was measured stays', () => {
    const part = partFromSpecimen(specimen('main 2.3482in mic 6 weights'), demoPattern('sluice-crank-3375-forged'));
    expect(part.values[journal.id]?.source).toBe('measured');
    expect(part.values[crank.parameters.stroke.id]?.source).toBe('identified');
    expect(part.looks[crank.features.counterweights.id]?.option).toBe('6');
    expect(part.standard[journal.id]).toEqual(
      partFromPattern(demoPattern('sluice-crank-3375-forged'), '').values[journal.id]?.interval,
    );
  });

  it('believes the finer of two instruments', () => {
    const both = partFromSpecimen(specimen('main 59.60 caliper main 59.67 mic')).values[journal.id];
    expect(both).toEqual(partFromSpecimen(specimen('main 59.67 mic main 59.60 caliper')).values[journal.id]);
    expect(both?.interval.low).toBeGreaterThan(59.66);
  });
});
