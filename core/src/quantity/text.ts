/**
 * The first so many characters of a text. Counted by code points, so that no character beyond the sixteen-bit ones is
 * cut in half: half of one can be neither stored nor sent.
 */
export function cut(text: string, most: number): string {
  // No text has fewer code units than code points.
  return text.length <= most ? text : Array.from(text).slice(0, most).join('');
}

/** Half of a character of two sixteen-bit units, without its other half (the Unicode Standard, 3.8, "surrogates"). */
const LONE_SURROGATE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;

/** Why a text cannot be stored, or nothing: PostgreSQL keeps no NUL, and UTF-8 has no half characters. */
export function whyNotText(text: string): string | undefined {
  if (text.includes('\0')) return 'it holds a NUL character, which cannot be kept; take it out.';
  return LONE_SURROGATE.test(text)
    ? 'it holds half of a character (a lone surrogate), which cannot be kept; type it again.'
    : undefined;
}
