import { demoPart } from '../testing/demo';
import { isDone } from '../joints/operations/operation';
import { middle } from '../quantity/interval';
import { asksOf, nameOfWork, operationOf, PLANNED_IDS, plannedFor, worked, type PlannedId } from './work';

const ROUND = { rules: {}, bore: 101, valve: 49, valves: '2' };
const [BLOCK, CRANK, HEAD, PISTON] = [
  demoPart('sluice-block-low-small-398'),
  demoPart('sluice-crank-3590'),
  demoPart('sluice-head-58'),
  demoPart('sluice-piston-398-3590-90'),
];
const after = (part: typeof BLOCK, id: PlannedId, by: number, round = ROUND) => {
  const done = worked(part, id, by, round);
  if (!isDone(done)) throw new RangeError(done.refused);
  return done.part;
};
const size = (part: typeof BLOCK, id: string): number => {
  const value = part.values[id];
  if (!value) throw new RangeError(`${part.label} has no ${id}.`);
  return middle(value.interval);
};
const refusal = (part: typeof BLOCK, id: PlannedId, by: number, round = ROUND) => {
  const done = worked(part, id, by, round);
  return isDone(done) ? undefined : done.refused;
};

describe('planned work', () => {
  it('is called by what the machine shop calls it, and asks for an amount in words', () => {
    for (const id of PLANNED_IDS) {
      expect(nameOfWork(id)).toMatch(/^[A-Z]/);
      expect(asksOf(id)).not.toBe('');
      expect(operationOf(id)).toBe(id);
    }
    expect(plannedFor('block')).toEqual(['bore', 'hone', 'deck']);
    expect(plannedFor('crank')).toEqual(['regrindMains', 'regrindPins', 'offsetGrind', 'turnCounterweights']);
    expect(plannedFor('pin')).toEqual([]);
  });

  it('is not done to another kind of part', () => {
    expect(refusal(CRANK, 'deck', 0.1)).toBe('That is not done to such a part.');
    expect(refusal(BLOCK, 'millHead', 0.1)).toBe('That is not done to such a part.');
  });

  it('takes off a deck what it says', () => {
    expect(size(BLOCK, 'block.deckHeight') - size(after(BLOCK, 'deck', 0.2), 'block.deckHeight')).toBeCloseTo(0.2, 6);
  });

  // Common practice, no source: sizes of boring are counted from standard, whatever the cylinder is now.
  it('bores to so much over standard, also what was bored before', () => {
    const once = after(BLOCK, 'bore', 0.5);
    const twice = after(once, 'bore', 1);
    const made = BLOCK.standard['block.bore'];
    expect(size(twice, 'block.bore') - (made ? middle(made) : 0)).toBeCloseTo(1, 3);
    expect(refusal(BLOCK, 'bore', 30)).toBeDefined();
  });

  it('hones out of the diameter what it says, and no more than a hone takes', () => {
    const honed = after(BLOCK, 'hone', 0.03);
    expect(size(honed, 'block.bore') - size(BLOCK, 'block.bore')).toBeCloseTo(0.03, 3);
    expect(refusal(BLOCK, 'hone', 2)).toBeDefined();
  });

  // Geometry: a chamber as wide as the bore at the face loses that disc, and most are somewhat narrower.
  it('takes from a chamber about as much as the face of a bore holds', () => {
    const lost = size(HEAD, 'head.chamber.volume') - size(after(HEAD, 'millHead', 0.5), 'head.chamber.volume');
    const disc = ((Math.PI / 4) * 101 * 101 * 0.5) / 1000;
    expect(lost).toBeGreaterThan(0.4 * disc);
    expect(lost).toBeLessThan(1.01 * disc);
    const { bore: _unknown, ...without } = ROUND;
    expect(refusal(HEAD, 'millHead', 0.5, without as typeof ROUND)).toContain('bore must be known');
  });

  it('grinds journals to so much under standard', () => {
    for (const [id, journal] of [
      ['regrindMains', 'crank.mainJournal.diameter'],
      ['regrindPins', 'crank.crankpin.diameter'],
    ] as const) {
      const made = CRANK.standard[journal];
      const ground = after(CRANK, id, 0.254);
      expect((made ? middle(made) : 0) - size(ground, journal)).toBeCloseTo(0.254, 3);
      expect(refusal(CRANK, id, 12)).toBeDefined();
    }
  });

  // Common practice, no source: grinding pins off centre gives stroke and takes diameter; half of it to a side.
  it('grinds pins off centre for stroke, to an undersize that has the metal', () => {
    const longer = after(CRANK, 'offsetGrind', 0.2);
    expect(size(longer, 'crank.stroke') - size(CRANK, 'crank.stroke')).toBeCloseTo(0.2, 3);
    expect(size(longer, 'crank.crankpin.diameter')).toBeLessThan(size(CRANK, 'crank.crankpin.diameter'));
    expect(refusal(CRANK, 'offsetGrind', 40)).toContain('No undersize');
  });

  it('turns counterweights down, machines crowns and deepens pockets by what it says', () => {
    expect(size(CRANK, 'crank.swing') - size(after(CRANK, 'turnCounterweights', 1), 'crank.swing')).toBeCloseTo(1, 3);
    const crown = after(PISTON, 'machineCrown', 0.4);
    expect(size(PISTON, 'piston.compressionHeight') - size(crown, 'piston.compressionHeight')).toBeCloseTo(0.4, 3);
  });

  it('leaves the part it was given as it was', () => {
    const before = JSON.stringify(BLOCK);
    after(BLOCK, 'deck', 0.2);
    after(BLOCK, 'bore', 0.5);
    expect(JSON.stringify(BLOCK)).toBe(before);
  });
});
