import type { Specimen } from '../../readings/reading';
import { say } from '../../quantity/sentence';
import { DataError } from '../../formats';
import { CATALOGUE, demoSpecimen, SPECIMENS } from '../../testing/demo';
import { measuredOnly } from '../../testing/specimens';
import { Workshop } from '../workshop';

const workshop = new Workshop(CATALOGUE);
const PISTONS = SPECIMENS.filter(({ name }) => name.startsWith('Terrace piston'));
const RODS = SPECIMENS.filter(({ name }) => name.startsWith('Terrace rod'));

describe('sets of the demo', () => {
  const by = [
    { of: 'piston.mass', allowed: 4 },
    { of: 'piston.skirt.diameter', allowed: 0.012 },
  ];

  it('are four of eleven pistons, with who goes on which rod', () => {
    const set = workshop.ask('fitSets', {
      pool: PISTONS,
      count: 4,
      by,
      partners: [{ specimens: RODS, by: 'rod.mass' }],
    });
    expect(PISTONS.length).toBe(11);
    const [own] = set.sets;
    expect(own?.chosen.length).toBe(4);
    expect(own?.within).toBeTrue();
    expect(set.left.length).toBe(7);
    expect((set.next?.spreads[0] ?? 0) / 4 + (set.next?.spreads[1] ?? 0) / 0.012).toBeGreaterThanOrEqual(
      (own?.spreads[0] ?? 0) / 4 + (own?.spreads[1] ?? 0) / 0.012,
    );
    const sums = set.throws.map(({ sum }) => sum);
    expect(Math.max(...sums) - Math.min(...sums)).toBeCloseTo(set.throwsSpread ?? Number.NaN, 9);
    expect(set.throwsProved).toBeTrue();
    expect(new Set(set.throws.map(({ pieces }) => pieces[1])).size).toBe(4);
    // Nobody weighed the ends of those rods, nor any pin.
    expect(set.bobweight).toBeUndefined();
  });

  // Common practice, no source: on a crankpin of two rods hang both big ends and half of all that goes up and down.
  it('go with rods and pins to throws that weigh alike, and tell the bobweight', () => {
    const rods = RODS.map((each, at) =>
      measuredOnly(each.name, 'rod', { 'mass.bigEnd': 300 + at, 'mass.smallEnd': 120 + 2 * at }, 'g'),
    );
    const pins = RODS.map((_, at) => measuredOnly(`pin ${at}`, 'pin', { mass: 80 + 3 * at }, 'g'));
    const set = workshop.ask('fitSets', {
      pool: PISTONS,
      count: 4,
      by: [{ of: 'piston.mass', allowed: 10 }],
      partners: [
        { specimens: rods, by: 'rod.mass.smallEnd' },
        { specimens: pins, by: 'pin.mass' },
      ],
      balance: { factor: 0.5, rods: 2 },
    });
    expect(set.throws.every(({ pieces }) => pieces.length === 3)).toBeTrue();
    const mean = (all: readonly number[]) => all.reduce((sum, each) => sum + each, 0) / all.length;
    const pistons = mean((set.sets[0]?.chosen ?? []).map(({ figures }) => figures[0] ?? 0));
    expect(set.bobweight?.weight).toBeCloseTo(2 * (301.5 + 0.5 * (pistons + 84.5 + 123)), 9);
  });

  // Common practice, no source: rods are matched end for end, each end at its own pad.
  it('say what has to come off which end', () => {
    const rods = [0, 1, 2, 3].map((at) =>
      measuredOnly(
        `rod ${at}`,
        'rod',
        { 'mass.bigEnd': at === 1 ? 309 : 300, 'mass.smallEnd': at === 3 ? 125 : 120 },
        'g',
      ),
    );
    const { sets } = workshop.ask('fitSets', {
      pool: rods,
      count: 4,
      by: [
        { of: 'rod.mass.bigEnd', allowed: 2 },
        { of: 'rod.mass.smallEnd', allowed: 2 },
      ],
    });
    expect(sets[0]?.within).toBeFalse();
    expect(sets[0]?.chosen.map(({ comesOff }) => comesOff.map(({ grams, from }) => `${grams} ${from}`))).toEqual([
      [],
      ['7 the pad of the cap'],
      [],
      ['3 the pad over the small end'],
    ]);
  });

  it('are told for two engines of one kind from one shelf, no piece in both', () => {
    const asked = workshop.ask('fitSets', { pool: PISTONS, count: 4, engines: 2, by });
    const ids = asked.sets.flatMap(({ chosen }) => chosen.map(({ id }) => id));
    expect(asked.sets.length).toBe(2);
    expect(new Set(ids).size).toBe(8);
    expect(asked.left.length).toBe(PISTONS.length - 8);
    expect(say(asked.says, 'metric')).toContain('no piece in two of them');
    const tooMany = workshop.ask('fitSets', { pool: PISTONS, count: 4, engines: 3, by });
    expect(tooMany.sets).toEqual([]);
    expect(say(tooMany.says, 'metric')).toContain('There are no 3 sets of 4');
  });

  // Common practice, no source: each engine has pistons of one type, but two engines need not have the same.
  it('for two engines may be of a type each', () => {
    const other = PISTONS.slice(0, 2).map((each, at): Specimen => ({
      ...each,
      id: each.id.replace(/..$/, `f${at}`),
      confirmed: { pattern: 'lumen-piston-78-70', by: 'known', at: '2026-10-05T09:00:00Z' },
    }));
    const asked = workshop.ask('fitSets', { pool: [...PISTONS.slice(2, 5), ...other], count: 2, engines: 2, by });
    expect(asked.sets.length).toBe(2);
    expect(new Set(asked.sets.map(({ of }) => of)).size).toBe(2);
  });

  // Common practice, no source: pistons of one engine are of one type.
  it('are of one type, and say what is missing where there are too few', () => {
    const other = demoSpecimen('Piston, two valve pockets');
    const set = workshop.ask('fitSets', { pool: [...PISTONS.slice(0, 3), other], count: 4, by });
    expect(set.sets).toEqual([]);
    expect(say(set.says, 'metric')).toContain('There is no set of 4');
    expect(set.left.find(({ id }) => id === other.id)?.why).toContain('not measured');
    const ask = (of: string) => () => workshop.ask('fitSets', { pool: PISTONS, count: 4, by: [{ of, allowed: 1 }] });
    expect(ask('piston.wing')).toThrowError(DataError, /no such size/);
    expect(ask('wing')).toThrowError(DataError);
  });
});
