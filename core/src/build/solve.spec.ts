import { BUILD_LOOKUP, demoEngine } from '../testing/demo';
import { parameterOf } from '../dictionary/dictionary';
import { middle } from '../quantity/interval';
import { engineOf } from './ground';
import type { Build } from './build';
import { figureOf, type Figure } from './figures/index';
import { buildSheetOf } from './sheet';
import { SOLVED_FOR, solveFor } from './solve';
import { Varied, withSize } from './vary';

const made = (build: Build) => engineOf(build, BUILD_LOOKUP);
const engine = demoEngine('sluice-357');
const figure = (id: string): Figure => {
  const found = figureOf(id);
  if (!found) throw new RangeError(`There is no figure ${id}.`);
  return found;
};
const now = (size: string) => {
  const taken = engine.size(parameterOf(size));
  return taken && middle(taken.interval);
};
const valueOf = (build: Build, id: string) => buildSheetOf(made(build), [figure(id)]).figures[0]?.value;

describe('solving backwards', () => {
  for (const size of SOLVED_FOR)
    for (const [id, wanted] of [
      ['ratio', 9.4],
      ['squish', 1.2],
      ['displacement', 5600],
    ] as const)
      it(`for ${size} gives a size with which the ${id} is what was wanted, or says it does not go by it`, () => {
        const solved = solveFor(engine.build, made, size, figure(id), wanted, now(size));
        if ('size' in solved) expect(valueOf(withSize(engine.build, size, solved.size), id)).toBeCloseTo(wanted, 5);
        else expect(solved.reached).toBeUndefined();
      });

  // In closed form: the compression height that is wanted is what is there, less what the squish is short.
  it('agrees with the formula solved by hand', () => {
    const height = 'piston.compressionHeight';
    const solved = solveFor(engine.build, made, height, figure('squish'), 1.1, now(height));
    expect('size' in solved && solved.size).toBeCloseTo(
      (now(height) ?? 0) + (valueOf(engine.build, 'squish') ?? 0) - 1.1,
      6,
    );
    // The chamber for a ratio: swept / (ratio - 1), less all that is over the piston beside it.
    const chamber = 'head.chamber.volume';
    const [swept = 0, clearance = 0] = [valueOf(engine.build, 'swept'), valueOf(engine.build, 'clearance')];
    const found = solveFor(engine.build, made, chamber, figure('ratio'), 9.6, now(chamber));
    expect('size' in found && found.size).toBeCloseTo(swept / 8.6 - (clearance - (now(chamber) ?? 0)), 5);
  });

  // Newton, Philosophiae naturalis: from what is there, by the slope, until it stands still.
  it('finds what Newton’s way finds', () => {
    const varied = new Varied(engine.build, made, ['crank.stroke'], [now('crank.stroke') ?? 0], [figure('ratio')]);
    const ratio = (stroke: number) => varied.at([stroke])[0] ?? 0;
    let stroke = now('crank.stroke') ?? 0;
    for (let step = 0; step < 20; step++)
      stroke -= (ratio(stroke) - 9.3) / ((ratio(stroke + 1e-4) - ratio(stroke - 1e-4)) / 2e-4);
    const solved = solveFor(engine.build, made, 'crank.stroke', figure('ratio'), 9.3, now('crank.stroke'));
    expect('size' in solved && solved.size).toBeCloseTo(stroke, 5);
  });

  it('says between which it can be at all, where no such size gives it', () => {
    const solved = solveFor(
      engine.build,
      made,
      'headGasket.thickness',
      figure('squish'),
      40,
      now('headGasket.thickness'),
    );
    expect('size' in solved).toBeFalse();
    expect('reached' in solved && (solved.reached?.high ?? 0)).toBeLessThan(40);
    expect(solveFor(engine.build, made, 'headGasket.thickness', figure('displacement'), 5000, 1)).toEqual({});
  });

  it('varies a size with all that rests on it, as if it had been typed', () => {
    const varied = new Varied(
      engine.build,
      made,
      ['headGasket.thickness', 'rod.length'],
      [1, 145],
      [figure('ratio'), figure('squish')],
    );
    for (const [gasket, rod] of [
      [0.6, 144.5],
      [1.4, 145.2],
    ] as const) {
      const build = withSize(withSize(engine.build, 'headGasket.thickness', gasket), 'rod.length', rod);
      const [ratio = 0, squish = 0] = varied.at([gasket, rod]);
      expect(ratio).toBeCloseTo(valueOf(build, 'ratio') ?? 0, 9);
      expect(squish).toBeCloseTo(valueOf(build, 'squish') ?? 0, 9);
    }
  });
});
