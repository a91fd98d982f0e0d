import { LOOKUP, demoPattern } from '../testing/demo';
import { build, GROUND } from '../testing/plans';
import { jointsOf, engineOf } from '../build/index';
import { readEntry } from '../readings/entryLine';
import type { Specimen } from '../readings/reading';
import type { HouseRules } from '../shop/houseRules';
import type { Demands } from './demands';
import { setOf, weighPlainly, type SetFound } from './evaluate';
import { FigureTeller } from './figureTeller';
import type { Option } from './options';
import { planFor, searchProblemOf } from './plan';
import { problemOf, type PlanProblem } from './problem';
import { Best } from './best';
import { isLeaf } from './search';
import { Weigher } from './weigher';

const free = (...slots: readonly string[]) => slots.map((slot) => ({ slot, from: 'any' as const }));
const named = (set: SetFound | undefined, problem: PlanProblem, slot: string): Option | undefined =>
  set?.options[problem.choices.findIndex((choice) => choice.slot === slot)];

/** Every selection of a problem, one after another. */
function* selections(problem: PlanProblem): Generator<readonly number[]> {
  const sizes = problem.choices.map(({ options }) => options.length);
  const all = sizes.reduce((so, size) => so * size, 1);
  for (let which = 0; which < all; which++) {
    let left = which;
    yield [...sizes].reverse().reduce<number[]>((so, size) => {
      so.unshift(left % size);
      left = Math.floor(left / size);
      return so;
    }, []);
  }
}

/** Plain enumeration: every set put together and judged by all joints, and the best of them. */
function enumerated(problem: PlanProblem, answers: number) {
  const best = new Best<SetFound>(answers);
  const figures = new FigureTeller(problem);
  for (const selection of selections(problem)) {
    const options = selection.flatMap((option, at) => problem.choices[at]?.options[option] ?? []);
    const leaf = setOf(problem, options, figures, weighPlainly(problem, options));
    if (isLeaf(leaf)) best.offer({ selection, leaf });
  }
  return best.all;
}

/** The first few patterns of a kind that begin with a family's name. */
const some = (kind: Parameters<typeof GROUND.ofKind>[0], family: string, most: number): string[] =>
  GROUND.ofKind(kind)
    .flatMap(({ pattern }) => (pattern?.startsWith(family) ? [pattern] : []))
    .slice(0, most);
const these = (kind: Parameters<typeof GROUND.ofKind>[0], family: string, most: number) => ({
  slot: kind,
  from: 'these' as const,
  patterns: some(kind, family, most),
  mayStay: true,
});

/** Small instances over the demo, tight, loose and with no answer at all. */
const SMALL: readonly (readonly [name: string, PlanProblem])[] = (
  [
    ['cranks and pistons', 'sluice-336', { places: [these('crank', 'sluice', 5), these('piston', 'sluice', 6)] }],
    [
      'with a displacement',
      'sluice-336',
      {
        places: [these('crank', 'sluice', 6), these('piston', 'sluice', 5)],
        targets: [{ figure: 'displacement', low: 5700, high: 5950 }],
      },
    ],
    [
      'a ratio that is only wished',
      'lumen-4-77',
      {
        places: [these('piston', 'lumen', 5), these('headGasket', 'lumen', 3)],
        targets: [{ figure: 'ratio', low: 10, high: 10.5, weight: 60 }],
      },
    ],
    [
      'money too short',
      'skerry-47',
      { places: [these('crank', 'skerry', 4), these('rod', 'skerry', 4)], limits: { price: 50 } },
    ],
    [
      'with cutting',
      'ambit-1360',
      {
        places: [these('piston', 'ambit', 4), these('head', 'ambit', 3)],
        targets: [{ figure: 'squish', low: 0.9, high: 1.2 }],
        shape: [{ operation: 'millHead', most: 0.2, step: 0.1 }],
      },
    ],
    [
      'nothing to be done to it',
      'pip-48',
      { places: [these('rod', 'minnow', 4), these('piston', 'pip', 3)], reversible: true },
    ],
    [
      'parts of a stranger',
      'minnow-48',
      { places: [these('crank', 'pip', 4), these('rod', 'pip', 3), these('piston', 'pip', 3)] },
    ],
  ] as const satisfies readonly (readonly [string, string, Demands])[]
).map(([name, variant, demands]) => [name, problemOf(build(variant), demands, GROUND)]);

describe('the planner', () => {
  for (const [name, problem] of SMALL)
    it(`finds what plain enumeration finds, in its order: ${name}`, () => {
      const plain = enumerated(problem, 4);
      const { best, proved } = planFor(problem, { answers: 4 });
      expect(proved).toBeTrue();
      expect(best.map(({ selection }) => selection)).toEqual(plain.map(({ selection }) => selection));
      expect(best.map(({ leaf }) => leaf.score)).toEqual(plain.map(({ leaf }) => leaf.score));
    });

  it('has instances with answers and without, and some that want work', () => {
    const found = SMALL.map(([, problem]) => planFor(problem, { answers: 1 }).best[0]?.leaf);
    expect(found.filter((each) => each === undefined).length).toBeGreaterThan(0);
    expect(found.filter((each) => each !== undefined).length).toBeGreaterThan(3);
    expect(
      SMALL.flatMap(([, problem]) => planFor(problem).best).some(({ leaf }) => leaf.weighed.work.length > 0),
    ).toBeTrue();
  });

  it('weighs every set as it is weighed by itself, with nothing kept from others', () => {
    for (const [name, problem] of SMALL) {
      const weigher = new Weigher(problem);
      let at = 0;
      for (const selection of selections(problem)) {
        // Every third is enough: they differ in one part at a time.
        if (at++ % 3 !== 0) continue;
        const options = selection.flatMap((option, which) => problem.choices[which]?.options[option] ?? []);
        const [kept, plain] = [weigher.weigh(selection), weighPlainly(problem, options)];
        const told = ({ verdict, price, hours, work, open }: typeof plain) =>
          JSON.stringify([verdict, price, hours, work.map((each) => each.name), open.map(({ check }) => check.id)]);
        expect(told(kept)).withContext(`${name} ${selection.join()}`).toBe(told(plain));
      }
    }
  });

  it('refuses by its constraints nothing that the whole set takes', () => {
    for (const [name, problem] of SMALL) {
      const { constraints } = searchProblemOf(problem);
      const figures = new FigureTeller(problem);
      for (const selection of selections(problem)) {
        const options = selection.flatMap((option, which) => problem.choices[which]?.options[option] ?? []);
        const refusing = constraints.filter(({ vars, judge }) => judge(vars.map((at) => selection[at] ?? 0)) === 3);
        if (refusing.length === 0) continue;
        expect(isLeaf(setOf(problem, options, figures)))
          .withContext(`${name} ${selection.join()}: ${refusing.map((each) => each.name).join()}`)
          .toBeFalse();
      }
    }
  });

  it('a set taken over into a build goes together there as it was told', () => {
    for (const [name, problem] of SMALL) {
      const [first] = planFor(problem, { answers: 1 }).best;
      if (!first) continue;
      const places = first.leaf.options
        .flatMap(({ places: all }) => all)
        .filter(({ pattern }) => pattern !== undefined);
      const judged = jointsOf(engineOf({ ...problem.build, places }, GROUND), GROUND.context);
      expect(judged?.verdict).withContext(name).not.toBe('doesNotFit');
    }
  });
});

describe('the three classic cases', () => {
  it('the pistons that go with a longer stroke are found with their crank', () => {
    const problem = problemOf(
      build('sluice-336'),
      { places: free('crank', 'piston'), targets: [{ figure: 'displacement', low: 5800, high: 5900 }] },
      GROUND,
    );
    const [best] = planFor(problem).best;
    const stroke = (pattern: string | undefined) => demoPattern(pattern ?? '').dimensions['crank.stroke'];
    expect(stroke(named(best?.leaf, problem, 'crank')?.part.pattern)).toBeDefined();
    // Common practice, no source: half of what the stroke is longer comes off the compression height.
    const height = (pattern: string | undefined) =>
      LOOKUP.part(pattern ?? '')?.values['piston.compressionHeight']?.interval.high ?? Number.NaN;
    const was = LOOKUP.variant('sluice-336')?.fitments.find(({ slot }) => slot === 'piston')?.pattern;
    expect(height(named(best?.leaf, problem, 'piston')?.part.pattern)).toBeLessThan(height(was));
  });

  it('an oversize piston saves a liner: boring and it cost less than a new liner and a piston', () => {
    // Common practice, no source.
    const worn: Specimen = {
      id: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a22',
      name: 'Worn liner',
      kind: 'liner',
      readings: readEntry('liner bore 116.4 mic', 'liner').words.map((is, at) => ({
        id: `7a0d5a1e-3f7f-4f43-8f25-0000000000${String(at).padStart(2, '0')}`,
        at: '2026-03-02T08:10:00.000Z',
        is,
      })),
    };
    const ground = {
      ...GROUND,
      specimens: [...GROUND.specimens, worn],
      takenFor: (specimen: Specimen) => (specimen === worn ? 'skerry-liner-three' : GROUND.takenFor(specimen)),
    };
    const asked = (from: Demands['places'][number]) =>
      planFor(
        problemOf(
          build('skerry-47', { slot: 'liner', specimen: worn.id }),
          { places: [...free('piston'), from], answers: 1 },
          ground,
        ),
      ).best[0]?.leaf;
    const either = asked({ slot: 'liner', from: 'any', mayStay: true });
    const anew = asked({ slot: 'liner', from: 'any' });
    expect(either?.options.some(({ size = 0, part }) => part.kind === 'piston' && size > 0)).toBeTrue();
    expect(either?.weighed.work.some(({ steps }) => steps.includes('bore'))).toBeTrue();
    expect(anew?.options.some(({ from, part }) => part.kind === 'liner' && from === 'bought')).toBeTrue();
    expect(either?.price).toBeLessThan(anew?.price ?? 0);
  });

  it('the copy whose taper is on the other crank only changes its rod, pin and piston with it', () => {
    const problem = problemOf(
      build('minnow-48', { slot: 'flywheel', pattern: 'pip-flywheel-48' }),
      {
        places: ['crank', 'rod', 'pin', 'piston'].map((slot) => ({ slot, from: 'any' as const, mayStay: true })),
        forbid: ['narrowRod'],
      },
      GROUND,
    );
    const [best] = planFor(problem).best;
    expect(named(best?.leaf, problem, 'crank')?.part.pattern).toContain('pip-crank');
    for (const slot of ['rod', 'pin', 'piston'])
      expect(named(best?.leaf, problem, slot)?.from)
        .withContext(slot)
        .not.toBe('there');
  });
});

describe('what an option is', () => {
  const piston = (more: Partial<Demands> = {}, variant = 'lumen-4-77') =>
    problemOf(build(variant), { places: [{ slot: 'piston', from: 'any' }], ...more }, GROUND).choices[0]?.options ?? [];

  it('a bought piston in each size it comes in, at the price of as many as the engine has cylinders', () => {
    const sold = GROUND.ofKind('piston').find(({ service }) => (service['piston.bore'] ?? []).length > 1);
    const steps = sold?.service['piston.bore'] ?? [];
    const all = piston().filter(({ part }) => part.pattern === sold?.pattern);
    expect(steps.length).toBeGreaterThan(1);
    expect(all.map(({ size = 0 }) => size).sort()).toEqual([0, ...steps].sort());
    for (const { part, price, unpriced, work } of piston())
      if (!unpriced && work.length === 0 && part.price !== undefined && part.pieces === undefined)
        expect(price).toBe(4 * part.price);
  });

  it('the cheapest stand first, and none comes twice', () => {
    const all = piston();
    const costs = all.map(({ cost }) => cost);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
    expect(new Set(all.map(({ key, work }) => `${key} ${JSON.stringify(work)}`)).size).toBe(all.length);
  });

  it('one without a price is reckoned as the dearest of its kind, and says so', () => {
    const dearest = Math.max(...GROUND.ofKind('piston').flatMap(({ price }) => price ?? []));
    const unpriced = piston().filter((option) => option.unpriced);
    expect(unpriced.length).toBeGreaterThan(0);
    for (const { price } of unpriced) expect(price).toBeGreaterThanOrEqual(dearest);
  });

  it('is cut in steps where that is allowed, and not where the work is forbidden', () => {
    const shape = [{ operation: 'machineCrown' as const, most: 0.3, step: 0.1 }];
    const cuts = (more: Partial<Demands>) =>
      new Set(piston({ shape, ...more }).map(({ work }) => work[0]?.by.value ?? 0));
    expect([...cuts({})].sort()).toEqual([0, 0.1, 0.2, 0.3]);
    expect([...cuts({ forbid: ['machineCrown'] })]).toEqual([0]);
    expect([...cuts({ reversible: true })]).toEqual([0]);
  });

  it('is cut as well where the engine has it and nobody asked for another', () => {
    const asked = (shape: Demands['shape']) =>
      problemOf(build('sluice-357'), { places: free('headGasket'), ...(shape ? { shape } : {}) }, GROUND).choices;
    expect(asked(undefined).map(({ slot }) => slot)).toEqual(['headGasket']);
    const block = asked([{ operation: 'deck', most: 0.2, step: 0.1 }]).find(({ slot }) => slot === 'block');
    expect(block?.options.map(({ work, from }) => [from, work[0]?.by.value ?? 0])).toEqual([
      ['there', 0],
      ['there', 0.1],
      ['there', 0.2],
    ]);
    // What is not cut is not written into the build.
    expect(block?.options[1]?.places).toEqual([
      { slot: 'block', work: [{ operation: 'deck', by: { value: 0.1, unit: 'mm' } }] },
    ]);
  });

  it('of the shelf stands there for one engine once, however many lie there alike', () => {
    const options = problemOf(build('pip-48'), { places: [{ slot: 'piston', from: 'shelf' }] }, GROUND).choices[0]
      ?.options;
    expect(options?.every(({ from, price }) => from === 'shelf' && price === 0)).toBeTrue();
    const v8 =
      problemOf(build('sluice-336'), { places: [{ slot: 'piston', from: 'shelf' }] }, GROUND).choices[0]?.options ?? [];
    // A set wants eight of one pattern.
    for (const { places } of v8) expect(places.length).toBe(8);
  });
});

describe('what the house calls the better set', () => {
  const within = (sets: NonNullable<HouseRules['sets']>) => {
    const ground = { ...GROUND, context: { ...GROUND.context, rules: { sets } } };
    const problem = problemOf(
      build('sluice-336'),
      {
        places: [
          { slot: 'crank', from: 'any', mayStay: true },
          { slot: 'piston', from: 'any', mayStay: true },
        ],
        answers: 1,
        targets: [{ figure: 'displacement', low: 5700, high: 5950 }],
        limits: { open: 30 },
      },
      ground,
    );
    return { problem, best: planFor(problem).best[0]?.leaf };
  };

  it('is what its sets are ranked by, and what a demand says of itself counts before that', () => {
    expect(within('price').problem.weights.open).toBeLessThan(within('sure').problem.weights.open);
    expect(within('hand').problem.weights.buys).toBeGreaterThan(within('price').problem.weights.buys);
    expect(within('hours').problem.weights.hours).toBeGreaterThan(0);
    const own = problemOf(
      build('sluice-336'),
      { places: [{ slot: 'piston', from: 'any' }], weights: { open: 7 } },
      { ...GROUND, context: { ...GROUND.context, rules: { sets: 'sure' as const } } },
    );
    expect([own.weights.open, own.weights.irreversible]).toEqual([7, 100]);
  });

  it('never makes it dearer to go by price, nor leaves more open to go by what is sure', () => {
    const [cheap, sure] = [within('price').best, within('sure').best];
    if (!cheap || !sure) throw new Error('The demo has no such set.');
    expect(cheap.price).toBeLessThanOrEqual(sure.price + 20 * sure.open + 10 * sure.irreversible + 5 * sure.buys);
    expect(sure.open).toBeLessThanOrEqual(cheap.open);
  });
});
