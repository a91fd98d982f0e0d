import fc from 'fast-check';
import { cut, whyNotText } from './text';
import { holds } from '../testing/laws';

/** Any sixteen-bit units in a row, halves of characters among them. */
const units = fc
  .array(
    fc.oneof(
      fc.integer({ min: 0, max: 0x7f }),
      fc.integer({ min: 0xd800, max: 0xdfff }),
      fc.integer({ min: 0xe000, max: 0xffff }),
    ),
    { maxLength: 12 },
  )
  .map((codes) => String.fromCharCode(...codes));
const whole = fc.string({ unit: 'grapheme', maxLength: 30 });

/**
 * The WHATWG Encoding Standard puts U+FFFD for what UTF-8 cannot say, so only a well-formed text comes back as it was.
 */
const survivesUtf8 = (text: string): boolean =>
  new TextDecoder('utf-8', { ignoreBOM: true }).decode(new TextEncoder().encode(text)) === text;

describe('a text that can be kept', () => {
  it('is one that UTF-8 can say, without NUL: as the browser’s own encoder has it', () => {
    holds(
      fc.property(units, (text) => {
        expect(whyNotText(text) === undefined).toBe(survivesUtf8(text) && !text.includes('\0'));
      }),
    );
  });

  it('says which of the two faults it has', () => {
    expect(whyNotText('BS\0')).toContain('NUL');
    expect(whyNotText('crank \ud83d')).toContain('half of a character');
    expect(whyNotText('\udd27 crank')).toContain('half of a character');
    expect(whyNotText('crank 🔧')).toBeUndefined();
  });
});

describe('a text cut to a length', () => {
  it('begins as the text does, has so many characters and no half of one', () => {
    holds(
      fc.property(whole, fc.nat(40), (text, most) => {
        const short = cut(text, most);
        expect(text.startsWith(short)).toBeTrue();
        expect(Array.from(short).length).toBe(Math.min(most, Array.from(text).length));
        expect(survivesUtf8(short)).toBe(survivesUtf8(text));
      }),
    );
  });

  it('keeps the character that stands on the edge whole', () => {
    expect(cut('ab🔧cd', 3)).toBe('ab🔧');
    expect(cut('ab🔧cd', 2)).toBe('ab');
    expect('ab🔧cd'.slice(0, 3)).not.toBe('ab🔧');
  });
});
