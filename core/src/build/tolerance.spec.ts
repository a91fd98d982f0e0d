import { mean, standardDeviation } from 'simple-statistics';
import { demoEngine } from '../testing/demo';
import { random } from '../quantity/random';
import type { BuildEngine } from './engine';
import { figureOf, type Figure } from './figures/index';
import { chance, percentile, together, ToleranceModel, type Tolerated } from './tolerance';

const figure = (id: string): Figure => {
  const found = figureOf(id);
  if (!found) throw new RangeError(`There is no figure ${id}.`);
  return found;
};
const engine = demoEngine('sluice-357');
const run = (of: BuildEngine, id: string, more: Partial<Parameters<ToleranceModel['run']>[0]> = {}) =>
  new ToleranceModel(of, figure(id)).run({ spread: 'uniform', oneSetup: [], engines: 4000, seed: 3, ...more });
const spreadOf = ({ sum, squares, engines, places }: Tolerated, value: number) => {
  const count = engines * places;
  return Math.sqrt(squares / count - (sum / count - value) ** 2);
};

describe('the tolerance of a figure', () => {
  // JCGM 100, 4.3.7 and 5.1.2: a sum of sizes spread evenly over their limits has the variance of the squares of their
  // half widths over three.
  it('drawn many times has the variance that is worked out', () => {
    const model = new ToleranceModel(engine, figure('belowDeck'));
    const halves = ['deck', 'stroke', 'rod', 'height'].map((name) => {
      const input = figure('belowDeck').of[name];
      const taken = input?.reads === 'size' ? engine.size(input.parameter) : undefined;
      return ((taken?.interval.high ?? 0) - (taken?.interval.low ?? 0)) / (name === 'stroke' ? 4 : 2);
    });
    const wanted = Math.sqrt(halves.reduce((so, half) => so + (half * half) / 3, 0));
    const drawn = run(engine, 'belowDeck', { engines: 20_000 });
    expect(spreadOf(drawn, model.value) / wanted).toBeGreaterThan(0.97);
    expect(spreadOf(drawn, model.value) / wanted).toBeLessThan(1.03);
    // And the stack of squares is what is called so.
    expect(model.rootOfSquares.high - model.value).toBeCloseTo(Math.hypot(...halves), 9);
    expect(model.worst.high - model.value).toBeCloseTo(
      halves.reduce((a, b) => a + b, 0),
      9,
    );
  });

  it('never leaves the worst case where parts are sorted, and agrees with a plain loop', () => {
    const model = new ToleranceModel(engine, figure('squish'));
    const drawn = run(engine, 'squish', { spread: 'normal' });
    const width = (drawn.to - drawn.from) / drawn.bins.length;
    const hit = drawn.bins.flatMap((count, at) => (count > 0 ? [drawn.from + (at + 0.5) * width] : []));
    expect(Math.min(...hit)).toBeGreaterThan(model.worst.low - width);
    expect(Math.max(...hit)).toBeLessThan(model.worst.high + width);
    // A second way: the same sum in a loop of its own, with simple-statistics.
    const next = random(11);
    const sizes = ['deck', 'stroke', 'rod', 'height'].map((name) => {
      const input = figure('belowDeck').of[name];
      return (input?.reads === 'size' ? engine.size(input.parameter)?.interval : undefined) ?? { low: 0, high: 0 };
    });
    const plain = Array.from({ length: 20_000 }, () => {
      const [deck = 0, stroke = 0, rod = 0, height = 0] = sizes.map(({ low, high }) => low + (high - low) * next());
      return deck - stroke / 2 - rod - height;
    });
    const below = new ToleranceModel(engine, figure('belowDeck'));
    const mine = run(engine, 'belowDeck', { engines: 20_000 });
    expect(mine.sum / (mine.engines * mine.places)).toBeCloseTo(mean(plain), 2);
    expect(spreadOf(mine, below.value)).toBeCloseTo(standardDeviation(plain), 2);
  });

  it('is the same every time from one seed, and adds up over several', () => {
    expect(run(engine, 'ratio')).toEqual(run(engine, 'ratio'));
    const [a, b] = [run(engine, 'ratio', { seed: 1 }), run(engine, 'ratio', { seed: 2 })];
    const both = together(a, b);
    expect(both.engines).toBe(8000);
    expect(both.bins.reduce((so, count) => so + count, 0)).toBe(8000 * both.places);
    expect(percentile(both, 0.5)).toBeCloseTo(new ToleranceModel(engine, figure('ratio')).value, 1);
    expect(percentile(both, 0.05)).toBeLessThan(percentile(both, 0.95));
  });

  it('between cylinders is gone where a set was finished in one setup', () => {
    const apart = demoEngine('sluice-357', { 'block.deckHeight': 228.6, 'headGasket.thickness': 1 });
    const model = new ToleranceModel(apart, figure('ratioSpread'));
    const each = run(apart, 'ratioSpread');
    const alike = run(apart, 'ratioSpread', { oneSetup: ['piston', 'rod', 'block', 'head'] });
    expect(model.nodes.length).toBe(1);
    expect(alike.sum / alike.engines).toBeLessThan(0.3 * (each.sum / each.engines));
  });

  it('counts engines with at least one cylinder out: no fewer than the share of cylinders, no more than all of them', () => {
    // So much off that some cylinders come too near.
    const tight = demoEngine('sluice-357', { 'headGasket.thickness': 0.4 });
    const drawn = run(tight, 'squish');
    expect(drawn.below).toBeGreaterThan(0);
    const cylinders = drawn.below / (drawn.engines * drawn.places);
    const engines = drawn.broken / drawn.engines;
    expect(engines).toBeGreaterThanOrEqual(cylinders);
    expect(engines).toBeLessThanOrEqual(Math.min(1, cylinders * drawn.places));
    const { share, error } = chance(drawn.broken, drawn.engines);
    expect(share).toBe(engines);
    // Standard error of a share, the binomial one.
    expect(error).toBeCloseTo(Math.sqrt((engines * (1 - engines)) / drawn.engines), 9);
  });

  it('tells which size it comes from: shares make a whole, and measuring the largest narrows it by so much', () => {
    const model = new ToleranceModel(engine, figure('squish'));
    const shares = model.shares('uniform');
    expect(shares.reduce((so, { share }) => so + share, 0)).toBeCloseTo(1, 9);
    const [most] = shares;
    const before = spreadOf(run(engine, 'squish'), model.value) ** 2;
    const after = spreadOf(run(engine, 'squish', { fixed: [most?.leaf.id ?? ''] }), model.value) ** 2;
    expect(1 - after / before).toBeCloseTo(most?.share ?? 0, 1);
  });

  it('of a figure that cannot be told has no places', () => {
    expect(new ToleranceModel(demoEngine('pip-48'), figure('boltShare')).nodes.length).toBe(0);
  });
});
