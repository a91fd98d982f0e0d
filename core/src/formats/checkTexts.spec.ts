import fc from 'fast-check';
import { cut, whyNotText } from '../quantity/text';
import { checkTexts } from './checkTexts';
import { holds } from '../testing/laws';

describe('text that is to be kept', () => {
  it('is cut between characters, never through one', () => {
    // U+1F529, nut and bolt, is two sixteen-bit units (the Unicode Standard, 3.9, UTF-16).
    expect(cut('ab🔩', 3)).toBe('ab🔩');
    expect(cut('ab🔩c', 3)).toBe('ab🔩');
    expect(cut('ab🔩c', 2)).toBe('ab');
    holds(
      fc.property(fc.string({ unit: 'grapheme' }), fc.nat(20), (text, most) => {
        const short = cut(text, most);
        expect(Array.from(short).length).toBe(Math.min(most, Array.from(text).length));
        expect(text.startsWith(short)).toBeTrue();
        expect(whyNotText(short)).toBeUndefined();
      }),
    );
  });

  it('agrees with the platform on what is well formed', () => {
    holds(
      fc.property(
        fc.string({ unit: 'binary' }),
        fc.string({ unit: fc.constantFrom('a', '\uD83D', '\uDD29') }),
        (whole, pieces) => {
          for (const text of [whole, pieces]) {
            // encodeURIComponent throws for lone surrogates (ECMA-262, 19.2.6.5).
            let wellFormed = true;
            try {
              encodeURIComponent(text);
            } catch {
              wellFormed = false;
            }
            expect(whyNotText(text) === undefined)
              .withContext(JSON.stringify(text))
              .toBe(wellFormed && !text.includes('\0'));
          }
        },
      ),
    );
  });

  it('is refused by its place', () => {
    expect(
      checkTexts({ name: 'a\0', readings: [{ text: 'fine' }, { text: '\uD83D' }] }, 'body').map(({ where }) => where),
    ).toEqual(['body.name', 'body.readings[1].text']);
    expect(checkTexts({ table: { 'x\0': 'y' } }, 'body')).toEqual([
      { where: 'body.table', what: jasmine.stringContaining('name of a field') },
    ]);
    let deep: unknown = 'x';
    for (let at = 0; at < 100_000; at++) deep = [deep];
    expect(checkTexts(deep, 'body')).toEqual([
      { where: jasmine.stringMatching(/^body/), what: jasmine.stringContaining('nested') },
    ]);
    expect(checkTexts([null, 1, true, 'text', { a: undefined }], 'body')).toEqual([]);
  });
});
