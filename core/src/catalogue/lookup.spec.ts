import { CATALOGUE, LOOKUP } from '../testing/demo';
import { monthOf, sayYears } from './figure';
import { CatalogueLookup, fitmentsInOrder, sayShare } from './lookup';

const inOrder = <T extends { readonly id: string }>(records: readonly T[]) =>
  [...records].sort((a, b) => (a.id < b.id ? -1 : 1));

describe('a catalogue at hand', () => {
  it('names records in full, and by their ids where they are not there', () => {
    expect(LOOKUP.label('sluice-crank-3115')).toMatch(/^Brackmere Sluice, /);
    expect(LOOKUP.variantLabel('sluice-357-d')).toBe('Brackmere Sluice 357 D');
    expect(LOOKUP.labelOf('maker', 'vesk')).toBe('Vesk');
    expect(LOOKUP.labelOf('scheme', 'brackmere-date')).toBe('Brackmere casting date');
    expect(LOOKUP.labelOf('swap', CATALOGUE.swaps[0]?.id ?? '')).toContain(' into ');
    for (const type of ['maker', 'family', 'pattern', 'variant', 'scheme', 'swap'] as const)
      expect(LOOKUP.labelOf(type, 'nothing')).toBe('nothing');
    expect(LOOKUP.label('bearing-6204')).not.toContain('undefined');
  });

  it('finds where a pattern was fitted, the same as going through every variant', () => {
    for (const pattern of CATALOGUE.patterns.slice(0, 60)) {
      const plain = CATALOGUE.variants.flatMap((variant) =>
        variant.fitments.filter((fitment) => fitment.pattern === pattern.id).map(() => variant.id),
      );
      expect(LOOKUP.fittedIn(pattern.id).map((each) => each.variant.id)).toEqual(plain);
    }
  });

  it('finds a number however it is written', () => {
    const { numbers } = CATALOGUE.patterns.find((pattern) => pattern.id === 'sluice-crank-3375-forged') ?? {
      numbers: [],
    };
    const number = numbers[0]?.number ?? '';
    for (const text of [number, number.toLowerCase(), number.replace('-', ' ')])
      expect(LOOKUP.withNumber(text).map((each) => each.pattern.id)).toEqual(['sluice-crank-3375-forged']);
    expect(LOOKUP.withNumber('nothing')).toEqual([]);
  });

  it('knows the years of a family from its variants', () => {
    const years = LOOKUP.yearsOf('sluice');
    expect(years && sayYears(years)).toBe('1958–1996');
    expect(LOOKUP.yearsOf('nothing')).toBeUndefined();
  });

  it('puts fitments in the order of assembly, then of time', () => {
    const variant = LOOKUP.variant('sluice-357-d');
    const ordered = fitmentsInOrder(variant?.fitments ?? []);
    expect(ordered.slice(0, 3).map((fitment) => [fitment.slot, fitment.from])).toEqual([
      ['block', '1986'],
      ['block', '1986-06'],
      ['crank', '1986'],
    ]);
    expect(ordered.length).toBe(variant?.fitments.length ?? 0);
  });

  it('tells who says of himself that he belongs to another', () => {
    const [pattern] = CATALOGUE.patterns.filter((each) => each.companions);
    const other = pattern?.companions?.[0]?.pattern ?? '';
    expect(LOOKUP.companionsOf(other).map((each) => each.pattern.id)).toContain(pattern?.id ?? '');
    expect(LOOKUP.swapsOf(CATALOGUE.swaps[0]?.donor ?? '').length).toBeGreaterThan(0);
  });
});

describe('dates and shares', () => {
  it('count months, a year from its first to its last', () => {
    expect(monthOf('1986-09') - monthOf('1986')).toBe(8);
    expect(monthOf('1986', true) - monthOf('1986')).toBe(11);
    expect(monthOf('1987') - monthOf('1986', true)).toBe(1);
  });

  it('are said as the trade says them', () => {
    expect([undefined, 1, 0.8, 0.4, 0.1].map(sayShare)).toEqual(['all', 'all', 'most', 'some', 'a few']);
    expect([
      sayYears({ from: '1990' }),
      sayYears({ from: '1990', to: '1990' }),
      sayYears({ from: '1986-09', to: '1996' }),
    ]).toEqual(['from 1990', '1990', '1986-09–1996']);
  });

  it('goes on with records added, altered and removed as if it had been made of them', () => {
    const patterns = inOrder(CATALOGUE.patterns);
    const [first, second, ...rest] = patterns;
    const lookup = new CatalogueLookup({ ...CATALOGUE, patterns });
    if (!first || !second) throw new Error('The demo has patterns.');
    const altered = { ...second, name: 'another name' };
    const added = [
      { ...first, id: 'zz-last' },
      { ...first, id: '0-first' },
    ];
    const after = lookup.with([
      { type: 'pattern', id: first.id },
      ...[altered, ...added].map((record) => ({ type: 'pattern' as const, id: record.id, record })),
    ]);
    expect(after.catalogue.patterns).toEqual(inOrder([...rest, altered, ...added]));
    expect(after.catalogue.variants).toBe(CATALOGUE.variants);
    expect(after.pattern(first.id)).toBeUndefined();
    expect(after.pattern('zz-last')).toBe(added[0]);
    expect(after.label(altered.id)).toContain('another name');
    expect(lookup.pattern(first.id)).toBe(first);
  });
});
