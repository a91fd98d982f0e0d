import {
  KIND_IDS,
  KINDS,
  partFromPattern,
  partFromSpecimen,
  readEntry,
  type KindId,
  type Part,
} from '@which-bore/core';
import { CATALOGUE } from '../../testing/demo';
import { sheetOf } from './callouts';

const measured = (text: string, kind: KindId = 'crank', id?: string): Part =>
  partFromSpecimen(
    { id: '', name: '', kind, readings: readEntry(text, kind).words.map((is, at) => ({ id: String(at), at: '', is })) },
    CATALOGUE.patterns.find((each) => each.id === id),
  );

describe('the drawing of a part', () => {
  for (const kind of KIND_IDS)
    it(`is whole for every ${kind} of the demo, and calls out what the dictionary places on it`, () => {
      const placed = Object.values(KINDS[kind].parameters).flatMap((parameter) =>
        parameter.drawing === undefined ? [] : [parameter.drawing],
      );
      expect(placed.length).withContext('places in the dictionary').toBeGreaterThan(0);
      for (const pattern of CATALOGUE.patterns.filter((each) => each.kind === kind)) {
        const { outline, view, callouts } = sheetOf(partFromPattern(pattern, ''));
        expect(outline.shapes.length).withContext(pattern.id).toBeGreaterThan(0);
        expect(Object.values(view).every(Number.isFinite)).withContext(pattern.id).toBeTrue();
        expect(callouts.length).withContext(pattern.id).toBeGreaterThan(0);
        for (const callout of callouts) {
          expect(callout.labelX).toBeGreaterThanOrEqual(view.x);
          expect(callout.labelX).toBeLessThanOrEqual(view.x + view.width);
        }
      }
    });

  it('of a crank is to scale', () => {
    const part = measured('', 'crank', 'sluice-crank-3375-forged');
    const journals = sheetOf(part).outline.shapes.filter((shape) => shape.place === 'mainJournal');
    expect(journals.length).toBe(4); // the fifth is the thrust journal
    for (const journal of journals) if (journal.form === 'rect') expect(journal.height / 25.4).toBeCloseTo(2.3495, 3);
  });

  it('shows what was measured as measured, and what is only guessed as guessed', () => {
    const known = (part: Part) =>
      Object.fromEntries(sheetOf(part).callouts.map((callout) => [callout.parameter.id, callout.known]));
    expect(known(measured('main 59.67 mic'))).toEqual(
      jasmine.objectContaining({ 'crank.mainJournal.diameter': 'measured', 'crank.stroke': 'guessed' }),
    );
    expect(known(measured('main 59.67 mic', 'crank', 'sluice-crank-3590'))).toEqual(
      jasmine.objectContaining({ 'crank.mainJournal.diameter': 'measured', 'crank.stroke': 'pattern' }),
    );
    expect(sheetOf(measured('')).callouts.every((callout) => callout.value === undefined)).toBeTrue();
  });

  it('never lets two labels of a row change places with what they speak of', () => {
    const { callouts } = sheetOf(measured('', 'crank', 'skerry-crank-6-112'));
    for (const above of [true, false]) {
      const row = callouts.filter((callout) => callout.above === above);
      const byLabel = [...row].sort((a, b) => a.labelX - b.labelX).map((callout) => callout.x);
      expect(byLabel).toEqual([...byLabel].sort((a, b) => a - b));
    }
  });
});
