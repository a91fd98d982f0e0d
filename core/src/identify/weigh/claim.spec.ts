import type { Pattern, Variant } from '../../catalogue/pattern';
import { ASSUMED } from '../assumptions';
import { indexCatalogue } from '../catalogueIndex';
import { nameMatch } from '../claimed';
import type { ClaimEvidence } from '../evidence';
import { claimTrust, weighClaim } from './claim';
import { FIXED, ratioAt } from './weighed';

const crank = (id: string): Pattern => ({
  id,
  kind: 'crank',
  name: id,
  dimensions: {},
  features: {},
  interfaces: {},
  marks: [],
  numbers: [],
});
const variant = (
  id: string,
  code: string,
  from: string,
  to: string,
  pattern: string,
  more: Partial<Variant> = {},
): Variant => ({
  id,
  family: 'sluice',
  code,
  years: { from, to },
  dimensions: {},
  features: {},
  fitments: [{ slot: 'crank', pattern }],
  ...more,
});
const INDEX = indexCatalogue('crank', {
  patterns: [crank('early'), crank('late'), crank('never-fitted')],
  variants: [
    variant('v-302', '302', '1960', '1964', 'early', { serials: [{ prefix: 'A', from: '100', to: '199' }] }),
    variant('v-361', '361', '1970', '1974', 'late'),
  ],
});
const claim = (about: ClaimEvidence['about'], value: string): ClaimEvidence => ({
  sort: 'claim',
  text: value,
  about,
  value,
  given: [],
});
const ratio = (about: ClaimEvidence['about'], value: string, id: string) => {
  const weighed = weighClaim(INDEX, claim(about, value), {});
  return weighed && ratioAt(weighed, INDEX.patterns.indexOf(id)) / FIXED;
};

describe('a claim through fitments', () => {
  it('weighs as worked out by hand: trust times how the fitments agree, over the mean of the patterns', () => {
    const trust = ASSUMED.claimRight.engine * ASSUMED.papers * ASSUMED.original;
    const [agrees, not] = [trust + (1 - trust) / 2, (1 - trust) / 2];
    const mean = (agrees + not) / 2;
    expect(ratio('engine', '302', 'early')).toBeCloseTo(Math.log(agrees / mean), 4);
    expect(ratio('engine', '302', 'late')).toBeCloseTo(Math.log(not / mean), 4);
  });

  // One set of papers, or one part out of another engine, makes every claim wrong at once.
  it('counts with others as worked out by hand: papers right or wrong together, the part original or not', () => {
    const { claimRight, papers, original } = ASSUMED;
    const [tag, engine] = [claimRight.tag, claimRight.engine];
    const told = (agrees: 0 | 1) => (tag * agrees + (1 - tag) / 2) * (engine * agrees + (1 - engine) / 2);
    // Papers of another engine are those of any of the two, both built for five years.
    const of = (agrees: 0 | 1) =>
      original * papers * told(agrees) + ((1 - original * papers) * (told(1) + told(0))) / 2;
    const said = [claim('tag', '302'), claim('engine', '302')] as const;
    const together = (id: string) =>
      [said[0], { ...said[1], given: [said[0]] }].reduce((sum, each) => {
        const weighed = weighClaim(INDEX, each, {});
        return sum + (weighed ? ratioAt(weighed, INDEX.patterns.indexOf(id)) / FIXED : NaN);
      }, 0);
    const mean = (of(1) + of(0)) / 2;
    expect(together('early')).toBeCloseTo(Math.log(of(1) / mean), 4);
    expect(together('late')).toBeCloseTo(Math.log(of(0) / mean), 4);
    const apart = (ratio('tag', '302', 'late') ?? NaN) + (ratio('engine', '302', 'late') ?? NaN);
    expect(together('late')).toBeGreaterThan(apart);
  });

  it('says nothing of a pattern that was fitted nowhere', () => {
    expect(ratio('engine', '302', 'never-fitted')).toBe(0);
  });

  it('counts years inside a fitment’s, a little a year off, and hardly further away', () => {
    const [inside, beside, far] = ['1962', '1965', '1972'].map((year) => ratio('year', year, 'early') ?? NaN);
    expect(inside).toBeGreaterThan(0.3);
    expect(beside).toBeLessThan(inside ?? 0);
    expect(far).toBeLessThan(-0.5);
  });

  it('counts a serial in its run, and no other', () => {
    expect(ratio('serial', 'A150', 'early')).toBeGreaterThan(0.5);
    expect(weighClaim(INDEX, claim('serial', 'A250'), {})).toBeUndefined();
    expect(weighClaim(INDEX, claim('serial', 'B150'), {})).toBeUndefined();
  });

  it('is trusted by the house rule, and never wholly', () => {
    for (const about of ['serial', 'tag', 'engine', 'machine', 'year'] as const) {
      const [little, usual, much] = (['little', 'usual', 'much'] as const).map((claims) =>
        claimTrust(about, { claims }),
      );
      expect(little).toBeLessThan(usual ?? 0);
      expect(usual).toBeLessThan(much ?? 0);
      expect(much).toBeLessThan(1);
    }
  });

  it('outranks by what it is: a stamped serial before a tag (common practice, no source)', () => {
    expect(claimTrust('serial', {})).toBeGreaterThan(claimTrust('tag', {}));
  });

  it('matches names however they are spaced, and in part', () => {
    expect(nameMatch('357 D', '357-d')).toBe(1);
    expect(nameMatch('Orchard frost fan 8', 'frost fan')).toBeGreaterThan(0.5);
    expect(nameMatch('357 D', '302')).toBe(0);
    expect(nameMatch('A', 'Astonishing')).toBe(0);
  });
});
