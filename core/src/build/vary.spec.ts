import fc from 'fast-check';
import { BUILD_LOOKUP, demoEngine } from '../testing/demo';
import { valueIn } from '../testing/figures';
import type { Build } from './build';
import { FIGURES, figureOf, type Figure } from './figures/index';
import { engineOf } from './ground';
import { typed, Varied, withSize } from './vary';
import { holds } from '../testing/laws';

const BUILD: Build = { id: 'made', name: 'Made up', variant: 'sluice-357', places: [], sizes: [] };
const figures = (...ids: readonly string[]): readonly Figure[] => ids.flatMap((id) => figureOf(id) ?? []);
const varied = (of: readonly string[], start: readonly number[], all: readonly Figure[], at = 1) =>
  new Varied(BUILD, (build) => engineOf(build, BUILD_LOOKUP), of, start, all, at);

describe('a size put in for all places', () => {
  it('stands in the unit it is shown in, and takes the place of what stood there', () => {
    expect(typed('rod.length', 152.4)).toEqual({ of: 'rod.length', value: 152.4, unit: 'mm' });
    expect(typed('head.chamber.volume', 64, 2)).toEqual({ of: 'head.chamber.volume', at: 2, value: 64, unit: 'cc' });
    const once = withSize(BUILD, 'rod.length', 150);
    expect(withSize(once, 'rod.length', 152).sizes).toEqual([typed('rod.length', 152)]);
    // One cylinder that was told by itself is told for all now.
    const own = { ...BUILD, sizes: [typed('rod.length', 140, 3), typed('crank.stroke', 80)] };
    expect(withSize(own, 'rod.length', 150).sizes).toEqual([typed('crank.stroke', 80), typed('rod.length', 150)]);
  });
});

describe('figures as sizes are varied', () => {
  it('come to what the whole sheet comes to, whatever is put in, for one size and for two', () => {
    const all = figures('ratio', 'squish', 'swept', 'rodRatio', 'displacement');
    const two = varied(['rod.length', 'headGasket.thickness'], [145, 1], all);
    holds(
      fc.property(
        fc.double({ min: 140, max: 150, noNaN: true }),
        fc.double({ min: 0.4, max: 2, noNaN: true }),
        (rod, gasket) => {
          const engine = demoEngine('sluice-357', { 'rod.length': rod, 'headGasket.thickness': gasket });
          const found = two.at([rod, gasket]);
          for (const [at, { id }] of all.entries()) expect(found[at]).toBeCloseTo(valueIn(engine, id), 9);
        },
      ),
      25,
    );
  });

  it('come back to where they were when the size does', () => {
    const one = varied(['rod.length'], [145], FIGURES);
    const [first] = [one.at([145])];
    one.at([151]);
    expect(one.at([145])).toEqual(first);
  });

  it('say whether they go by a size at all', () => {
    const one = varied(['headGasket.thickness', 'crank.stroke'], [1, 90], figures('squish', 'swept', 'rodRatio'));
    expect([0, 1, 2].map((figure) => one.goesBy(figure, 0))).toEqual([true, false, false]);
    expect([0, 1, 2].map((figure) => one.goesBy(figure, 1))).toEqual([true, true, true]);
  });

  it('are of the cylinder that is looked at, and no number where they cannot be told', () => {
    const own: Build = { ...BUILD, sizes: [typed('piston.compressionHeight', 38, 5)] };
    const at = (cylinder: number) =>
      new Varied(own, (build) => engineOf(build, BUILD_LOOKUP), ['rod.length'], [145], figures('belowDeck'), cylinder);
    expect(at(5).at([145])[0]).not.toBe(at(4).at([145])[0]);
    const { variant: _none, ...bare } = BUILD;
    const none = new Varied(bare, (build) => engineOf(build, BUILD_LOOKUP), ['rod.length'], [145], figures('ratio'));
    expect(none.at([145])[0]).toBeNaN();
  });
});
