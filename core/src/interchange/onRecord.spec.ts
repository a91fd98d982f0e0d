import type { Catalogue } from '../catalogue/catalogue';
import { CatalogueLookup } from '../catalogue/lookup';
import { partFromPattern } from '../catalogue/part';
import { block } from '../dictionary/kinds/block';
import { random } from '../quantity/random';
import { say } from '../quantity/sentence';
import { CATALOGUE } from '../testing/demo';
import { halfKnown, thinned } from './halfKnown';
import { partsOfVariant } from './placedParts';
import { refuses, swapParts } from './swap';
import { swapContextOf, type SwapContext } from './swapContext';

// That parts which run together fit each other, so that one tells of the other: common practice, no source.

const BLOCK = 'sluice-block-low-small';
const LARGE = 'sluice-crank-3375-large';
const SMALL = 'sluice-crank-3375-cast';

/** A catalogue, and what stands round its swaps. */
interface Known {
  readonly lookup: CatalogueLookup;
  readonly context: SwapContext;
}

/** The demo with some of what is known of one pattern left out. */
const without = (pattern: string, ...ids: readonly string[]): Catalogue => ({
  ...CATALOGUE,
  patterns: CATALOGUE.patterns.map((each) => {
    const less = <T extends object>(entries: T | undefined): T =>
      Object.fromEntries(Object.entries(entries ?? {}).filter(([id]) => !ids.includes(id))) as T;
    return each.id === pattern
      ? { ...each, dimensions: less(each.dimensions), features: less(each.features), interfaces: less(each.interfaces) }
      : each;
  }),
});

const judged = (catalogue: Catalogue, donor: string, recipient: string) => {
  const lookup = new CatalogueLookup(catalogue);
  const part = (id: string) => {
    const pattern = lookup.pattern(id);
    if (!pattern) throw new RangeError(`The demo has no ${id}.`);
    return partFromPattern(pattern, id);
  };
  const swap = swapParts(part(donor), part(recipient), swapContextOf(lookup));
  return { ...swap, checks: swap.joints.flatMap(({ checks }) => checks) };
};

describe('what parts are on record with', () => {
  const seal = block.parameters['rearSeal.journal'].id;

  it('refuses where nobody measured: the seal of a block is that of the cranks that run in it', () => {
    const { checks } = judged(without(BLOCK, seal), 'skerry-crank-6-112', BLOCK);
    const found = checks.find(({ id }) => id === 'rearSeal');
    expect(found?.verdict).not.toBe('fits');
    expect(say(found?.because ?? [], 'metric')).toMatch(
      /goes by what it is on record with, where not known: rear seal/i,
    );
  });

  it('makes likely what would go with it, and never certain', () => {
    const { checks } = judged(without(BLOCK, block.features.mainCount.id), SMALL, BLOCK);
    const found = checks.find(({ id }) => id === 'mainCount');
    expect(found?.verdict).toBe('cannotTell');
    expect(found?.likely).toBe('fits');
    expect(say(found?.because ?? [], 'metric')).toContain('Likely right, if it is as on what it is on record with');
  });

  it('is not asked where the part itself is known, and tells nothing of a part that no engine has', () => {
    const known = judged(CATALOGUE, LARGE, BLOCK).checks;
    expect(known.some(({ because }) => say(because, 'metric').includes('on record with'))).toBeFalse();
    const nowhere: Catalogue = {
      ...without(BLOCK, seal),
      variants: CATALOGUE.variants.map((each) => ({ ...each, fitments: [] })),
    };
    const found = judged(nowhere, SMALL, BLOCK).checks.find(({ id }) => id === 'rearSeal');
    expect(found?.verdict).toBe('cannotTell');
    expect(say(found?.because ?? [], 'metric')).not.toContain('on what it is on record with');
  });

  it('counts of what is counted as well: as many mains as the crank that runs in it has', () => {
    const { checks } = judged(without(BLOCK, block.features.mainCount.id), 'skerry-crank-6-112', BLOCK);
    expect(checks.find(({ id }) => id === 'mainCount')?.verdict).toBe('doesNotFit');
  });

  it('leaves with half of all values gone no wrong fit, refuses none that fits, and keeps half of the refusals of these', () => {
    // The figures of bench/half-known.mjs, for a few kinds of part and at looser limits.
    const found = halfKnown(CATALOGUE, thinned(CATALOGUE, 0.5, random(1)), ['crank', 'rod', 'cam']);
    expect(found.wrongFits).toBe(0);
    expect(found.fitsRefused).toBe(0);
    expect(found.fits).toBeGreaterThan(200);
    expect(found.refusedStill / found.refused).toBeGreaterThan(0.5);
    expect(found.rightAmongThree / found.asked).toBeGreaterThan(0.8);
  });

  it('leaves no engine to refuse a part of its own, but for what was planted in the demo', () => {
    const [whole, half] = [CATALOGUE, thinned(CATALOGUE, 0.5, random(1))].map((catalogue) => {
      const lookup = new CatalogueLookup(catalogue);
      return { lookup, context: swapContextOf(lookup) };
    }) as [Known, Known];
    const refusedBy = ({ lookup, context }: Known, engine: string) => {
      const variant = lookup.variant(engine);
      const parts = variant ? partsOfVariant(lookup, variant) : [];
      return parts.filter((each) => refuses([each], parts, context)).map(({ part }) => part.label);
    };
    for (const { id } of CATALOGUE.variants) {
      const refused = refusedBy(half, id);
      const planted = refused.length > 0 ? refusedBy(whole, id) : [];
      expect(refused.filter((label) => !planted.includes(label)))
        .withContext(id)
        .toEqual([]);
    }
  });

  it('leaves a catalogue as it was where nothing is left out', () => {
    const found = halfKnown(CATALOGUE, thinned(CATALOGUE, 0, random(1)), ['lifter']);
    expect(found.fitsTold).toBe(found.fits);
    expect(found.refusedStill).toBe(found.refused);
    expect(found.rightAmongThree).toBe(found.asked);
  });
});
