import fc from 'fast-check';
import { demoPart, SETTING } from '../testing/demo';
import { kinshipOf } from './kinship';
import { bestFirst, standingOf } from './ranking';
import { swapParts } from './swap';
import { holds } from '../testing/laws';

const NO_KIN = { recordedIn: [], sameFamily: false };
const open = (standing: number, price = 0) => ({ verdict: 'cannotTell' as const, standing, price });

// What is looked at first: common practice, no source.
describe('the order of a list', () => {
  it('is by verdict before anything else: what is on record together never comes before what fits', () => {
    const fits = { verdict: 'fits' as const, standing: 0, price: 900 };
    expect([open(3.9), fits].sort(bestFirst)[0]).toBe(fits);
  });

  it('puts what is on record in one engine first among open answers, then what is of one family, then what agrees', () => {
    const tally = { agree: 2, byWork: 0, likely: 0, checks: 10 };
    const all = { ...tally, agree: 10 };
    const recorded = standingOf(tally, { recordedIn: ['Sluice 306'], sameFamily: true });
    const related = standingOf(tally, { recordedIn: [], sameFamily: true });
    expect(recorded).toBeGreaterThan(related);
    expect(related).toBeGreaterThan(standingOf(all, NO_KIN) - 1);
    expect(standingOf(all, NO_KIN)).toBeGreaterThan(standingOf(tally, NO_KIN));
  });

  it('counts what is likely less than what is known, and work against a part', () => {
    const count = fc.integer({ min: 0, max: 20 });
    holds(
      fc.property(count, count, (agree, other) => {
        const checks = agree + other + 1;
        const known = standingOf({ agree: agree + 1, byWork: 0, likely: 0, checks }, NO_KIN);
        const likely = standingOf({ agree, byWork: 0, likely: 1, checks }, NO_KIN);
        const unknown = standingOf({ agree, byWork: 0, likely: 0, checks }, NO_KIN);
        const byWork = standingOf({ agree, byWork: 1, likely: 0, checks }, NO_KIN);
        expect(known).toBeGreaterThan(likely);
        expect(likely).toBeGreaterThan(unknown);
        expect(unknown).toBeGreaterThan(byWork);
      }),
    );
  });

  it('goes by the price where all else is alike', () => {
    expect([open(1, 80), open(1, 20)].sort(bestFirst)[0]?.price).toBe(20);
  });
});

describe('kinship', () => {
  const crank = demoPart('sluice-crank-3375-cast');
  const block = demoPart('sluice-block-low-small');

  it('is told by the engines in which both are on record, and by their family', () => {
    const kin = kinshipOf(SETTING, crank, block);
    expect(kin.recordedIn.some((engine) => engine.includes('306'))).toBeTrue();
    expect(kin.sameFamily).toBeTrue();
    expect(kinshipOf(SETTING, block, crank).recordedIn.length).toBe(kin.recordedIn.length);
  });

  it('is none between strangers, and with a part of no pattern', () => {
    expect(kinshipOf(SETTING, crank, demoPart('pip-block-48'))).toEqual(NO_KIN);
    const { pattern: _pattern, ...nameless } = crank;
    expect(kinshipOf(SETTING, nameless, block)).toEqual(NO_KIN);
  });

  it('stands in the swap, for whoever reads it', () => {
    expect(swapParts(crank, block, SETTING).recordedIn).toEqual(kinshipOf(SETTING, crank, block).recordedIn);
  });
});
