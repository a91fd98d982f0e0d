import { KINDS } from '../dictionary/dictionary';
import { onSheet } from '../testing/onSheet';
import { judgeSheet } from './sheet';
import { sheetFor, SHEETS } from './sheets';
import { made } from '../testing/made';
import { interval } from '../quantity/interval';
import { say } from '../quantity/sentence';

describe('the sheets', () => {
  it('are of sizes their part has, each with a name for every height and direction', () => {
    const seen = new Set<string>();
    for (const { kind, parameter, levels, levelNames, axes, axisNames } of SHEETS) {
      expect(Object.values(KINDS[kind].parameters)).toContain(parameter);
      expect(levelNames.length).toBe(levels.length);
      expect(axisNames.length).withContext(parameter.id).toBe(axes.length);
      expect(seen.has(parameter.id)).toBeFalse();
      seen.add(parameter.id);
    }
  });

  // Common practice, no source: a maker's own figure goes before any rule of thumb.
  it('hold a ring by the gap its maker asks for, and by its bore where he asks for none', () => {
    const asked = { bore: 100, 'top.gapSpecified': 0.7 };
    expect(onSheet('rings.top.fitted', asked)(0.7)).toBe('fits');
    expect(onSheet('rings.top.fitted', { bore: 100 })(0.7)).toBe('doesNotFit');
    expect(onSheet('rings.top.fitted', { bore: 100 })(0.45)).toBe('fits');
    // Of what bore it is nobody knows: then nobody knows what gap it wants.
    expect(onSheet('rings.top.fitted')(0.45)).toBe('cannotTell');
  });

  // Common practice, no source: a rule of thumb is said as what it is, and the worst place counts.
  it('say whose figure it is that does not hold, of the widest gap under the straightedge', () => {
    const sheet = sheetFor('head.face.flatness');
    if (!sheet) throw new RangeError('There is no such sheet.');
    const value = { interval: interval(0.02, 0.15), source: 'measured' as const };
    const part = { ...made('head', {}), values: { 'head.face.flatness': value } };
    const [place] = judgeSheet(sheet, part, undefined, {}).places;
    expect(place?.verdict).toBe('cannotTell');
    expect(place?.says.map((each) => say(each, 'metric')).join(' ')).toContain('three thou under the straightedge');
    expect(place?.outOfRound).toBeUndefined();
  });

  it('call an end float open between what most makers ask for and what any of them allows', () => {
    const of = onSheet('crank.endFloat');
    expect([0.01, 0.1, 0.3, 0.5].map((each) => of(each))).toEqual(['doesNotFit', 'fits', 'cannotTell', 'doesNotFit']);
  });
});
