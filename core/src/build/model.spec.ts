import fc from 'fast-check';
import { middle, width } from '../quantity/interval';
import { BUILDS, demoEngine, KNOWING_LOOKUP } from '../testing/demo';
import { FIGURES, figureOf, type Figure } from './figures/index';
import { engineOf } from './ground';
import { BuildModel, intervalOf, type Node } from './model';
import { holds } from '../testing/laws';

const figure = (id: string): Figure => {
  const found = figureOf(id);
  if (!found) throw new RangeError(`There is no figure ${id}.`);
  return found;
};
const nodeOf = (model: BuildModel, id: string, at?: number): Node => {
  const node = model.node(figure(id), at === undefined ? undefined : { row: 'cylinder', at });
  if (!('index' in node)) throw new RangeError(`${id} cannot be told: ${node.needs.join(', ')}`);
  return node;
};
const leafOf = (model: BuildModel, id: string) => model.leaves.filter((leaf) => leaf.id === id);

describe('the sum of a build', () => {
  it('has what all cylinders have in common once, and what each has of its own as often', () => {
    const model = new BuildModel(demoEngine('lumen-4-77'), FIGURES);
    expect(leafOf(model, 'crank.stroke').length).toBe(1);
    expect(leafOf(model, 'block.deckHeight').length).toBe(1);
    const own = (id: string) => leafOf(model, id).flatMap(({ at }) => at ?? []);
    expect(own('rod.length').sort()).toEqual([1, 2, 3, 4]);
    expect(own('piston.compressionHeight').sort()).toEqual([1, 2, 3, 4]);
    expect(own('crank.stroke')).toEqual([]);
  });

  it('rests each figure on what its formula reads, through the figures it reads', () => {
    const model = new BuildModel(demoEngine('lumen-4-77'), FIGURES);
    const ids = (id: string, at?: number) =>
      new Set([...nodeOf(model, id, at).leaves].flatMap((index) => model.leafOf(index)?.id ?? []));
    expect(ids('squish', 1)).toEqual(
      new Set(['block.deckHeight', 'crank.stroke', 'rod.length', 'piston.compressionHeight', 'headGasket.thickness']),
    );
    expect(ids('rodRatio')).toEqual(new Set(['rod.length', 'crank.stroke']));
    for (const each of ids('squish', 1)) expect(ids('ratio', 1)).toContain(each);
    // Another cylinder rests on its own rod.
    const rods = (at: number) =>
      [...nodeOf(model, 'squish', at).leaves].filter((leaf) => model.leafOf(leaf)?.id === 'rod.length');
    expect(rods(1)).not.toEqual(rods(2));
  });

  it('names what must be known first, once, whatever rests on it', () => {
    const model = new BuildModel(engineOf({ id: 'made', name: 'Bare', places: [], sizes: [] }, KNOWING_LOOKUP), []);
    const untold = model.node(figure('squish'), { row: 'cylinder', at: 1 });
    expect('index' in untold).toBeFalse();
    expect('needs' in untold && untold.needs).toEqual([
      'block.deckHeight',
      'crank.stroke',
      'rod.length',
      'piston.compressionHeight',
      'headGasket.thickness',
    ]);
  });

  it('worked out from one leaf is what it is worked out anew', () => {
    const model = new BuildModel(demoEngine('sluice-357'), FIGURES);
    const indexes = model.leaves.map(({ index }) => index);
    holds(
      fc.property(fc.nat(indexes.length - 1), fc.double({ min: 0.98, max: 1.02, noNaN: true }), (at, factor) => {
        const leaf = indexes[at] ?? 0;
        const [whole, part] = [model.nominal(), model.nominal()];
        for (const values of [whole, part]) values[leaf] = (values[leaf] ?? 0) * factor;
        model.run(whole);
        model.runFrom(leaf, part);
        expect([...part]).toEqual([...whole]);
      }),
      60,
    );
  });

  it('worked out up to one figure gives that figure, and leaves the others', () => {
    const model = new BuildModel(demoEngine('sluice-357'), FIGURES);
    const node = nodeOf(model, 'squish', 3);
    const [values, whole] = [model.nominal(), model.nominal()];
    for (const { index } of leafOf(model, 'crank.stroke')) {
      values[index] = (values[index] ?? 0) + 1;
      whole[index] = (whole[index] ?? 0) + 1;
    }
    const before = values[nodeOf(model, 'displacement').index];
    model.run(whole);
    expect(model.runTo(node, values)).toBe(whole[node.index] ?? Number.NaN);
    expect(values[nodeOf(model, 'displacement').index]).toBe(before);
  });
});

describe('between which a figure lies', () => {
  it('has both ends from the ends of what is put in, where all of it goes one way', () => {
    const engine = demoEngine('lumen-4-77');
    const model = new BuildModel(engine, FIGURES);
    const node = nodeOf(model, 'belowDeck', 1);
    const nominal = model.nominal();
    const end = (of: string, which: 'low' | 'high') =>
      leafOf(model, of).find(({ at = 1 }) => at === 1)?.interval[which] ?? Number.NaN;
    // Worst case of a sum: the longest deck with the shortest of all that stands in it, and the other way round.
    expect(intervalOf(model, node, nominal).high).toBeCloseTo(
      end('block.deckHeight', 'high') -
        end('crank.stroke', 'low') / 2 -
        end('rod.length', 'low') -
        end('piston.compressionHeight', 'low'),
      9,
    );
    expect(intervalOf(model, node, nominal).low).toBeCloseTo(
      end('block.deckHeight', 'low') -
        end('crank.stroke', 'high') / 2 -
        end('rod.length', 'high') -
        end('piston.compressionHeight', 'high'),
      9,
    );
  });

  it('is a point where everything is known to a point', () => {
    const exact = demoEngine('sluice-357', { 'crank.stroke': 90, 'rod.length': 145 });
    const model = new BuildModel(exact, [figure('rodRatio')]);
    const interval = intervalOf(model, nodeOf(model, 'rodRatio'), model.nominal());
    expect(width(interval)).toBe(0);
    expect(middle(interval)).toBeCloseTo(145 / 90, 12);
  });

  it('is for the spread over cylinders no less than nothing, and no more than the widest apart', () => {
    for (const build of BUILDS) {
      const model = new BuildModel(engineOf(build, KNOWING_LOOKUP), FIGURES);
      const node = model.node(figure('ratioSpread'));
      if (!('index' in node)) continue;
      const nominal = model.nominal();
      const { low, high } = intervalOf(model, node, nominal);
      expect(low).toBeGreaterThanOrEqual(0);
      expect(high).toBeGreaterThanOrEqual((nominal[node.index] ?? 0) - 1e-9);
      const ends = model.spots(figure('ratio')).flatMap((spot) => {
        const each = model.node(figure('ratio'), spot);
        return 'index' in each ? [intervalOf(model, each, nominal)] : [];
      });
      const widest = Math.max(...ends.map((each) => each.high)) - Math.min(...ends.map((each) => each.low));
      expect(high)
        .withContext(build.name)
        .toBeLessThanOrEqual(widest + 1e-9);
    }
  });
});
