import fc from 'fast-check';
import { CATALOGUE } from '../testing/demo';
import { holds } from '../testing/laws';
import { build, GROUND } from '../testing/plans';
import { middle } from '../quantity/interval';
import { setOf, weighPlainly } from './evaluate';
import { planFor } from './plan';
import { problemOf } from './problem';
import { Weigher } from './weigher';

const OPEN = { limits: { open: 100 } };
/** Everything of an engine that may be another, shells, rings and gaskets too. */
const SLOTS = [
  ...['crank', 'mainShell', 'rod', 'rodShell', 'pin', 'piston', 'rings', 'headGasket'],
  ...['head', 'cam', 'lifter', 'flywheel', 'liner'],
];
const problemFor = (variant: string) =>
  problemOf(build(variant), { places: SLOTS.map((slot) => ({ slot, from: 'any', mayStay: true })), ...OPEN }, GROUND);

describe('sets weighed one after another', () => {
  it('come to what each comes to by itself, whatever goes in, for every engine of the demo', () => {
    for (const { id } of CATALOGUE.variants) {
      const problem = problemFor(id);
      const weigher = new Weigher(problem);
      const own = problem.choices.map(({ options }) =>
        Math.max(
          0,
          options.findIndex(({ from }) => from === 'there'),
        ),
      );
      // A few others of the same family: what has nothing to do with the engine is refused at once.
      const family = id.slice(0, id.indexOf('-'));
      const near = problem.choices.map(({ options }) =>
        options.flatMap(({ part }, at) => (part.pattern?.startsWith(family) === true ? [at] : [])),
      );
      const change = fc.tuple(fc.nat(problem.choices.length - 1), fc.nat());
      holds(
        fc.property(fc.array(change, { minLength: 1, maxLength: 3 }), (changes) => {
          const selection = [...own];
          for (const [at, which] of changes) {
            const options = near[at] ?? [];
            selection[at] = options[which % options.length] ?? selection[at] ?? 0;
          }
          const parts = selection.flatMap((option, at) => problem.choices[at]?.options[option] ?? []);
          const [kept, plain] = [weigher.weigh(selection), weighPlainly(problem, parts)];
          expect(kept.verdict).withContext(id).toBe(plain.verdict);
          if (plain.verdict !== 'doesNotFit') expect(kept.price).withContext(id).toBeCloseTo(plain.price, 6);
        }),
        5,
      );
    }
  });

  // Common practice, no source: undersize shells go on a ground crank, and bind on a standard one.
  it('have shells of the size that goes on the journals, also where an undersize costs the same', () => {
    const problem = problemOf(
      build('skerry-47'),
      { places: ['crank', 'mainShell', 'rod', 'rodShell'].map((slot) => ({ slot, from: 'any' })), answers: 1 },
      GROUND,
    );
    const [best] = planFor(problem).best;
    const options = best?.leaf.options ?? [];
    const plain = setOf(problem, options);
    expect('refused' in plain ? plain.refused : plain.score).toBe(best?.leaf.score as number);
    const of = (slot: string, id: string) => {
      const part = options[problem.choices.findIndex((each) => each.slot === slot)]?.part;
      const value = part?.values[id];
      return value ? middle(value.interval) : Number.NaN;
    };
    const clearance =
      middle(problem.engine.part('block')?.part.values['block.mainHousing.diameter']?.interval ?? { low: 0, high: 0 }) -
      2 * of('mainShell', 'mainShell.wall') -
      of('crank', 'crank.mainJournal.diameter');
    expect(clearance).toBeGreaterThan(0);
    expect(clearance).toBeLessThan(0.2);
  });
});
