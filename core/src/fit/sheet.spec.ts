import * as fc from 'fast-check';
import { partFromPattern } from '../catalogue/part';
import type { MeasuredAt } from '../catalogue/measuredSize';
import { sizeOf } from '../catalogue/value';
import { interval } from '../quantity/interval';
import { say } from '../quantity/sentence';
import { demoPattern } from '../testing/demo';
import { judgeSheet, placesOf } from './sheet';
import { sheetFor } from './sheets';
import { holds } from '../testing/laws';

const PATTERN = demoPattern('lumen-crank-4b');
const MAINS = sheetFor('crank.mainJournal.diameter');
if (!MAINS) throw new RangeError('There is no sheet of mains.');
const MADE = sizeOf(PATTERN, MAINS.parameter)?.value;
if (!MADE) throw new RangeError('Nobody says what the mains were made to.');

/** Mains of this crank that were measured at both ends and both ways, without anything uncertain about it. */
const measured = (...journals: readonly (readonly [number, number, number, number])[]) => {
  const at = journals.map((figures, which): MeasuredAt => {
    const [front1, front2, rear1, rear2] = figures;
    const spot = (level: 'top' | 'bottom', axis: 1 | 2, size: number) => ({ level, axis, interval: interval(size) });
    return {
      position: which + 1,
      interval: interval(Math.min(...figures), Math.max(...figures)),
      outOfRound: interval(Math.max(Math.abs(front1 - front2), Math.abs(rear1 - rear2))),
      taper: interval(Math.max(Math.abs(front1 - rear1), Math.abs(front2 - rear2))),
      spots: [spot('top', 1, front1), spot('top', 2, front2), spot('bottom', 1, rear1), spot('bottom', 2, rear2)],
    };
  });
  const part = partFromPattern(PATTERN, 'the crank');
  const all = journals.flat();
  const value = { interval: interval(Math.min(...all), Math.max(...all)), source: 'measured' as const, at };
  return judgeSheet(MAINS, { ...part, values: { ...part.values, [MAINS.parameter.id]: value } }, PATTERN, {});
};
const round = (size: number): readonly [number, number, number, number] => [size, size, size, size];

describe('a sheet of journals, judged', () => {
  const middle = (MADE.limits.low + MADE.limits.high) / 2;

  it('finds nothing in what is as it was made', () => {
    const { places, specified, cleansUp } = measured(round(middle), round(MADE.limits.low), round(MADE.limits.high));
    expect(places.map(({ verdict, step, outOfRound, taper }) => [verdict, step, outOfRound, taper])).toEqual(
      [0, 0, 0].map((nothing) => ['fits', 0, nothing, nothing]),
    );
    expect(places.flatMap(({ says }) => says)).toEqual([]);
    expect(specified).toEqual(MADE.limits);
    // Where any of them is worked on, all go to the first undersize.
    expect(cleansUp?.step).toBe(1);
  });

  // Common practice, no source: a journal that is out of round or tapered is ground, whatever it measures elsewhere.
  it('tells out of round from taper, and what is too much of either', () => {
    const [oval, tapered] = measured(
      [middle, middle - 0.02, middle, middle - 0.02],
      [middle, middle, middle - 0.02, middle - 0.02],
    ).places;
    expect(oval?.outOfRound).toBeCloseTo(0.02, 9);
    expect(oval?.taper).toBeCloseTo(0, 9);
    expect(tapered?.taper).toBeCloseTo(0.02, 9);
    expect(tapered?.outOfRound).toBeCloseTo(0, 9);
    expect([oval?.verdict, tapered?.verdict]).toEqual(['doesNotFit', 'doesNotFit']);
    expect(say(oval?.says.at(-1) ?? [], 'metric')).toContain('out of round');
    expect(say(tapered?.says.at(-1) ?? [], 'metric')).toContain('tapered');
  });

  // Common practice, no source: all mains are ground to one size, and the worst of them says which.
  it('goes to the first undersize at which the worst of them cleans up', () => {
    const [first = 0, second = 0] = MADE.service;
    expect(first).toBeLessThan(0);
    expect(second).toBeLessThan(first);
    const scored = (deep: number) => measured(round(middle), round(middle - deep), round(middle)).cleansUp;
    expect(scored(0.05)).toEqual(jasmine.objectContaining({ step: 1 }));
    const past = scored(Math.abs(first) + 0.03);
    expect(past?.step).toBe(2);
    expect(past?.size.low).toBeCloseTo(MADE.limits.low + second, 9);
    // What no undersize cleans up is not called clean.
    expect(scored(Math.abs(MADE.service.at(-1) ?? 0) + 0.1)).toBeUndefined();
  });

  it('knows a crank that was ground before, and holds it by the size it was ground to', () => {
    const [first = 0] = MADE.service;
    const { places, specified } = measured(round(middle + first), round(middle + first), round(middle + first));
    expect(places.map(({ step, verdict }) => [step, verdict])).toEqual([1, 1, 1].map((step) => [step, 'fits']));
    expect(specified?.low).toBeCloseTo(MADE.limits.low + first, 9);
    // One that was left standard among them is not of that size.
    const [, odd] = measured(round(middle + first), round(middle), round(middle + first)).places;
    expect([odd?.step, odd?.verdict]).toEqual([0, 'doesNotFit']);
  });

  it('is the same in whatever order the journals lie, each with its own (property)', () => {
    const SIZE = fc.double({ min: MADE.limits.low - 0.3, max: MADE.limits.high, noNaN: true });
    holds(
      fc.property(fc.array(fc.tuple(SIZE, SIZE, SIZE, SIZE), { minLength: 2, maxLength: 5 }), (journals) => {
        const there = measured(...journals);
        const back = measured(...[...journals].reverse());
        expect(back.cleansUp).toEqual(there.cleansUp);
        const told = ({ places }: typeof there) => places.map(({ outOfRound, taper }) => [outOfRound, taper]);
        expect(told(back).reverse()).toEqual(told(there));
      }),
      100,
    );
  });

  it('has as many places as are seen on the part, or as were measured, or as is usual', () => {
    const part = partFromPattern(PATTERN, 'the crank');
    expect(placesOf(MAINS, part)).toBe(5);
    const bare = { ...part, looks: {} };
    expect(placesOf(MAINS, bare)).toBe(5);
    const at = [{ position: 7, interval: interval(52) }];
    const long = {
      ...bare,
      values: { [MAINS.parameter.id]: { interval: interval(52), source: 'measured' as const, at } },
    };
    expect(placesOf(MAINS, long)).toBe(7);
    const rod = sheetFor('rod.length');
    expect(rod && placesOf(rod, part)).toBe(1);
  });
});
