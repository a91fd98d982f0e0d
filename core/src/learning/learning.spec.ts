import * as statistics from 'simple-statistics';
import type { KindId } from '../dictionary/dictionary';
import { ASSUMED, assumedOf, checkOwnAssumptions, LEARNT_IDS, withOwn } from '../identify/assumptions';
import { indexCatalogue } from '../identify/catalogueIndex';
import { Identification } from '../identify/index';
import { random } from '../quantity/random';
import { say } from '../quantity/sentence';
import { readEntry } from '../readings/entryLine';
import type { Confirmed, Specimen } from '../readings/reading';
import { CATALOGUE, LOOKUP } from '../testing/demo';
import { bandsOf, brierBetween, shareBetween, type Answer } from './calibration';
import { confirmedCases } from './cases';
import { contradictedHere } from './contradicted';
import { asDimension, measuredHere } from './measuredHere';
import { PRIOR_CASES, reestimate } from './reestimate';

const indexOf = (kind: KindId) => indexCatalogue(kind, CATALOGUE);
const specimen = (
  kind: KindId,
  text: string,
  pattern: string | undefined,
  more: Partial<Confirmed> = {},
  at = '2026-03-01T08:00:00.000Z',
): Specimen => ({
  id: text,
  name: text,
  kind,
  readings: readEntry(text, kind).words.map((is, place) => ({ id: `${text} ${place}`, at, is })),
  confirmed: { ...(pattern === undefined ? {} : { pattern }), by: 'fitted', at: '2026-04-01T08:00:00.000Z', ...more },
});
const FORGED = 'sluice-crank-3375-forged';
const cases = (...specimens: Specimen[]) => confirmedCases(specimens, indexOf);

describe('a confirmed part', () => {
  it('is a case: what was said of it, and whether it was so', () => {
    const [right, wrong, none] = cases(
      specimen('crank', 'cast 4187, main 2.3495in mic, forged', FORGED),
      specimen('crank', 'cast 4187, main 2.3495in mic', 'sluice-crank-3115'),
      specimen('crank', 'main 51.3 mic, stroke 70.4 caliper, 7 mains', undefined),
    );
    expect([right?.said, right?.right]).toEqual([FORGED, true]);
    expect([wrong?.said, wrong?.right]).toEqual([FORGED, false]);
    expect([none?.was, none?.right]).toEqual([undefined, true]);
  });

  it('is judged on what was read before anybody knew, and on nothing else', () => {
    const later = specimen('crank', 'cast 4187', FORGED, { at: '2026-02-01T08:00:00.000Z' });
    expect(cases(later)).toEqual([]);
    const { confirmed: _none, ...open } = specimen('crank', 'cast 4187', FORGED);
    expect(cases(open)).toEqual([]);
    expect(cases(specimen('crank', 'cast 4187', 'no-longer-there'))).toEqual([]);
  });
});

describe('calibration', () => {
  const answers = (probability: number, right: number, count: number): Answer[] =>
    Array.from({ length: count }, (_each, at) => ({ probability, right: at < right }));

  it('has a share between bounds that are wide while cases are few (Wilson’s score interval)', () => {
    // Worked by hand after E. B. Wilson, J. Am. Stat. Assoc. 22 (1927) 209: 8 of 10 with z = 1.96 give 0.490 to 0.943.
    const eight = shareBetween(8, 10);
    expect(eight.low).toBeCloseTo(0.4902, 3);
    expect(eight.high).toBeCloseTo(0.9433, 3);
    expect(shareBetween(0, 0)).toEqual({ low: 0, high: 1 });
    expect(shareBetween(20, 20).low).toBeCloseTo(0.8389, 3);
  });

  it('holds the true share in nine draws of ten and more', () => {
    for (const share of [0.5, 0.8, 0.95]) {
      const source = statistics.shuffle(
        Array.from({ length: 2000 }, (_each, at) => at < 2000 * share),
        random(4711),
      );
      let held = 0;
      for (let draw = 0; draw < 100; draw++) {
        const seen = source.slice(20 * draw, 20 * draw + 20).filter(Boolean).length;
        const { low, high } = shareBetween(seen, 20);
        if (low <= share && share <= high) held++;
      }
      expect(held).withContext(String(share)).toBeGreaterThan(88);
    }
  });

  it('scores by Brier, with the standard error of a mean (simple-statistics)', () => {
    const all = [...answers(0.9, 8, 10), ...answers(0.5, 2, 6)];
    const squares = all.map(({ probability, right }) => (probability - (right ? 1 : 0)) ** 2);
    const { score, error } = brierBetween(all);
    expect(score).toBeCloseTo(statistics.mean(squares), 12);
    expect(error).toBeCloseTo(statistics.sampleStandardDeviation(squares) / Math.sqrt(all.length), 12);
    expect(brierBetween([]).error).toBe(0);
  });

  it('goes by tenths of sureness', () => {
    const bands = bandsOf([...answers(0.92, 9, 10), ...answers(0.4, 1, 4)]);
    expect(bands.filter(({ count }) => count > 0).map(({ from, right }) => [from, right])).toEqual([
      [0.4, 1],
      [0.9, 9],
    ]);
  });
});

describe('the chances taken for granted', () => {
  const of = (id: string, ...specimens: Specimen[]) => {
    const found = reestimate(cases(...specimens), ASSUMED, LOOKUP).find((each) => each.id === id);
    if (!found) throw new Error(id);
    return found;
  };

  it('are posterior means of beta distributions, the present value worth so many cases', () => {
    const known = specimen('crank', 'cast 4187, forged', FORGED);
    const stranger = specimen('crank', 'main 51.3 mic, 7 mains', undefined);
    const { cases: count, seen, posterior, low, high } = of('notInCatalogue', known, stranger);
    expect([count, seen]).toEqual([2, 1]);
    // By hand: (0.05 × 100 + 1) / (100 + 2).
    expect(posterior).toBeCloseTo((ASSUMED.notInCatalogue * PRIOR_CASES + 1) / (PRIOR_CASES + 2), 12);
    expect(low).toBeLessThan(posterior);
    expect(high).toBeGreaterThan(posterior);
  });

  it('stay where they are where nothing was seen', () => {
    for (const { id, present, cases: count, posterior } of reestimate([], ASSUMED, LOOKUP)) {
      expect(count).toBe(0);
      expect(posterior).withContext(id).toBeCloseTo(present, 12);
    }
  });

  it('count a slip where a size is no size of the pattern, and none where it is', () => {
    const good = of('sizeMistaken', specimen('crank', 'cast 4187, main 2.3495in mic', FORGED));
    const slip = of('sizeMistaken', specimen('crank', 'cast 4187, main 2.4395in mic', FORGED));
    expect(good.seen).toBeLessThan(0.01);
    expect(slip.seen).toBeGreaterThan(0.99);
  });

  it('count service sizes, much wear, marks and claims', () => {
    const ground = specimen('crank', 'main 2.3395in mic', FORGED);
    expect(of('standardSize', ground).seen).toBeLessThan(0.1);
    expect(of('standardSize', specimen('crank', 'main 2.3495in mic', FORGED)).seen).toBeGreaterThan(0.9);
    const worn = of('muchWorn', specimen('crank', 'main 2.3425in mic', FORGED));
    const fresh = of('muchWorn', specimen('crank', 'main 2.3495in mic', FORGED));
    expect(worn.seen).toBeGreaterThan(fresh.seen);
    // Of those told wrong the hard ones were misjudged, and say little of how careless one is.
    expect(of('lookMistaken', specimen('crank', 'forged', FORGED)).seen).toBe(0);
    const wrongly = of('lookMistaken', specimen('crank', '6 weights', FORGED));
    expect(wrongly.seen).toBeGreaterThan(0);
    expect(wrongly.seen).toBeLessThan(1);
    expect(wrongly.posterior).toBeGreaterThan(ASSUMED.lookMistaken);
    expect(of('lookMistaken', specimen('crank', 'not forged', FORGED)).cases).toBe(0);
    expect(of('markUnrecorded', specimen('crank', 'cast 4473', FORGED)).seen).toBeGreaterThan(0.5);
    expect(of('markUnrecorded', specimen('crank', 'cast 4187', FORGED)).seen).toBeLessThan(0.01);
    expect(of('claimRight.engine', specimen('crank', 'engine 306 H', FORGED)).seen).toBeGreaterThan(0.8);
    expect(of('claimRight.engine', specimen('crank', 'engine 417', FORGED)).seen).toBeLessThan(0.2);
  });

  it('count what was in an engine from the first, by its block', () => {
    const inJob = (kind: KindId, text: string, pattern: string, job = 'one'): Specimen => ({
      ...specimen(kind, text, pattern),
      job,
    });
    const block = inJob('block', 'cast B2903', 'sluice-block-low-small');
    const own = inJob('crank', 'cast 4187', FORGED);
    const other = inJob('crank', 'main 2.6095in mic', 'sluice-crank-3375-large');
    // By hand, of a crank that was there or was put in as what such engines have: 0.85 / (0.85 + 0.15 × 0.7).
    const there = of('original', block, own);
    expect([there.cases, there.seen.toFixed(4)]).toEqual([1, '0.8901']);
    const swapped = of('original', block, other);
    expect([swapped.cases, swapped.seen]).toEqual([1, 0]);
    expect(swapped.posterior).toBeLessThan(ASSUMED.original);
    // A set of pistons is one case; without a block, with two of them or in another job there is none.
    const piston = (text: string) => inJob('piston', text, 'sluice-piston-398-3375-80');
    expect(of('original', block, piston('bore 3.980in'), piston('bore 3.980in mic')).cases).toBe(1);
    expect(of('original', own).cases).toBe(0);
    expect(of('original', block, inJob('block', 'cast B3906', 'sluice-block-low-dry'), own).cases).toBe(0);
    expect(of('original', block, inJob('crank', 'cast 4187', FORGED, 'two')).cases).toBe(0);
  });

  it('may be the shop’s own: identification goes by them, and only by known ones', () => {
    expect(withOwn(undefined)).toBe(ASSUMED);
    const own = withOwn({ notInCatalogue: 0.3, 'claimRight.year': 0.5 });
    expect(own.claimRight.tag).toBe(ASSUMED.claimRight.tag);
    expect(own.claimRight.year).toBe(0.5);
    const index = indexOf('crank');
    const words = readEntry('main 2.3495in mic', 'crank').words;
    const none = (assumed: typeof own) => new Identification({ ...index, assumed }).read(words).posterior.none;
    expect(none(own)).toBeGreaterThan(3 * none(ASSUMED));
    expect(LEARNT_IDS.every((id) => assumedOf(ASSUMED, id) > 0)).toBeTrue();
    expect(checkOwnAssumptions({ notInCatalogue: 0.1, luck: 0.5 }, 'rules')).toEqual([
      jasmine.objectContaining({ where: 'rules.luck' }),
    ]);
  });
});

describe('sizes measured here', () => {
  const cover = (text: string) => specimen('frontCover', text, 'ambit-cover-low');

  it('are told of patterns of which two parts and more were measured', () => {
    expect(measuredHere(cases(cover('height 268.05 caliper')))).toEqual([]);
    const [row] = measuredHere(cases(cover('height 268.05 caliper'), cover('height 268.00 caliper')));
    expect(row).toEqual(jasmine.objectContaining({ pattern: 'ambit-cover-low', parts: 2, contradicts: false }));
    expect(row?.wear).toBeUndefined();
  });

  it('contradict the catalogue where most lie outside, the way no wear goes; the audit says so', () => {
    const rows = measuredHere(cases(cover('height 268.60 caliper'), cover('height 268.65 caliper')));
    expect(rows[0]?.contradicts).toBeTrue();
    const [finding] = contradictedHere(rows);
    expect(finding?.where).toEqual({ type: 'pattern', id: 'ambit-cover-low', at: 'frontCover.height' });
    expect(say(finding?.says ?? [], 'metric')).toContain('measured on 2 parts');
  });

  // Common practice, no source: journals wear smaller, so small ones tell of use and large ones of another part.
  it('are no contradiction where they are worn, and the wear is told', () => {
    const crank = (text: string) => specimen('crank', text, FORGED);
    const worn = measuredHere(cases(crank('main 2.3480in mic'), crank('main 2.3482in mic')));
    expect(worn[0]?.contradicts).toBeFalse();
    expect(worn[0]?.wear).toBeGreaterThan(0.02);
  });

  it('become figures of the open format, outwards', () => {
    expect(asDimension({ low: 268.0001, high: 268.6501 }, 'mm')).toEqual({
      low: '268.000',
      high: '268.651',
      unit: 'mm',
    });
    expect(asDimension({ low: 59.6401, high: 59.6646 }, 'in')).toEqual({ low: '2.3480', high: '2.3490', unit: 'in' });
  });
});
