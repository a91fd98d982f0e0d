import fc from 'fast-check';
import { say } from '../quantity/sentence';
import { fromInside, toInside } from '../quantity/unit';
import type { Understood } from '../readings/reading';
import { lineUpFor, LOOKUP, words } from '../testing/demo';
import { STRONG_CONTRADICTION } from './assumptions';
import type { Candidate, LineUp } from './identify';
import { sayProbability, sayStatus } from './sayStatus';
import { holds } from '../testing/laws';

function first(lineUp: LineUp): Candidate {
  const [candidate] = lineUp.candidates;
  if (!candidate) throw new Error('The line-up has no candidate.');
  return candidate;
}

const reason = (lineUp: LineUp, text: string) =>
  say(first(lineUp).pulls.find((pull) => pull.text.startsWith(text))?.why ?? [], 'metric');
const shown = (lineUp: LineUp) =>
  lineUp.candidates
    .map(({ pattern, probability }) => `${pattern} ${sayProbability(probability)} ${probability.toFixed(9)}`)
    .join('\n') + lineUp.none.toFixed(9);

describe('identification', () => {
  // Common practice, no source: a casting number names a casting, not how it was machined.
  it('says of a casting number which other forms are machined from it, and what tells', () => {
    const lineUp = lineUpFor('cast 4473');
    expect(lineUp.status).not.toBe('settled');
    expect(lineUp.casting).toEqual(
      jasmine.objectContaining({ text: 'cast 4473', others: [jasmine.stringMatching(/^sluice-crank-3590/)] }),
    );
    expect(sayStatus(lineUp, (id) => id)).toMatch(/“cast 4473” is the number of a casting.*What tells it from them: /);
    expect(lineUpFor('cast 4187').casting).toBeUndefined();
  });

  it('calls a crank worn by 0.02 what it is', () => {
    const lineUp = lineUpFor('cast 41?7 main 2.3482in mic pin 2.0493in mic stroke 3.375in caliper forged 8 weights');
    expect(lineUp.status).toBe('settled');
    expect(first(lineUp).pattern).toBe('sluice-crank-3375-forged');
    expect(reason(lineUp, 'main')).toBe(
      '0.0008 in under the standard limits 2.3490 to 2.3500 in: worn, or a light polish.',
    );
  });

  it('calls a crank at its first undersize what it is', () => {
    const lineUp = lineUpFor('main 78.71 mic pin 66.70 mic stroke 104 caliper cast H72?0 lip seal');
    expect(first(lineUp).pattern).toBe('skerry-crank-4-104-late');
    expect(reason(lineUp, 'main')).toMatch(/^First undersize: inside its limits/);
  });

  it('tells a worn first undersize from a standard journal worn past its limit', () => {
    expect(reason(lineUpFor('main 78.68 mic cast H7270'), 'main')).toMatch(/^First undersize, and 0\.020 mm under/);
    expect(reason(lineUpFor('main 78.88 mic cast H7270'), 'main')).toMatch(
      /under the standard limits .*past its wear limit/,
    );
  });

  it('finds a crank of another family for what it is', () => {
    const lineUp = lineUpFor('main 53.99 mic pin 44.44 mic stroke 73 caliper 5 mains cast');
    expect(lineUp.status).toBe('settled');
    expect(first(lineUp).pattern).toBe('ambit-crank-5-early');
  });

  it('says that a crank in no catalogue is in none', () => {
    const lineUp = lineUpFor('cast K880 main 58.12 mic pin 48.03 mic stroke 88.4 caliper 5 mains');
    expect(lineUp.status).toBe('nothingFits');
    expect(lineUp.none).toBeGreaterThan(0.99);
    expect(sayStatus(lineUp, (id) => id)).toContain(`None of the ${LOOKUP.ofKind('crank').length} cranks`);
  });

  it('takes wear one way only: as far over the limits speaks against, as far under does not', () => {
    const under = first(lineUpFor('main 2.3475in mic 8 weights forged cast 4187'));
    const over = lineUpFor('main 2.3515in mic 8 weights forged cast 4187').candidates.find(
      (each) => each.pattern === under.pattern,
    );
    const weight = (candidate: typeof under | undefined) =>
      candidate?.pulls.find((pull) => pull.sort === 'size')?.decibans ?? 0;
    expect(weight(under)).toBeGreaterThan(3);
    expect(weight(over)).toBeLessThan(STRONG_CONTRADICTION);
  });

  it('lets the instrument count: a caliper says less than a micrometer', () => {
    const weight = (text: string) => first(lineUpFor(text)).pulls[0]?.decibans ?? 0;
    expect(weight('pin 66.95 caliper')).toBeLessThan(weight('pin 66.95 mic'));
  });

  it('is not settled against one strong contradiction, however well the rest agrees', () => {
    const lineUp = lineUpFor(
      'cast 4187 main 2.3495in mic pin 2.0495in mic stroke 3.375in caliper forged 8 weights nose 35.9 mic',
    );
    expect(first(lineUp).probability).toBeGreaterThan(0.5);
    expect(lineUp.status).not.toBe('settled');
    expect(sayStatus(lineUp, (id) => id)).toContain('“nose 35.9 mic” speaks strongly against it');
  });

  it('names the slip that explains a misread mark', () => {
    const lineUp = lineUpFor('cast H721O rope seal main 78.96 mic 5 mains');
    expect(first(lineUp).pattern).toBe('skerry-crank-4-104');
    expect(reason(lineUp, 'cast')).toBe('H7210 on the web: 0 read as O is a common slip on a sand casting.');
  });

  it('knows nothing from nothing, and words not understood say nothing', () => {
    expect(lineUpFor('').status).toBe('noEvidence');
    expect(shown(lineUpFor('wobble main 2.349 mm'))).toBe(shown(lineUpFor('')));
  });

  it('gives probabilities that sum to one', () => {
    for (const text of ['forged', 'main 59.67', 'cast 4?', 'lip seal 8 weights stroke 104']) {
      const { candidates, none } = lineUpFor(text);
      expect(candidates.reduce((sum, each) => sum + each.probability, none)).toBeCloseTo(1, 9);
    }
  });

  it('adds up: the weights of two candidates differ by their odds', () => {
    const { candidates } = lineUpFor('cast 41?7 main 2.3482in mic forged');
    const [a, b] = [candidates[0], candidates[1]];
    const total = (each: typeof a) => each?.pulls.reduce((sum, pull) => sum + pull.decibans, 0) ?? 0;
    expect(total(a) - total(b)).toBeCloseTo(10 * Math.log10((a?.probability ?? 0) / (b?.probability ?? 1)), 6);
  });

  const READINGS = words(
    'cast 41?7 main 2.3482in mic main 59.65 mm mic pin 52.05 mic stroke 3.375in caliper forged 8 weights rope seal',
  );

  it('does not depend on the order of the readings', () => {
    const expected = shown(lineUpFor(READINGS));
    holds(
      fc.property(fc.shuffledSubarray([...READINGS], { minLength: READINGS.length }), (shuffled) => {
        expect(shown(lineUpFor(shuffled))).toBe(expected);
      }),
      50,
    );
  });

  it('does not depend on the unit, to the last shown digit', () => {
    const inUnit = (unit: 'mm' | 'in' | 'thou' | 'micron') =>
      READINGS.map((each): Understood =>
        each.sort === 'size'
          ? { ...each, unit, values: each.values.map((value) => fromInside(toInside(value, each.unit), unit)) }
          : each,
      );
    const expected = shown(lineUpFor(READINGS));
    for (const unit of ['mm', 'in', 'thou', 'micron'] as const)
      expect(shown(lineUpFor(inUnit(unit))))
        .withContext(unit)
        .toBe(expected);
  });

  it('counts the same look or mark once, and pools repeats of a size', () => {
    expect(shown(lineUpFor('forged forged cast 4187 cast 4187'))).toBe(shown(lineUpFor('forged cast 4187')));
    expect(shown(lineUpFor('main 59.67 mic main 59.66 mic'))).toBe(shown(lineUpFor('main 59.66/59.67 mic')));
  });
});
