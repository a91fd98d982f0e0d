import { KIND_IDS } from '../dictionary/dictionary';
import { indexCatalogue } from '../identify/catalogueIndex';
import { random } from '../quantity/random';
import { CATALOGUE, demoPattern, LOOKUP } from '../testing/demo';
import { ask, type Asked } from './ask';
import { debrief, type TraineeStep } from './debrief';
import { drawPart } from './hiddenPart';
import { PRACTICE_LEVELS, enoughToPractise } from './levels';
import { sheetOf } from './solve';

const INDEX = indexCatalogue('crank', CATALOGUE);
const CRANK = demoPattern('skerry-crank-4-104');
const SHEET = sheetOf('crank', INDEX);
const line = (id: string) => {
  const found = SHEET.find((each) => each.id === id);
  if (!found) throw new Error(`no ${id} on the sheet`);
  return found;
};

function steps(next: () => number, ...asked: Asked[]) {
  const part = drawPart(CRANK, next, PRACTICE_LEVELS[0]?.hardship);
  return {
    part,
    taken: asked.map((each): TraineeStep => ({
      asked: each,
      name: each.id,
      minutes: line(each.id).minutes,
      reading: ask(part, each, next, { unreadable: 0, misjudges: 0 }),
    })),
  };
}

describe('looking back on a round of practice', () => {
  it('calls a question wasted that could not have told anything more', () => {
    const next = random(31);
    const { part, taken } = steps(
      next,
      line('crank.web'),
      line('crank.flange'),
      line('crank.mainJournal.diameter'),
      line('crank.crankpin.diameter'),
      line('crank.nose.diameter'),
    );
    const { steps: judged } = debrief(part, INDEX, taken, part.pattern, next);
    expect(judged[0]?.wasted).toBeFalse();
    expect(judged[0]?.bits).toBeGreaterThan(1);
    expect(judged[4]?.wasted).toBeTrue();
  });

  it('names what would have been better where the choice was poor', () => {
    const next = random(32);
    const { part, taken } = steps(next, line('crank.taper.angle'));
    const [judged] = debrief(part, INDEX, taken, part.pattern, next).steps;
    expect(judged?.better).toBeDefined();
    expect((judged?.better?.bits ?? 0) / (judged?.better?.minutes ?? 1)).toBeGreaterThan(
      (judged?.bits ?? 0) / (judged?.step.minutes ?? 1),
    );
  });

  it('gives half of the points for being right and half for the pace, and none for a wrong name', () => {
    const next = random(33);
    const { part, taken } = steps(next, ...SHEET);
    const right = debrief(part, INDEX, taken, part.pattern, random(1));
    expect(right.score).toBeGreaterThanOrEqual(50);
    expect(right.score).toBeLessThan(75);
    expect(debrief(part, INDEX, taken, 'ambit-crank-3', random(1)).score).toBe(0);
    expect(debrief(part, INDEX, [], part.pattern, random(1)).score).toBe(100);
  });

  it('shows the way of the engine, which ends in the part', () => {
    const next = random(34);
    const { part, taken } = steps(next, line('crank.web'));
    const { engine } = debrief(part, INDEX, taken, undefined, next);
    expect(engine.steps.length).toBeGreaterThan(0);
    expect(engine.lineUp.candidates[0]?.pattern).toBe(part.pattern ?? '');
    expect(engine.minutes).toBe(engine.steps.reduce((sum, step) => sum + step.minutes, 0));
  });
});

describe('the levels of practice', () => {
  it('grow harder in every way', () => {
    for (let at = 1; at < PRACTICE_LEVELS.length; at++) {
      const [before, level] = [PRACTICE_LEVELS[at - 1], PRACTICE_LEVELS[at]];
      if (!before || !level) throw new Error('no level');
      expect(level.hardship.wear).toBeGreaterThan(before.hardship.wear);
      expect(level.hardship.reground).toBeGreaterThan(before.hardship.reground);
      expect(level.hardship.marksGone).toBeGreaterThan(before.hardship.marksGone);
      expect(level.reader.unreadable).toBeGreaterThan(before.reader.unreadable);
      expect(level.strangers).toBeGreaterThanOrEqual(before.strangers);
    }
  });

  it('offer kinds of which there is something to tell apart', () => {
    const kinds = enoughToPractise(KIND_IDS, (kind) => LOOKUP.ofKind(kind).length);
    expect(kinds).toContain('crank');
    for (const kind of kinds) expect(LOOKUP.ofKind(kind).length).toBeGreaterThanOrEqual(3);
  });
});

describe('the fixed sheet', () => {
  it('asks for everything the catalogue states of the kind, each once, and for nothing that only a sheet tells', () => {
    const keys = SHEET.map(({ sort, id }) => `${sort} ${id}`);
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys).toContain('size crank.mainJournal.diameter');
    expect(SHEET.every(({ tool }) => tool?.sort !== 'sheet')).toBeTrue();
    expect(keys.length).toBeGreaterThan(20);
  });
});
