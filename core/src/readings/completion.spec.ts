import fc from 'fast-check';
import { KIND_IDS } from '../dictionary/dictionary';
import { holds } from '../testing/laws';
import { whyNot } from '../testing/whyNot';
import { completeEntry } from './completion';
import { readEntry } from './entryLine';

const phrases = (text: string, kind: (typeof KIND_IDS)[number] = 'crank') =>
  completeEntry(text, text.length, kind).map(({ phrase }) => phrase);

describe('completion of the entry line', () => {
  it('goes on from the beginning of a word, sizes first', () => {
    const [first] = completeEntry('cast 41?7 ma', 12, 'crank');
    expect(first?.phrase.startsWith('ma')).toBeTrue();
    expect(first?.from).toBe(10);
    expect(first?.says).toMatch(/^size: main/);
  });

  it('goes on from several words at once', () => {
    expect(phrases('main jo')[0]).toBe('main journal');
  });

  it('offers one meaning once, whatever its synonyms', () => {
    const said = completeEntry('s', 1, 'crank', 50).map(({ says }) => says);
    expect(new Set(said).size).toBe(said.length);
  });

  it('offers the instrument after a size', () => {
    expect(phrases('main 59.67 cal')).toContain('caliper');
  });

  it('is silent after a space, a figure, and where nothing begins so', () => {
    expect(phrases('main ')).toEqual([]);
    expect(phrases('main 59')).toEqual([]);
    expect(phrases('zzz')).toEqual([]);
  });

  it('only offers phrases that the line understands', () => {
    for (const kind of KIND_IDS)
      for (const letter of 'abcdefghijklmnoprstuvw')
        for (const { phrase } of completeEntry(letter, 1, kind, 100)) {
          const { words } = readEntry(phrase, kind);
          const reason = words.map((word) => whyNot(word, kind)).join('');
          expect(reason).withContext(`${kind}: ${phrase}`).not.toContain('No word of');
        }
  });

  it('never throws, and its places lie in the text', () => {
    holds(
      fc.property(fc.string({ maxLength: 30 }), fc.nat(30), (text, caret) => {
        const at = Math.min(caret, text.length);
        for (const { from, to } of completeEntry(text, at, 'piston')) {
          expect(from).toBeGreaterThanOrEqual(0);
          expect(to).toBe(at);
        }
      }),
    );
  });
});
