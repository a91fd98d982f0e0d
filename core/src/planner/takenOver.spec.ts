import { engineOf, figureOf, jointsOf, operationOf, plannedFrom, type Place } from '../build/index';
import { isShopWork, type OperationId } from '../joints/index';
import { CATALOGUE, demoPart } from '../testing/demo';
import { build, GROUND } from '../testing/plans';
import { FigureTeller } from './figureTeller';
import { planFor } from './plan';
import { problemOf } from './problem';
import { takenOver } from './takenOver';

const judgedOf = (variant: string, places: readonly Place[] = []) =>
  jointsOf(engineOf({ ...build(variant), places: [...places] }, GROUND), GROUND.context);

const SOUGHT = [['piston'], ['head', 'headGasket'], ['crank'], ['rod', 'piston'], ['liner', 'piston']] as const;

/** Only what the catalogue has: of what lies on the shelf half is not known. */
const RECORDED = { ...GROUND, shelf: [] };

/** Sets of every engine of the demo whose own parts go together, whatever work they take. */
function* sets() {
  for (const { id } of CATALOGUE.variants.filter((variant) => judgedOf(variant.id)?.verdict !== 'doesNotFit'))
    for (const slots of SOUGHT) {
      const places = slots.map((slot) => ({ slot, from: 'any' as const }));
      const problem = problemOf(build(id), { places, answers: 3, limits: { open: 40 } }, RECORDED);
      if (problem.choices.every(({ options }) => options.length > 0))
        for (const { leaf } of planFor(problem, { effort: 60 }).best)
          yield { name: `${id}: ${slots.join()}`, problem, found: leaf };
    }
}

describe('a set taken over into a build and a job', () => {
  const SETS = [...sets()];

  it('has all the work that its joints want of the machine shop, in one or the other', () => {
    let [planned, others] = [0, 0];
    for (const { name, problem, found } of SETS) {
      const { places, besides } = takenOver(problem, found);
      const written = places.flatMap(({ work = [] }) => work.map(({ operation }) => operationOf(operation)));
      const wanted = new Set(found.weighed.work.flatMap(({ steps }) => steps).filter(isShopWork));
      const had = new Set<OperationId>([...written, ...besides.map(({ operation }) => operation)]);
      expect([...wanted].filter((each) => !had.has(each)))
        .withContext(name)
        .toEqual([]);
      const engine = engineOf({ ...problem.build, places: [...places] }, GROUND);
      expect(engine.problems).withContext(name).toEqual([]);
      [planned, others] = [planned + written.length, others + besides.length];
    }
    expect(planned).toBeGreaterThan(30);
    expect(others).toBeGreaterThan(30);
  });

  it('goes together as a build, with no other work of the machine shop than was told', () => {
    for (const { name, problem, found } of SETS) {
      const { places, besides } = takenOver(problem, found);
      const judged = judgedOf(problem.build.variant ?? '', places);
      const told = new Set(besides.map(({ operation }) => operation));
      const wanted = (judged?.joints ?? []).flatMap(({ checks }) =>
        checks.filter(({ verdict }) => verdict === 'fitsWithWork').map(({ name: check, work }) => ({ check, work })),
      );
      expect(judged?.verdict).withContext(name).not.toBe('doesNotFit');
      // What a check is mended by is one of its options: none of them is work that was not told of. A sleeve bearing on
      // the pin is told of as bought; the pin in the rod is then judged without it.
      const sleeved = found.weighed.work.some(({ steps }) => steps.includes('sleevePin'));
      const untold = wanted.filter(
        ({ work }) => !sleeved && !work.some(({ steps }) => steps.filter(isShopWork).every((step) => told.has(step))),
      );
      expect(untold.map(({ check }) => check))
        .withContext(name)
        .toEqual([]);
    }
  });

  it('comes to the figures as a build that it came to as a set', () => {
    const displacement = figureOf('displacement');
    let bored = 0;
    for (const { name, problem, found } of SETS) {
      const { places } = takenOver(problem, found);
      const { parts } = engineOf({ ...problem.build, places: [...places] }, GROUND);
      if (!displacement) throw new RangeError('There is no displacement.');
      const told = (all: typeof parts | typeof found.weighed.parts) =>
        new FigureTeller(problem).told(displacement, all).reaches;
      const [built, judged] = [told(parts), told(found.weighed.parts)];
      if (!built || !judged) continue;
      if (places.some(({ work = [] }) => work.some(({ operation }) => operation === 'bore'))) bored++;
      // A thousandth of a millimetre of the bore is what a build plans to.
      expect(Math.abs(built.low / judged.low - 1))
        .withContext(name)
        .toBeLessThan(1e-4);
    }
    expect(bored).toBeGreaterThan(10);
  });
});

// Common practice, no source: a bore is ordered as so much over standard, a cut as so much off.
describe('work that was done, as a build plans it', () => {
  const block = demoPart('sluice-block-low-small-398');
  const after = (id: string, by: number) => {
    const value = block.values[id];
    if (!value) throw new RangeError(`The block has no ${id}.`);
    const { low, high } = value.interval;
    return { ...block, values: { ...block.values, [id]: { ...value, interval: { low: low + by, high: high + by } } } };
  };

  it('is told by its amount, and what has none by itself', () => {
    expect(plannedFrom(block, ['bore', 'hone'], after('block.bore', 0.5), { rules: {} })).toEqual({
      work: [{ operation: 'bore', by: { value: 0.5, unit: 'mm' } }],
      besides: ['hone'],
    });
    expect(plannedFrom(block, ['deck', 'lineBore'], after('block.deckHeight', -0.25), { rules: {} })).toEqual({
      work: [{ operation: 'deck', by: { value: 0.25, unit: 'mm' } }],
      besides: ['lineBore'],
    });
  });

  it('is none where the part is as it was, or where it may not be done', () => {
    expect(plannedFrom(block, ['deck'], block, { rules: {} }).work).toEqual([]);
    expect(plannedFrom(block, ['deck'], after('block.deckHeight', -9), { rules: {} })).toEqual({
      work: [],
      besides: ['deck'],
    });
  });
});
