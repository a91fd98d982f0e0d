import { say } from '../quantity/sentence';
import { CatalogueLookup } from '../catalogue/lookup';
import { swapContextOf } from '../interchange/swapContext';
import { BUILDS, BUILD_LOOKUP, KNOWING_LOOKUP, demoEngine, LOOKUP, SETTING, SPECIMENS } from '../testing/demo';
import { piston } from '../dictionary/kinds/piston';
import { rod } from '../dictionary/kinds/rod';
import type { Build } from './build';
import { engineOf, jointsOf, placesFor } from './ground';
import { mixturesIn } from './mixed';
import { buildSheetOf } from './sheet';

const build = (more: Partial<Build>): Build => ({ id: 'made', name: 'Made up', places: [], sizes: [], ...more });
const sheet = (more: Partial<Build>) => buildSheetOf(engineOf(build(more), BUILD_LOOKUP));
const nonsense = (more: Partial<Build>) => sheet(more).nonsense.map(({ says }) => say(says, 'metric'));
const value = (more: Partial<Build>, id: string, at = 1) =>
  sheet(more).figures.find(({ figure, spot }) => figure.id === id && (spot?.at ?? 1) === at)?.value;

describe('a build', () => {
  it('takes from its engine what nobody says, and says so', () => {
    const { parts } = engineOf(
      build({ variant: 'sluice-357', places: [{ slot: 'head', pattern: 'sluice-head-58' }] }),
      BUILD_LOOKUP,
    );
    const head = parts.find(({ slot }) => slot === 'head');
    expect(head?.taken).toBeFalse();
    expect(head?.part.pattern).toBe('sluice-head-58');
    expect(parts.filter(({ slot }) => slot === 'crank').map(({ taken }) => taken)).toEqual([true]);
  });

  it('has a cylinder of its own where one is said, and the others as they were', () => {
    const more = {
      variant: 'sluice-357',
      places: [{ slot: 'piston', at: 3, pattern: 'sluice-piston-398-3590-83' }],
    };
    expect(value(more, 'ratio', 3)).not.toBe(value(more, 'ratio', 2));
    expect(value(more, 'ratio', 2)).toBe(value({ variant: 'sluice-357' }, 'ratio', 2));
    expect(mixturesIn(engineOf(build(more), BUILD_LOOKUP)).map(({ says }) => says)).toEqual([
      jasmine.stringMatching(/^Pistons of two types are mixed: .*cylinder 3 has/),
    ]);
  });

  it('puts a figure that is typed in the place of what a part has, for all or for one', () => {
    const typed = { variant: 'sluice-357', sizes: [{ of: 'rod.length', value: 6, unit: 'in' as const }] };
    expect(engineOf(build(typed), BUILD_LOOKUP).size(rod.parameters.length)?.interval.low).toBeCloseTo(152.4, 9);
    const one = {
      variant: 'sluice-357',
      sizes: [{ of: 'rod.length', at: 2, value: 150, unit: 'mm' as const, within: 0.1 }],
    };
    const engine = engineOf(build(one), BUILD_LOOKUP);
    expect(engine.size(rod.parameters.length, { row: 'cylinder', at: 2 })).toEqual(
      jasmine.objectContaining({ origin: 'typed', interval: { low: 149.9, high: 150.1 } }),
    );
    expect(engine.size(rod.parameters.length, { row: 'cylinder', at: 1 })?.origin).toBe('pattern');
    // Work goes on from what was typed.
    const decked = {
      variant: 'sluice-357',
      sizes: [{ of: 'block.deckHeight', value: 228.65, unit: 'mm' as const }],
      places: [{ slot: 'block', work: [{ operation: 'deck' as const, by: { value: 0.2, unit: 'mm' as const } }] }],
    };
    const { places: _none, ...asTyped } = decked;
    expect((value(asTyped, 'belowDeck') ?? 0) - (value(decked, 'belowDeck') ?? 0)).toBeCloseTo(0.2, 9);
    // The joints see it as well.
    const narrow = build({ variant: 'sluice-357', sizes: [{ of: 'rod.length', value: 140, unit: 'mm' }] });
    expect(jointsOf(engineOf(narrow, BUILD_LOOKUP), SETTING)?.verdict).toBe('doesNotFit');
  });

  it('does its work in order, and says what cannot be done, where', () => {
    const done = sheet({
      variant: 'sluice-357',
      places: [{ slot: 'block', work: [{ operation: 'deck', by: { value: 2, unit: 'mm' } }] }],
    });
    expect(done.problems).toEqual([
      {
        where: 'places[0].work[0]',
        what: jasmine.stringMatching(/^Deck the block: So much off the deck/) as unknown as string,
      },
    ]);
    const other = sheet({
      variant: 'sluice-357',
      places: [{ slot: 'piston', work: [{ operation: 'deck', by: { value: 0.1, unit: 'mm' } }] }],
    });
    expect(other.problems.map(({ what }) => what)).toEqual(['Deck the block: That is not done to such a part.']);
    const bored = {
      variant: 'sluice-357',
      places: [{ slot: 'block', work: [{ operation: 'bore' as const, by: { value: 0.03, unit: 'in' as const } }] }],
    };
    const [now, before] = [value(bored, 'wallLeft') ?? 0, value({ variant: 'sluice-357' }, 'wallLeft') ?? 0];
    // Half of what the diameter grows comes off a wall.
    expect(before - now).toBeCloseTo((0.03 * 25.4) / 2, 2);
  });

  it('whose part is gone, or does not belong there, says which and goes on with the rest', () => {
    const gone = sheet({
      variant: 'sluice-357',
      places: [
        { slot: 'crank', pattern: 'no-such-crank' },
        { slot: 'piston', specimen: '00000000-0000-4000-8000-000000000000' },
        { slot: 'rod', pattern: 'sluice-crank-3590' },
        { slot: 'boiler', pattern: 'sluice-crank-3590' },
      ],
    });
    expect(gone.problems.map(({ where, what }) => `${where}: ${what}`)).toEqual([
      'places[0]: The part for crank is not there any more: choose another.',
      'places[1]: The part for pistons is not there any more: choose another.',
      jasmine.stringMatching(/^places\[2\]: .* does not belong in the place of rods\.$/),
      'places[3].slot: An engine has no place called "boiler".',
    ]);
    expect(gone.figures.some(({ value: told }) => told !== undefined)).toBeTrue();
  });

  it('with sizes that cannot be says so in words, with the figure', () => {
    expect(nonsense({ variant: 'sluice-357', sizes: [{ of: 'rod.length', value: 30, unit: 'mm' }] })).toEqual([
      jasmine.stringMatching(/^A rod of 30\.000 mm does not come round a throw of 45\.\d+ mm/),
    ]);
    expect(nonsense({ variant: 'sluice-357', sizes: [{ of: 'piston.pin.diameter', value: 120, unit: 'mm' }] })).toEqual(
      [jasmine.stringMatching(/^A pin of 120\.000 mm does not go into a piston for a bore of/)],
    );
    expect(nonsense({ variant: 'sluice-357', places: [{ slot: 'crank', pattern: 'skerry-crank-4-104' }] })).toContain(
      jasmine.stringMatching(/^The crank carries 4 rods \(4 crankpins, 1 on each\), and the engine has 8 cylinders/),
    );
    expect(nonsense({ variant: 'sluice-357', sizes: [{ of: 'rod.length', value: 220, unit: 'mm' }] })).toEqual([
      jasmine.stringMatching(/would stand .* out of the block/),
    ]);
    // What follows from a crank that does not turn is told as nothing, not as a number.
    const stuck = sheet({ variant: 'sluice-357', sizes: [{ of: 'rod.length', value: 30, unit: 'mm' }] });
    for (const { value: told } of stuck.figures) expect(told === undefined || Number.isFinite(told)).toBeTrue();
  });

  it('refuses figures that are out of all reason, where they were typed', () => {
    const bad = sheet({
      variant: 'sluice-357',
      sizes: [
        { of: 'running.speed', value: 90_000, unit: 'rpm' },
        { of: 'head.chamber.volume', value: -4, unit: 'cc' },
        { of: 'rod.colour', value: 1, unit: 'mm' },
      ],
    });
    expect(bad.problems.map(({ where }) => where)).toEqual(['sizes[0].value', 'sizes[1].value', 'sizes[2].of']);
  });

  it('from nothing but figures still tells what follows from them', () => {
    const bare = {
      sizes: [
        { of: 'block.bore', value: 100, unit: 'mm' as const },
        { of: 'crank.stroke', value: 80, unit: 'mm' as const },
      ],
    };
    expect(value(bare, 'swept')).toBeCloseTo(628.318, 2);
    expect(sheet(bare).figures.find(({ figure }) => figure.id === 'belowDeck')?.needs).toEqual([
      'block.deckHeight',
      'rod.length',
      'piston.compressionHeight',
    ]);
  });

  it('measured position by position has each journal and cylinder by itself', () => {
    const specimen = SPECIMENS.find(({ name }) => name === 'Winch block');
    const engine = engineOf(
      build({ variant: 'skerry-47', places: [{ slot: 'block', specimen: specimen?.id ?? '' }] }),
      BUILD_LOOKUP,
    );
    expect(engine.problems).toEqual([]);
    expect(engine.part('block')?.taken).toBeFalse();
  });

  it('of the demo stands, names what it teaches, and every engine of the catalogue can be built', () => {
    expect(BUILDS.length).toBeGreaterThanOrEqual(6);
    for (const each of BUILDS) {
      const { problems, nonsense: silly } = buildSheetOf(engineOf(each, KNOWING_LOOKUP));
      expect(problems).withContext(each.name).toEqual([]);
      expect(silly).withContext(each.name).toEqual([]);
      expect(each.note).toBeDefined();
    }
    for (const { id } of LOOKUP.catalogue.variants) {
      const { problems, nonsense: silly, figures } = buildSheetOf(demoEngine(id));
      expect(problems).withContext(id).toEqual([]);
      // Planted in the demo: a rod whose big end lost a digit.
      expect(silly.map(({ of }) => of))
        .withContext(id)
        .toEqual(id === 'sluice-417' ? ['rod.mass.bigEnd'] : []);
      const out = figures.flatMap(({ verdict, figure }) => (verdict === 'doesNotFit' ? [`${id} ${figure.id}`] : []));
      // Planted in the demo: the larger copy has the rod of the smaller one.
      const planted: Readonly<Record<string, readonly string[]>> = {
        'minnow-66': ['minnow-66 belowDeck', 'minnow-66 ratio'],
        'sluice-417': ['sluice-417 balancedFor'],
      };
      expect([...new Set(out)]).toEqual([...(planted[id] ?? [])]);
    }
  });

  it('works with what its family makes likely where a size is not put down, and calls nothing a fact that rests on it', () => {
    /** The squish of an engine with one size of one pattern not put down. */
    const squishWithout = (variant: string, of: string, id: string) => {
      const patterns = LOOKUP.catalogue.patterns.map((pattern) => {
        if (pattern.id !== of) return pattern;
        const { [id]: _gone, ...dimensions } = pattern.dimensions;
        return { ...pattern, dimensions };
      });
      const catalogue = new CatalogueLookup({ ...LOOKUP.catalogue, patterns });
      const lookup = { ...BUILD_LOOKUP, catalogue, context: swapContextOf(catalogue) };
      return buildSheetOf(engineOf(build({ variant }), lookup)).figures.find(({ figure }) => figure.id === 'squish');
    };
    const squish = squishWithout('skerry-47', 'skerry-block-4-late', 'block.deckHeight');
    expect(squish?.likely?.map(({ id }) => id)).toEqual(['block.deckHeight']);
    expect(squish?.likely?.[0]?.probability).toBeGreaterThanOrEqual(0.8);
    expect(squish?.verdict).toBe('cannotTell');
    expect(squish?.value).toBeCloseTo(value({ variant: 'skerry-47' }, 'squish') ?? 0, 6);
    // Pistons of a family come in several heights: none is likely enough, and it is asked for.
    const open = squishWithout('sluice-357', 'sluice-piston-398-3590-90', 'piston.compressionHeight');
    expect(open?.value).toBeUndefined();
    expect(open?.needs).toEqual(['piston.compressionHeight']);
  });

  it('says which of several limits binds', () => {
    const safe = (sizes: Readonly<Record<string, number>>) =>
      buildSheetOf(demoEngine('sluice-357', sizes)).figures.find(({ figure }) => figure.id === 'safeSpeed')?.tells;
    expect(safe({ 'valveSpring.trustedSpeed': 3000 })).toBe('The valve springs bind first.');
    expect(safe({ 'valveSpring.trustedSpeed': 20_000, 'crank.stroke': 150, 'rod.length': 250 })).toBe(
      'The pistons bind first.',
    );
  });

  it('begun from the parts of a bench has one place for all, and one for each of several', () => {
    const named = (name: string) => SPECIMENS.find((each) => each.name === name) ?? SPECIMENS[0];
    const parts = [named('Winch block'), named('Winch rod 1'), named('Winch rod 2')].flatMap((each) => each ?? []);
    expect(placesFor(parts, BUILD_LOOKUP).map(({ slot, at }) => [slot, at])).toEqual([
      ['block', undefined],
      ['rod', 1],
      ['rod', 2],
    ]);
  });

  it('says of all its joints at once whether it goes together', () => {
    const right = jointsOf(demoEngine('sluice-357'), SETTING);
    expect(right && say(right.says, 'metric')).toMatch(/^It goes together: all \d+ checks agree\.$/);
    const wrong = jointsOf(demoEngine('sluice-336', {}, [{ slot: 'crank', pattern: 'sluice-crank-3590' }]), SETTING);
    expect(wrong && say(wrong.says, 'metric')).toContain('It does not go together: crown against the deck');
    expect(jointsOf(engineOf(build({}), BUILD_LOOKUP), SETTING)).toBeUndefined();
    expect(piston.parameters.belowPin.definition).toContain('counterweight');
  });
});
