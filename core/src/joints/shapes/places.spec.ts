import { partFromSpecimen, type Part } from '../../catalogue/part';
import type { KindId } from '../../dictionary/dictionary';
import { readEntry } from '../../readings/entryLine';
import { say } from '../../quantity/sentence';
import { finding, made } from '../../testing/made';

/** A part with what is read on it, and nothing else. */
const onBench = (kind: KindId, text: string): Part =>
  partFromSpecimen({
    id: kind,
    name: kind,
    kind,
    readings: readEntry(text, kind).words.map((is, at) => ({ id: String(at), at: '2026-03-02T08:10:00.000Z', is })),
  });

// Common practice, no source: the worst place counts, and journals or cylinders are never averaged.
describe('a size that was measured place by place', () => {
  const rings = (text: string) =>
    finding('ringsInBlock', 'endGap', [
      onBench('block', text),
      made('rings', { bore: 95, 'top.gap': 0.35, 'top.gapSpecified': [0.3, 0.5] }),
    ]);

  it('is held against the limits at each place, and fits only where all of them do', () => {
    expect(rings('bores 95.005/95.010/95.008 bore gauge').verdict).toBe('fits');
    const worn = rings('bores 95.005/95.130/95.008 bore gauge');
    expect(worn.verdict).toBe('doesNotFit');
    expect(say(worn.because, 'metric')).toMatch(/^Cylinder 2: /);
  });

  it('would pass on the average of them', () => {
    // 95.048 in the mean: a gap of 0.50 at most, which is why places are not pooled.
    expect(rings('bore 95.048 bore gauge').verdict).not.toBe('doesNotFit');
  });

  it('keeps its places on the part, whole rows and single ones', () => {
    const whole = onBench('crank', 'mains 51.99/51.98/51.965 mic').values['crank.mainJournal.diameter'];
    expect(whole?.positions?.length).toBe(3);
    const some = onBench('crank', 'main 1 51.99 mic main 3 51.965 mic').values['crank.mainJournal.diameter'];
    expect(some?.positions).toBeUndefined();
    expect(some?.at?.map(({ position }) => position)).toEqual([1, 3]);
    expect(some?.interval.low).toBeLessThan(51.965);
    expect(some?.interval.high).toBeGreaterThan(51.99);
  });

  // Common practice, no source: half a thou on a journal, two thou of ovality and three of taper in a cylinder.
  it('is held against what a bearing and rings bear of ovality and taper, and is trued up where it is over', () => {
    const mains = (text: string) => finding('mains', 'mainRound', [onBench('crank', text), made('block', {})]);
    expect(mains('main 1 51.98 mic').arises).toBeFalse();
    expect(mains('main 1 51.981x51.980 mic').verdict).toBe('fits');
    const oval = mains('main 1 51.98x51.98 main 2 51.98x51.95 mic');
    expect(say(oval.because, 'metric')).toMatch(/^Main 2 is .* out of round, 0.013/);
    expect(oval.verdict).toBe('fitsWithWork');
    expect(oval.work[0]?.steps).toEqual(['regrindMains']);
    const left = oval.work[0]?.parts[0]?.values['crank.mainJournal.diameter'];
    expect(left?.outOfRound).toBeUndefined();
    expect(left?.interval.high).toBeLessThan(51.95);
    const bores = (text: string) =>
      finding('pistonInBlock', 'cylinderRound', [onBench('block', text), made('piston', {})]);
    const tapered = bores('iron bores wall 6, cyl 3 top 95.16 bottom 95.02 bore gauge');
    expect(say(tapered.because, 'metric')).toMatch(/^Cylinder 3 is .* tapered, 0.080/);
  });

  it('goes by the finer of two instruments at one place', () => {
    const { at } = onBench('crank', 'main 1 51.9 caliper main 1 51.98 mic').values['crank.mainJournal.diameter'] ?? {};
    expect(at?.length).toBe(1);
    expect(at?.[0]?.interval.low).toBeGreaterThan(51.97);
  });
});
