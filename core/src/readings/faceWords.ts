import { find, type Phrase, type Phrases, type Read } from './phrases.js';

/**
 * `bellhousing Ambit plate`: the name of a face, and what its pattern is called up to the next comma, or in quotes.
 * Such names have figures and words of the trade in them, so that only what is plainly another reading ends one.
 *
 * @param isAnother whether something else begins at a token beyond doubt
 */
export function faceWords(
  phrases: Phrases,
  phrase: Phrase,
  from: number,
  after: number,
  isAnother: (at: number) => boolean,
): Read | undefined {
  const face = find(phrase, 'face')?.face.id;
  if (face === undefined || !phrases.tokens[after] || isAnother(after)) return undefined;
  const next = phrases.afterName(after, isAnother);
  const pattern = phrases.name(after, next);
  // `flange 78`, `head bolts 7/16`: no pattern is called by a bare size.
  const isSize = /^[\d./,]+\s*(?:mm|cm|in|inch|inches|thou|"|″)(?=\s|$)/i.test(pattern);
  return isSize || !/[a-z]{2}|[a-z]\d/i.test(pattern.replace(/\b(?:mm|cm|in|inch|inches|thou)\b/gi, ''))
    ? undefined
    : { is: { sort: 'face', text: phrases.source(from, next), face, pattern }, next };
}
