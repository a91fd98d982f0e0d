import fc from 'fast-check';
import { holds } from '../testing/laws';
import { build, GROUND } from '../testing/plans';
import type { Demands } from './demands';
import { conflictsOf } from './conflicts';
import { setOf, type SetFound } from './evaluate';
import type { OnSale } from './options';
import { planFor } from './plan';
import { problemOf, type PlanGround } from './problem';

const BUILD = build('lumen-4-77');
const [PISTON, OTHER] = ['lumen-piston-78-77-88', 'lumen-piston-78-77-95'];
const PATTERNS = GROUND.ofKind('piston').flatMap(({ pattern }) => pattern ?? []);

const selling = (lists: Readonly<Record<string, readonly OnSale[]>>): PlanGround => ({
  ...GROUND,
  shelf: [],
  onSale: (pattern) => lists[pattern] ?? [],
});
const PLACES: Demands['places'] = [{ slot: 'piston', from: 'any' }];
const problem = (ground: PlanGround, demands: Partial<Demands> = {}) =>
  problemOf(BUILD, { places: PLACES, answers: 12, ...demands }, ground);
const pistons = (ground: PlanGround, demands: Partial<Demands> = {}) =>
  problem(ground, demands)
    .choices.find(({ slot }) => slot === 'piston')
    ?.options.filter(({ part, size }) => part.pattern === PISTON && size === undefined) ?? [];

describe('what suppliers sell', () => {
  // Common practice, no source: cheap and late, or dear and at once; what is both dearer and later nobody buys.
  it('is an option for each offer that is not both dearer and later than another', () => {
    const offers = [
      { supplier: 'slow', price: 100, days: 9 },
      { supplier: 'dear and slow', price: 120, days: 9 },
      { supplier: 'quick', price: 140, days: 1 },
      { supplier: 'dear', price: 200, days: 1 },
      { supplier: 'silent', price: 90 },
    ];
    const found = pistons(selling({ [PISTON]: offers }));
    expect(found.map(({ supplier, price, days }) => [supplier, price, days])).toEqual([
      ['silent', 90, undefined],
      ['slow', 100, 9],
      ['quick', 140, 1],
    ]);
  });

  it('goes before the price on record, which stands where no list has it', () => {
    const [known] = pistons(selling({}));
    expect(known?.supplier).toBeUndefined();
    expect(known?.days).toBeUndefined();
    const [offered] = pistons(selling({ [PISTON]: [{ supplier: 'a', price: (known?.price ?? 0) + 50, days: 3 }] }));
    expect(offered?.price).toBe((known?.price ?? 0) + 50);
  });

  it('is all there is where only some may sell', () => {
    const ground = selling({
      [PISTON]: [
        { supplier: 'a', price: 100, days: 3 },
        { supplier: 'b', price: 80, days: 3 },
      ],
    });
    expect(pistons(ground, { suppliers: ['a'] }).map(({ supplier }) => supplier)).toEqual(['a']);
    expect(pistons(ground, { suppliers: [] })).toEqual([]);
    const others = problem(ground, { suppliers: ['a'] }).choices.find(({ slot }) => slot === 'piston')?.options ?? [];
    expect(new Set(others.map(({ part }) => part.pattern))).toEqual(new Set([PISTON]));
  });

  it('is not asked for what is there or lies on the shelf', () => {
    const there = problem(selling({}), { places: [{ slot: 'piston', from: 'these', mayStay: true }], suppliers: [] });
    expect(there.choices.find(({ slot }) => slot === 'piston')?.options.map(({ days }) => days)).toEqual([0]);
  });
});

describe('days until a set can be had', () => {
  const ground = selling({
    [PISTON]: [
      { supplier: 'slow', price: 100, days: 20 },
      { supplier: 'quick', price: 130, days: 2 },
    ],
    [OTHER]: [{ supplier: 'slow', price: 90, days: 30 }],
  });
  const only = (demands: Partial<Demands>): readonly SetFound[] =>
    planFor(problem(ground, { suppliers: ['slow', 'quick'], ...demands })).best.map(({ leaf }) => leaf);

  it('are those of the last part that is waited for', () => {
    const [first] = only({});
    const days = first?.options.map((option) => option.days ?? 0) ?? [];
    expect(first?.days).toBe(Math.max(...days));
    expect(first?.unpromised).toBeFalse();
    expect(planFor(problem(selling({}))).best[0]?.leaf.unpromised).toBeTrue();
  });

  it('may be no more than is demanded, and what nobody promises does not count as soon', () => {
    const soon = only({ limits: { days: 5 } });
    expect(soon.length).toBeGreaterThan(0);
    expect(soon.every(({ days }) => days <= 5)).toBeTrue();
    expect(planFor(problem(selling({}), { limits: { days: 500 } })).best).toEqual([]);
    expect(only({ limits: { days: 1 } })).toEqual([]);
  });

  it('count as much as somebody says', () => {
    const chosen = (days: number) =>
      only({ weights: { days }, places: [{ slot: 'piston', from: 'these', patterns: [PISTON] }] })[0]?.options.find(
        ({ from }) => from === 'bought',
      )?.supplier;
    // Eighteen days are worth thirty in money from 1.67 a day on.
    expect(chosen(0)).toBe('slow');
    expect(chosen(1.6)).toBe('slow');
    expect(chosen(1.7)).toBe('quick');
  });

  it('stand in the way of a set by name, and what they cost is told', () => {
    const { conflicts, relaxations } = conflictsOf(
      {
        build: BUILD,
        demands: {
          places: [{ slot: 'piston', from: 'these', patterns: [PISTON] }],
          limits: { days: 1 },
          suppliers: ['slow', 'quick'],
        },
      },
      ground,
    );
    expect(conflicts.some(({ demands }) => demands.some(({ id }) => id === 'days'))).toBeTrue();
    const without = relaxations.find(({ demands }) => demands.length === 1 && demands[0]?.id === 'days');
    expect(without?.best.leaf.days).toBe(20);
  });

  it('leave the best set the best of all there are, by going through all of them', () => {
    const offer = fc.record({
      supplier: fc.constantFrom('a', 'b', 'c'),
      price: fc.integer({ min: 20, max: 400 }),
      days: fc.option(fc.integer({ min: 0, max: 30 }), { nil: undefined }),
    });
    const lists = fc.dictionary(fc.constantFrom(...PATTERNS.slice(0, 8)), fc.array(offer, { maxLength: 3 }));
    const demands = fc.record({
      weights: fc.record({ days: fc.constantFrom(0, 2, 15) }),
      limits: fc.constantFrom({}, { days: 12 }, { price: 250 }),
    });
    holds(
      fc.property(lists, demands, (all, asked) => {
        const sold = Object.fromEntries(
          Object.entries(all).map(([pattern, offers]) => [
            pattern,
            offers.map(({ days, ...rest }): OnSale => (days === undefined ? rest : { ...rest, days })),
          ]),
        );
        const here = problem(selling(sold), { ...asked, answers: 1 });
        const { best, proved } = planFor(here);
        const scores = (here.choices.find(({ slot }) => slot === 'piston')?.options ?? []).flatMap((option) => {
          const options = here.choices.map(({ slot, options: [only] }) => (slot === 'piston' ? option : only));
          const set = setOf(
            here,
            options.flatMap((each) => each ?? []),
          );
          const late = 'days' in asked.limits && (option.days ?? Infinity) > asked.limits.days;
          return 'refused' in set || late ? [] : [set.score];
        });
        expect(proved).toBeTrue();
        expect(best[0]?.leaf.score ?? Infinity).toBeCloseTo(Math.min(Infinity, ...scores), 6);
      }),
      40,
    );
  });
});
