import fc from 'fast-check';
import { Aligner, logChance } from './alignment';
import { ALPHABET, confusion, lookAlike } from './confusion';
import { MarkTextError, normaliseMark, readMark } from './markText';
import { holds } from '../testing/laws';

const read = (text: string, mark: string) => new Aligner(readMark(text), 'cast').align(mark);
const likelihood = (text: string, mark: string) => read(text, mark)?.logLikelihood ?? -Infinity;

describe('reading a mark', () => {
  it('keeps doubts and drops what people put between characters', () => {
    expect(readMark('bs-41?7')).toEqual([['B'], ['S'], ['4'], ['1'], [], ['7']]);
    expect(readMark('4[B8]27')).toEqual([['4'], ['B', '8'], ['2'], ['7']]);
    expect(normaliseMark('BS 104-127')).toBe('BS104127');
  });

  it('says what is wrong with a mark that cannot be one', () => {
    expect(() => readMark('4[B8')).toThrowMatching((error) => error instanceof MarkTextError && error.at === 1);
    expect(() => readMark('???')).toThrowError(/at least one/);
    expect(() => readMark('A'.repeat(41))).toThrowError(/40/);
  });
});

describe('confusion of characters', () => {
  it('gives each true character probabilities that sum to one', () => {
    for (const truth of ALPHABET) {
      const sum = [...ALPHABET].reduce((total, each) => total + confusion(truth, each, 'cast'), 0);
      expect(sum).withContext(truth).toBeCloseTo(1, 12);
    }
  });

  it('knows 0/O, 8/B, 1/I/7 and 5/S for look-alikes (common practice, no source)', () => {
    for (const [a, b] of ['0O', '8B', '1I', '17', '5S'].map((pair) => [...pair])) {
      expect(lookAlike(a ?? '', b ?? '', 'cast')).toBeTrue();
      expect(confusion(a ?? '', b ?? '', 'cast')).toBeGreaterThan(10 * confusion(a ?? '', 'W', 'cast'));
    }
  });
});

describe('aligning', () => {
  it('prefers the mark read, then its look-alikes, then others', () => {
    expect(likelihood('4187', '4187')).toBeGreaterThan(likelihood('4187', '41B7'));
    expect(likelihood('4187', '41B7')).toBeGreaterThan(likelihood('4187', '4127'));
    expect(likelihood('41?7', '4187')).toBeCloseTo(likelihood('41?7', '41B7'), 12);
    expect(likelihood('4[B8]87', '4887')).toBeGreaterThan(likelihood('4A87', '4887'));
  });

  it('says how the mark came to be read so', () => {
    expect(read('4187', '41B7')?.slips).toEqual([{ kind: 'misread', truth: 'B', read: '8', common: true }]);
    expect(read('417', '4187')?.slips).toEqual([{ kind: 'missed', truth: '8' }]);
    expect(read('41987', '4187')?.slips).toEqual([{ kind: 'extra', read: '9' }]);
    expect(read('41', '4187')).toEqual(jasmine.objectContaining({ slips: [], unread: 2 }));
  });

  it('does not claim a relation where there is none', () => {
    expect(read('9999', '4187')).toBeUndefined();
    expect(logChance(readMark('4?'))).toBeCloseTo(Math.log(1 / 36), 12);
  });

  it('never finds a misreading likelier than the plain reading of any mark', () => {
    const mark = fc.array(fc.constantFrom(...ALPHABET), { minLength: 3, maxLength: 8 }).map((each) => each.join(''));
    holds(
      fc.property(mark, mark, (truth, other) => {
        expect(likelihood(truth, truth)).toBeGreaterThanOrEqual(likelihood(other, truth) - 1e-9);
      }),
    );
  });
});
