import { middle } from '../quantity/interval';
import { say } from '../quantity/sentence';
import { BUILD_LOOKUP, demoEngine } from '../testing/demo';
import { figureIn, valueIn } from '../testing/figures';
import { FIGURES, figureOf } from './figures/index';
import { engineOf } from './ground';
import { Intervals } from './intervals';
import { buildSheetOf, valuesOf } from './sheet';
import { typed } from './vary';

/** A squish of a gasket and nothing else. */
const AT_THE_DECK = {
  'crank.stroke': 80,
  'rod.length': 150,
  'piston.compressionHeight': 40,
  'block.deckHeight': 230,
};
const squish = (gasket: number, more: Readonly<Record<string, number>> = {}) =>
  figureIn(demoEngine('ambit-1360', { ...AT_THE_DECK, 'headGasket.thickness': gasket, ...more }), 'squish');

describe('a figure on the sheet', () => {
  it('is told with what it goes by, where each of that comes from, and in its middle', () => {
    const found = squish(1.1);
    expect(found?.value).toBeCloseTo(1.1, 9);
    expect(found?.arguments.map(({ name, value }) => [name, Number(value.toFixed(6))])).toEqual([
      ['below', 0],
      ['gasket', 1.1],
    ]);
    expect(found?.arguments[0]?.figure?.id).toBe('belowDeck');
    expect(found?.arguments[1]?.leaf?.origin).toBe('typed');
    const taken = figureIn(demoEngine('ambit-1360'), 'squish');
    expect(taken?.arguments[1]?.leaf?.origin).toBe('pattern');
    expect(taken?.interval && middle(taken.interval)).toBeCloseTo(taken?.value ?? Number.NaN, 1);
  });

  it('is held to its limit just inside and just outside, and says which way and what it does', () => {
    const least = squish(1)?.required?.low ?? Number.NaN;
    expect(squish(least + 0.001)?.verdict).toBe('fits');
    expect(squish(least + 0.001)?.says).toBeUndefined();
    expect(squish(1)?.atLeast).toBeTrue();
    // A rule of thumb has a leeway; far outside of it nobody builds.
    const far = squish(0.3);
    expect(far?.verdict).toBe('doesNotFit');
    expect(far?.says && say(far.says, 'metric')).toMatch(/^Less than .* mm: the piston strikes the head/);
    expect(far?.ruleOfThumb && say(far.ruleOfThumb, 'metric')).toContain('Rods stretch');
    // More room than the least is no fault of a figure that has no most.
    expect(squish(9)?.verdict).toBe('fits');
  });

  it('is open where its tolerances lie across the limit', () => {
    const least = squish(1)?.required?.low ?? Number.NaN;
    const sizes = Object.entries({ ...AT_THE_DECK, 'headGasket.thickness': least }).map(([of, inside]) =>
      typed(of, inside),
    );
    const across = sizes.map((size) => (size.of === 'headGasket.thickness' ? { ...size, within: 0.6 } : size));
    const build = { id: 'made', name: 'Made up', variant: 'ambit-1360', places: [], sizes: across };
    const found = figureIn(engineOf(build, BUILD_LOOKUP), 'squish');
    expect(found?.interval?.low).toBeCloseTo(least - 0.6, 9);
    expect(found?.interval?.high).toBeCloseTo(least + 0.6, 9);
    expect(found?.verdict).toBe('cannotTell');
  });

  it('has no verdict where nobody knows a limit, and no value where something is not known', () => {
    const rod = figureIn(demoEngine('ambit-1360'), 'rodRatio');
    expect(rod?.value).toBeGreaterThan(1);
    expect(rod?.verdict).toBeUndefined();
    const bare = buildSheetOf(demoEngine('ambit-1360', {}), FIGURES).figures.filter(({ value }) => value === undefined);
    for (const { needs, verdict } of bare) {
      expect(verdict).toBeUndefined();
      expect(needs.length).toBeGreaterThan(0);
    }
  });

  it('is none where the engine cannot turn, and no verdict stands on it', () => {
    const stuck = demoEngine('ambit-1360', { 'rod.length': 20 });
    const sheet = buildSheetOf(stuck, FIGURES);
    expect(sheet.nonsense.length).toBeGreaterThan(0);
    const angle = sheet.figures.find(({ figure }) => figure.id === 'rodAngle');
    expect([angle?.value, angle?.verdict, angle?.needs]).toEqual([undefined, undefined, []]);
  });

  it('stands once for each place of its row, in their order', () => {
    const sheet = buildSheetOf(demoEngine('lumen-4-77'), FIGURES);
    const spots = (id: string) => sheet.figures.filter(({ figure }) => figure.id === id).map(({ spot }) => spot?.at);
    expect(spots('ratio')).toEqual([1, 2, 3, 4]);
    expect(spots('mainClearance')).toEqual([1, 2, 3, 4, 5]);
    expect(spots('displacement')).toEqual([undefined]);
  });
});

describe('values of a build without its sheet', () => {
  it('are those of the sheet, and nothing where the sheet has none', () => {
    const engine = demoEngine('sluice-357');
    const of = valuesOf(engine);
    for (const { figure, spot, value } of buildSheetOf(engine).figures)
      expect(of(figure, spot)).withContext(figure.id).toEqual(value);
    const stuck = valuesOf(demoEngine('sluice-357', { 'rod.length': 20 }));
    const rodAngle = figureOf('rodAngle');
    expect(rodAngle && stuck(rodAngle)).toBeUndefined();
  });
});

describe('what is kept from sheets before', () => {
  it('gives the same between which figures lie, also after a size was changed and put back', () => {
    const kept = new Intervals();
    const [as, other] = [demoEngine('sluice-357'), demoEngine('sluice-357', { 'headGasket.thickness': 1.3 })];
    const intervals = (engine: typeof as, by?: Intervals) =>
      buildSheetOf(engine, FIGURES, by).figures.map(({ interval }) => interval);
    const first = intervals(as, kept);
    expect(first).toEqual(intervals(as));
    expect(intervals(other, kept)).toEqual(intervals(other));
    expect(intervals(as, kept)).toEqual(first);
    expect(valueIn(other, 'squish') - valueIn(as, 'squish')).not.toBe(0);
  });
});
