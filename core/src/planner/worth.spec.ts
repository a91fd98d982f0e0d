import { build, GROUND } from '../testing/plans';
import { demandsOf, type DemandedBuild } from './conflicts';
import { planFor } from './plan';
import { problemOf } from './problem';
import { worthOf } from './worth';

const bestOf = ({ build: of, demands }: DemandedBuild): number =>
  planFor(problemOf(of, demands, GROUND), { answers: 1 }).best[0]?.leaf.score ?? Infinity;

describe('what demands cost', () => {
  const setting: DemandedBuild = {
    build: build('minnow-48'),
    demands: { places: [{ slot: 'piston', from: 'any' }], limits: { open: 12 } },
  };

  it('is what the best set counts less without them, each found by a search from the beginning', () => {
    const score = bestOf(setting);
    const { worth, proved } = worthOf(setting, GROUND, score);
    expect(proved).toBeTrue();
    const plain = demandsOf(setting, GROUND)
      .map((demand) => ({ id: demand.id, saves: score - bestOf(demand.without(setting)) }))
      .filter(({ saves }) => saves > 1)
      .sort((a, b) => b.saves - a.saves);
    expect(worth.map(({ demand, saves }) => [demand.id, saves.toFixed(6)])).toEqual(
      plain.map(({ id, saves }) => [id, saves.toFixed(6)]),
    );
  });

  it('is nothing where nothing better is to be had, and says so only when all was looked at', () => {
    const { worth, proved } = worthOf(setting, GROUND, 0);
    expect([worth.length, proved]).toEqual([0, true]);
    let looks = 0;
    const stopped = worthOf(setting, GROUND, bestOf(setting), () => ++looks > 1);
    expect(stopped.proved).toBeFalse();
  });

  // A fact of the trade, common practice: a used part that turns up is worth what it saves, and no more.
  it('is told of parts that would have to be bought, as what the best set counts less with them there', () => {
    const looked: DemandedBuild = {
      build: build('sluice-336'),
      demands: {
        places: [
          { slot: 'crank', from: 'any' },
          { slot: 'piston', from: 'any' },
        ],
        targets: [{ figure: 'displacement', low: 5800, high: 5900 }],
      },
    };
    const score = bestOf(looked);
    const { atHand } = worthOf(looked, GROUND, score);
    expect(atHand.map(({ slot }) => slot).sort()).toEqual(['crank', 'piston']);
    for (const { slot, saves, best, problem } of atHand) {
      const again = planFor(problemOf(looked.build, looked.demands, GROUND, slot), { answers: 1 }).best[0]?.leaf.score;
      expect(saves).toBeCloseTo(score - (again ?? 0), 6);
      const option = best.leaf.options[problem.choices.findIndex((choice) => choice.slot === slot)];
      expect([option?.price, option?.buys, option?.days]).toEqual([0, false, 0]);
    }
    // With all of it bought the best costs this much more than with its crank there.
    const dearest = planFor(problemOf(looked.build, looked.demands, GROUND), { answers: 1 }).best[0]?.leaf.options;
    const crank = dearest?.find(({ part }) => part.kind === 'crank');
    expect(atHand.find(({ slot }) => slot === 'crank')?.saves).toBeGreaterThanOrEqual(crank?.price ?? Infinity);
  });

  // Common practice, no source: a part that one insists on is mostly what makes a job dear.
  it('names the part that is held on to, where another would come cheaper', () => {
    const dear: DemandedBuild = {
      build: build('minnow-48'),
      demands: { places: [{ slot: 'piston', from: 'these', patterns: ['minnow-piston-66'] }], limits: { open: 100 } },
    };
    const score = bestOf(dear);
    const free = bestOf({
      ...dear,
      demands: { ...dear.demands, places: [{ slot: 'piston', from: 'any', mayStay: true }] },
    });
    const { worth } = worthOf(dear, GROUND, score);
    if (Number.isFinite(score) && score - free > 1) expect(worth[0]?.demand.id).toBe('place piston');
    expect(worth.every(({ saves }) => saves > 1)).toBeTrue();
  });
});
