import fc from 'fast-check';
import { ASSUMED } from './assumptions';
import type { Evidence } from './evidence';
import { likeliest, Scores } from './scores';
import { few, fixed, FIXED, ratioAt, type Weighed } from './weigh/weighed';
import { holds } from '../testing/laws';

const EVIDENCE = { sort: 'claim', text: '', about: 'year', value: '1962', given: [] } satisfies Evidence;
const PATTERNS = 40;

const column = (codes: readonly number[], logs: readonly number[]): Weighed => ({
  evidence: EVIDENCE,
  form: 'column',
  codes: Uint16Array.from({ length: PATTERNS }, (_, row) => codes[row % codes.length] ?? 0),
  byCode: Int32Array.from([0, ...logs].map(fixed)),
});
const weighed = fc.oneof(
  fc
    .record({
      codes: fc.array(fc.nat(3), { minLength: 1, maxLength: 9 }),
      logs: fc.array(fc.double({ min: -20, max: 20, noNaN: true }), { minLength: 3, maxLength: 3 }),
    })
    .map(({ codes, logs }) => column(codes, logs)),
  fc
    .record({
      base: fc.double({ min: -9, max: 3, noNaN: true }),
      rows: fc.dictionary(fc.constantFrom('0', '3', '17', '39'), fc.double({ min: -20, max: 20, noNaN: true })),
    })
    .map(({ base, rows }) =>
      few(EVIDENCE, base, new Map(Object.entries(rows).map(([row, log]) => [Number(row), log])), 1),
    ),
);

const totals = (scores: Scores) => Array.from({ length: PATTERNS }, (_, row) => scores.of(row));

describe('the running sum of evidence', () => {
  it('does not depend on the order in which evidence is put on (a law of whole numbers)', () => {
    holds(
      fc.property(fc.array(weighed, { maxLength: 8 }), (all) => {
        const [there, back] = [new Scores(PATTERNS), new Scores(PATTERNS)];
        for (const each of all) there.apply(each, 1);
        for (const each of [...all].reverse()) back.apply(each, 1);
        expect(totals(there)).toEqual(totals(back));
      }),
    );
  });

  it('is exactly as before once evidence is taken off again', () => {
    holds(
      fc.property(fc.array(weighed, { maxLength: 6 }), weighed, (all, more) => {
        const scores = new Scores(PATTERNS);
        for (const each of all) scores.apply(each, 1);
        const before = totals(scores);
        scores.apply(more, 1);
        scores.apply(more, -1);
        expect(totals(scores)).toEqual(before);
      }),
    );
  });

  it('is for each pattern the sum of what each piece weighs', () => {
    holds(
      fc.property(fc.array(weighed, { maxLength: 6 }), (all) => {
        const scores = new Scores(PATTERNS);
        for (const each of all) scores.apply(each, 1);
        for (const row of [0, 3, 20, 39])
          expect(scores.of(row) * FIXED).toBeCloseTo(
            all.reduce((sum, each) => sum + ratioAt(each, row), 0),
            6,
          );
      }),
    );
  });

  it('gives Bayes’ rule worked out plainly (T. Bayes, Phil. Trans. 53 (1763) 370)', () => {
    holds(
      fc.property(fc.array(weighed, { maxLength: 6 }), (all) => {
        const scores = new Scores(PATTERNS);
        for (const each of all) scores.apply(each, 1);
        const { rows, probabilities, none } = scores.posterior();
        const odds = totals(scores).map((log) => Math.exp(log) * ((1 - ASSUMED.notInCatalogue) / PATTERNS));
        const sum = odds.reduce((a, b) => a + b, ASSUMED.notInCatalogue);
        rows.forEach((row, at) => expect(probabilities[at]).toBeCloseTo((odds[row] ?? 0) / sum, 9));
        expect(none).toBeCloseTo(ASSUMED.notInCatalogue / sum, 9);
      }),
    );
  });

  it('puts the likeliest first, equal ones as they stand', () => {
    const posterior = {
      rows: Uint32Array.of(0, 1, 2, 3),
      probabilities: Float64Array.of(0.1, 0.3, 0.3, 0.2),
      none: 0.1,
      looksOfNone: 0,
    };
    expect(likeliest(posterior, 3)).toEqual([1, 2, 3]);
  });
});
