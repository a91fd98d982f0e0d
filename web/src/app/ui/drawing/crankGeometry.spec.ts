import { KINDS, partFromPattern, partFromSpecimen, readEntry, type Catalogue, type Part } from '@which-bore/core';
import demo from '../../../../../demo-data/catalogue.json';
import { crankGeometry } from './crankGeometry';

const catalogue = demo as unknown as Catalogue;
const pattern = (id: string) => {
  const found = catalogue.patterns.find((each) => each.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const measured = (text: string, id?: string): Part =>
  partFromSpecimen(
    { id: '', name: '', kind: 'crank', readings: readEntry(text, 'crank').words.map((is, at) => ({ id: String(at), at: '', is })) },
    id === undefined ? undefined : pattern(id),
  );

describe('the drawing of a crank', () => {
  for (const each of catalogue.patterns.filter((candidate) => candidate.kind === 'crank')) {
    it(`is to scale and whole: ${each.id}`, () => {
      const part = partFromPattern(each, '');
      const drawn = crankGeometry(part);
      const low = (id: string) => part.values[id]?.interval.low ?? 0;
      const high = (id: string) => part.values[id]?.interval.high ?? 0;
      expect(drawn.journals.length).toBe(Number(part.looks['crank.mainCount']?.option));
      expect(drawn.pins.length).toBe(Number(part.looks['crank.crankpins']?.option));
      for (const journal of drawn.journals) {
        expect(journal.height).toBeGreaterThanOrEqual(low('crank.mainJournal.diameter'));
        expect(journal.height).toBeLessThanOrEqual(high('crank.mainJournal.diameter'));
      }
      const axes = drawn.pins.map((pin) => pin.y + pin.height / 2);
      expect(Math.max(...axes) - Math.min(...axes)).toBeCloseTo((low('crank.stroke') + high('crank.stroke')) / 2, 6);
      expect(Math.max(...drawn.webs.map((web) => web.y + web.height))).toBeLessThanOrEqual(high('crank.swing'));
      for (const box of [...drawn.journals, ...drawn.pins, ...drawn.webs, ...drawn.ends]) {
        expect(box.width).toBeGreaterThan(0);
        expect(box.x).toBeGreaterThanOrEqual(drawn.view.x);
        expect(box.x + box.width).toBeLessThanOrEqual(drawn.view.x + drawn.view.width);
      }
    });
  }

  it('shows what was measured as measured, and what is only guessed as guessed', () => {
    const known = (part: Part) => Object.fromEntries(crankGeometry(part).callouts.map((callout) => [callout.parameter.id, callout.known]));
    expect(known(measured('main 59.67 mic'))).toEqual(jasmine.objectContaining({ 'crank.mainJournal.diameter': 'measured', 'crank.stroke': 'guessed' }));
    expect(known(measured('main 59.67 mic', 'sluice-crank-3590'))).toEqual(
      jasmine.objectContaining({ 'crank.mainJournal.diameter': 'measured', 'crank.stroke': 'pattern' }),
    );
    expect(crankGeometry(measured('')).callouts.every((callout) => callout.value === undefined)).toBeTrue();
  });

  it('calls out every size for which the dictionary names a place, and only those', () => {
    const placed = Object.values(KINDS.crank.parameters).filter((parameter) => parameter.drawing !== undefined);
    const called = crankGeometry(measured('', 'skerry-crank-6-112')).callouts.map((callout) => callout.parameter.id);
    expect(called.sort()).toEqual(placed.map((parameter) => parameter.id).sort());
  });

  it('never lets two leaders of a row cross', () => {
    const { callouts } = crankGeometry(measured('', 'skerry-crank-6-112'));
    for (const above of [true, false]) {
      const row = callouts.filter((callout) => callout.above === above);
      const byLabel = [...row].sort((a, b) => a.labelX - b.labelX).map((callout) => callout.x);
      expect(byLabel).toEqual([...byLabel].sort((a, b) => a - b));
    }
  });
});
