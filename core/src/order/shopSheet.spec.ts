import fc from 'fast-check';
import type { Build, PlannedWork } from '../build/build';
import { KINDS } from '../dictionary/dictionary';
import { OPERATION_IDS, OPERATIONS, type Operation } from '../joints/operations/operations';
import { BUILD_LOOKUP, BUILDS, JOBS, KNOWING_LOOKUP } from '../testing/demo';
import { shopSheetOf, type ShopStep } from './shopSheet';
import { holds } from '../testing/laws';

const work = (operation: PlannedWork['operation'], value: number): PlannedWork => ({
  operation,
  by: { value, unit: 'mm' },
});
const build = (places: Build['places'], variant = 'lumen-4-77'): Build => ({
  id: '00000000-0000-4000-8000-000000000001',
  name: 'Made up',
  variant,
  places,
  sizes: [],
});
const stepsOf = (places: Build['places'], job?: Parameters<typeof shopSheetOf>[2]): readonly ShopStep[] =>
  shopSheetOf(build(places), BUILD_LOOKUP, job).steps;
const BLOCK = { slot: 'block', work: [work('hone', 0.04), work('bore', 0.5), work('deck', 0.1)] };

const operation = (id: (typeof OPERATION_IDS)[number]): Operation => OPERATIONS[id];

describe('what the operations say of each other', () => {
  it('names operations and sizes that there are', () => {
    const ids = new Set(
      Object.values(KINDS).flatMap(({ parameters }) => Object.values(parameters).map(({ id }) => id)),
    );
    for (const id of OPERATION_IDS) {
      for (const other of operation(id).before ?? [])
        expect(OPERATION_IDS as readonly string[])
          .withContext(`${id} before`)
          .toContain(other);
      for (const size of operation(id).spoils ?? [])
        expect(ids.has(size)).withContext(`${id} spoils ${size}`).toBeTrue();
    }
  });

  it('goes round in no circle, so that there is an order of work', () => {
    const reached = (from: string, seen: readonly string[] = []): readonly string[] =>
      (operation(from as 'bore').before ?? []).flatMap((next) =>
        seen.includes(next) ? [next] : [next, ...reached(next, [...seen, next])],
      );
    for (const id of OPERATION_IDS) expect(reached(id)).withContext(id).not.toContain(id);
  });

  // Common practice, no source: the main line is bored first, then the deck is cut square to it, then the cylinders are
  // bored from the deck and honed last; guides are done before the seats that are cut from them.
  it('has the order of the trade', () => {
    const before = (a: keyof typeof OPERATIONS, b: string): boolean => (operation(a).before ?? []).includes(b);
    expect(before('lineBore', 'deck')).toBeTrue();
    expect(before('deck', 'bore')).toBeTrue();
    expect(before('bore', 'hone')).toBeTrue();
    expect(before('bushGuides', 'cutSeats')).toBeTrue();
    expect(before('regrindMains', 'polish')).toBeTrue();
    expect(before('bore', 'deck')).toBeFalse();
  });
});

describe('the sheet for the machine shop', () => {
  it('puts the work in the order it must be done, whatever the build lists first', () => {
    expect(stepsOf([BLOCK]).map(({ operation: id }) => id)).toEqual(['deck', 'bore', 'hone']);
    expect(stepsOf([BLOCK]).map(({ after }) => after)).toEqual([[], [1], [1, 2]]);
  });

  it('is the same however the work was listed, and nothing comes before what must precede it (property)', () => {
    const all = [work('hone', 0.04), work('bore', 0.5), work('deck', 0.1)];
    holds(
      fc.property(fc.shuffledSubarray(all, { minLength: 1 }), (listed) => {
        const steps = stepsOf([{ slot: 'block', work: listed }]);
        expect(steps.length).toBe(listed.length);
        steps.forEach((step, at) => {
          for (const later of steps.slice(at + 1))
            expect(operation(later.operation).before ?? []).not.toContain(step.operation);
        });
      }),
      20,
    );
  });

  it('says the size to reach with its limits, what it is now, and what only comes of it', () => {
    const bore = stepsOf([{ slot: 'block', work: [work('bore', 0.5)] }])[0];
    const [target, wall] = bore?.reach ?? [];
    expect([target?.id, target?.follows]).toEqual(['block.bore', undefined]);
    // Half a millimetre over the new bore, and a limit either way.
    expect((target?.to.low ?? 0) + (target?.to.high ?? 0)).toBeCloseTo(2 * 78.51, 6);
    expect(target?.to.high ?? 0).toBeGreaterThan(target?.to.low ?? 0);
    expect(target?.now?.low).toBeCloseTo(78, 9);
    expect(target?.measured).toContain('Diameter of a cylinder');
    // Half of what comes out of the diameter comes off the wall.
    expect([wall?.id, wall?.follows]).toEqual(['block.wall', true]);
    expect((wall?.now?.low ?? 0) - (wall?.to.low ?? 0)).toBeCloseTo(0.25, 6);
    expect(bore?.amount).toBe('0.5 mm over standard');
    expect(bore?.again).toEqual(['cylinder wall of the block']);
    expect(bore?.bring).toContain('pistons');
    expect(bore?.canUndo).toBeFalse();
    expect(bore?.caution).toContain('iron dust');
  });

  it('sizes a second operation from what the first leaves', () => {
    const [first, second] = stepsOf([{ slot: 'block', work: [work('deck', 0.1), work('deck', 0.1)] }]);
    expect(first?.on).toBe('block');
    expect(second?.on).toBe('block #2');
    expect(second?.reach[0]?.now).toEqual(first?.reach[0]?.to);
  });

  it('costs what such work costs, one of several its share', () => {
    const whole = shopSheetOf(build([{ slot: 'block', work: [work('bore', 0.5)] }]), BUILD_LOOKUP);
    expect([whole.hours, whole.price]).toEqual([OPERATIONS.bore.hours, OPERATIONS.bore.price]);
    const one = stepsOf([
      { slot: 'piston', at: 2, pattern: 'lumen-piston-78-77-88', work: [work('machineCrown', 0.2)] },
    ])[0];
    expect(one?.at).toBe(2);
    expect(one?.price).toBe(OPERATIONS.machineCrown.price / 4);
  });

  it('says what cannot be done as the build has it', () => {
    const [step] = stepsOf([{ slot: 'block', work: [work('bore', 9)] }]);
    expect(step?.problem).toBeTruthy();
    expect(step?.reach).toEqual([]);
  });

  it('knows what became of it, and keeps what is ordered besides', () => {
    const id = '00000000-0000-4000-8000-00000000000';
    const job = {
      work: [
        { id: `${id}1`, on: 'block', operation: 'bore' as const, state: 'out' as const },
        {
          id: `${id}2`,
          on: 'Terrace pump crank',
          operation: 'polish' as const,
          state: 'planned' as const,
          note: 'lightly',
        },
        { id: `${id}3`, on: 'block', operation: 'lineBore' as const, state: 'back' as const },
      ],
    };
    const steps = stepsOf([{ slot: 'block', work: [work('bore', 0.5)] }], job);
    expect(steps.map(({ operation: name, state, part }) => [name, state, part])).toEqual([
      ['polish', 'planned', 'Terrace pump crank'],
      ['lineBore', 'back', 'Block'],
      ['bore', 'out', jasmine.any(String)],
    ]);
    expect(steps[0]?.note).toBe('lightly');
    expect(steps[2]?.after).toEqual([2]);
    // The work is off the build, and the job remembers that it was done.
    expect(
      stepsOf([], job)
        .map(({ operation: name }) => name)
        .sort(),
    ).toEqual(['bore', 'lineBore', 'polish']);
  });

  it('of the demo has the block bored after it was decked', () => {
    const job = JOBS.find(({ name }) => name.startsWith('Pump of the lower terrace'));
    const demo = BUILDS.find(({ id }) => id === job?.build);
    const sheet = demo && shopSheetOf(demo, KNOWING_LOOKUP, job);
    expect(sheet?.steps.map(({ operation: id, state }) => [id, state])).toEqual([
      ['deck', 'back'],
      ['bore', 'planned'],
    ]);
    expect(sheet?.steps[1]?.specimen).toBeDefined();
    expect(sheet?.steps[1]?.problem).toBeUndefined();
  });
});
