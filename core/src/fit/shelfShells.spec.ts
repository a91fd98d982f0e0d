import fc from 'fast-check';
import { MAIN_BEARING } from '../joints/index';
import { around, middle } from '../quantity/interval';
import { holds } from '../testing/laws';
import { made } from '../testing/made';
import { SETTING } from '../testing/demo';
import { shelfShells, type ShellOnShelf } from './shelfShells';

const HOUSING = 60;
const WANTED = { low: 0.03, high: 0.05 };
const ASSEMBLY = { parts: {}, replaced: {}, stock: {}, rules: SETTING.rules };

const pair = (wall: number, at: number, housing = HOUSING): ShellOnShelf => ({
  specimen: `pair ${at}`,
  name: `Pair ${at}`,
  part: made('mainShell', {
    wall: [wall - 0.001, wall + 0.001],
    'housing.diameter': [housing - 0.01, housing + 0.01],
  }),
});
const place = (journal: number, at: number) => ({
  position: at + 1,
  round: { housing: around(HOUSING, 0.002), journal: around(journal, 0.002) },
  wanted: WANTED,
});
const chosen = (journals: readonly number[], shelf: readonly ShellOnShelf[]) =>
  shelfShells(MAIN_BEARING, ASSEMBLY, journals.map(place), shelf);

/** What a pair leaves at a journal, as one reckons it on paper: the housing less two walls less the journal. */
const off = (journal: number, wall: number): number | undefined => {
  const left = HOUSING - 2 * wall - journal;
  return left >= WANTED.low && left <= WANTED.high ? Math.abs(left - 0.04) : undefined;
};

/** The most places that can be served, and for how little, by trying every pair in every place. */
function best(journals: readonly number[], walls: readonly (number | undefined)[]): { served: number; cost: number } {
  const [journal, ...rest] = journals;
  if (journal === undefined) return { served: 0, cost: 0 };
  let found = best(rest, walls);
  walls.forEach((wall, at) => {
    const cost = wall === undefined ? undefined : off(journal, wall);
    if (cost === undefined) return;
    const then = best(
      rest,
      walls.map((each, other) => (other === at ? undefined : each)),
    );
    const so = { served: then.served + 1, cost: then.cost + cost };
    if (so.served > found.served || (so.served === found.served && so.cost < found.cost)) found = so;
  });
  return found;
}

describe('shells from the shelf', () => {
  it('go where they leave what is wanted, by what was measured on them', () => {
    const found = chosen([55.96, 55.98], [pair(2, 0), pair(1.99, 1)]);
    expect([...found].map(([position, each]) => [position, each.specimen])).toEqual([
      [1, 'pair 0'],
      [2, 'pair 1'],
    ]);
    expect(middle(found.get(1)?.clearance ?? { low: 0, high: 0 })).toBeCloseTo(0.04, 9);
  });

  it('are each in one place only, and serve as many places for as little as plain enumeration finds', () => {
    // Steps of a hundredth of a millimetre that no sum lands on the bound by: what is on the bound rounds either way.
    const journals = fc.array(
      fc.integer({ min: 0, max: 8 }).map((step) => 55.9412 + step / 100),
      {
        minLength: 1,
        maxLength: 4,
      },
    );
    const walls = fc.array(
      fc.integer({ min: 0, max: 8 }).map((step) => 1.98 + step / 200),
      { maxLength: 5 },
    );
    holds(
      fc.property(journals, walls, (shafts, thick) => {
        const found = chosen(
          shafts,
          thick.map((wall, at) => pair(wall, at)),
        );
        const cost = [...found.values()].reduce((sum, { clearance }) => sum + Math.abs(middle(clearance) - 0.04), 0);
        const least = best(shafts, thick);
        expect(new Set([...found.values()].map(({ specimen }) => specimen)).size).toBe(found.size);
        expect(found.size).toBe(least.served);
        expect(cost).toBeCloseTo(least.cost, 9);
      }),
      300,
    );
  });

  // Common practice, no source: a caliper does not tell the wall of a shell to a hundredth.
  it('that were measured too coarsely go last, and are told as such', () => {
    const coarse = { ...pair(2, 0), part: made('mainShell', { wall: [1.96, 2.04], 'housing.diameter': HOUSING }) };
    const told = (...shelf: readonly ShellOnShelf[]) =>
      [...chosen([55.96], shelf).values()].map(({ specimen, verdict }) => [specimen, verdict]);
    expect(told(coarse, pair(1.999, 1))).toEqual([['pair 1', 'fits']]);
    expect(told(coarse)).toEqual([['pair 0', 'cannotTell']]);
  });

  it('are not told for another housing, another bearing, nor where nothing is known of the place', () => {
    expect(chosen([55.96], [pair(2, 0, 62)]).size).toBe(0);
    const [rods] = [{ ...pair(2, 0), part: made('rodShell', { wall: [1.999, 2.001] }) }];
    expect(chosen([55.96], [rods]).size).toBe(0);
    const unknown = { position: 1, wanted: WANTED };
    expect(shelfShells(MAIN_BEARING, ASSEMBLY, [unknown], [pair(2, 0)]).size).toBe(0);
    expect(chosen([], []).size).toBe(0);
  });
});
