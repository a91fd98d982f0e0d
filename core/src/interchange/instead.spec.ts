import { judgeSwap } from './judge';
import { LOOKUP, SETTING } from '../testing/demo';

const judged = (donor: string, recipient: string) =>
  judgeSwap(LOOKUP, [{ pattern: donor }], { pattern: recipient }, SETTING);

// Common practice, no source: before a crank is ground or a block bored, one asks what the part that fits would cost.
describe('what may be bought instead of machining', () => {
  it('drops in where the part that was asked about wants work', () => {
    const found = judged('skerry-crank-6-112', 'skerry-block-6-early');
    expect(found.swap.verdict).toBe('fitsWithWork');
    expect(found.swap.machined.map(({ kind }) => kind)).toContain('crank');
    const cranks = found.instead.filter(({ pattern }) => LOOKUP.pattern(pattern)?.kind === 'crank');
    expect(cranks.length).toBeGreaterThan(0);
    for (const { pattern, price } of cranks) {
      expect(judged(pattern, 'skerry-block-6-early').swap.verdict).withContext(pattern).toBe('fits');
      expect(price).toBe(LOOKUP.pattern(pattern)?.price);
    }
  });

  it('is nothing where nothing is machined', () => {
    const found = judged('skerry-crank-6-112', 'skerry-block-6-late');
    expect(found.swap.verdict).toBe('fits');
    expect(found.instead).toEqual([]);
  });

  it('is priced for as many as the engine takes', () => {
    const found = judgeSwap(LOOKUP, [{ pattern: 'skerry-piston-112-160-os' }], { variant: 'skerry-47' }, SETTING);
    const pistons = found.instead.filter(({ pattern }) => LOOKUP.pattern(pattern)?.kind === 'piston');
    for (const { pattern, price } of pistons)
      expect(price)
        .withContext(pattern)
        .toBe(4 * (LOOKUP.pattern(pattern)?.price ?? NaN));
  });
});
